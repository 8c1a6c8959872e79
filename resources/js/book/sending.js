import {request} from '../request.js';

/** Sends changes one after another, each on the version the one before it made, and says what came of it. */
export function sending(book, rows, bars) {
    let version = Number(book.root.dataset.version);
    let queue = Promise.resolve();

    const refused = (problem) => {
        if (problem.status === 409) {
            bars.saved('not kept');
            const did = (problem.data.changes ?? []).map((change) => change.words).slice(0, 3).join('; ');
            bars.notice(`${problem.text}${did ? ` ${problem.data.by} did this: ${did}.` : ''} What you wrote is still in the form.`, {reload: true});
        } else if (problem.status === 422 && problem.data?.problems) {
            bars.saved('not kept yet');
            book.open ? bars.problems(problem.data.problems) : bars.notice(problem.data.problems.join(' '));
        } else {
            bars.saved('not kept');
            bars.notice(problem.text ?? String(problem));
        }
    };

    return {
        /** All that was sent has been answered. */
        settled: () => queue,
        send(url, method, body = {}) {
            queue = queue.then(async () => {
                bars.saved('keeping …');
                try {
                    const data = await request(url, {method, body: {...body, version: body.version ?? version, have: rows.held()}});
                    version = data.version;
                    bars.undoes(data.undoable);
                    rows.take(data);
                    bars.saved('kept');
                    bars.problems([]);
                    bars.notice(data.others ?? data.undo?.words ?? null, {undo: data.undo?.version ?? null});
                    return data;
                } catch (problem) {
                    refused(problem);
                    return null;
                }
            });
            return queue;
        },
    };
}

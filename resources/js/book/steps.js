import {one, rowOf} from './page.js';

/** What is done with whole steps: added, copied, moved, taken out, mended, taken back. */
export function steps(book, sent, edits, folds, bars) {
    const {base} = book;
    const move = async (row, before) => {
        await edits.kept();
        const data = await sent.send(`${base}/steps/${row.dataset.step}/move`, 'POST', {before: before?.dataset.step ?? null});
        if (data) {
            const now = rowOf(data.at);
            if (!book.open) {
                now?.focus({preventScroll: true});
            }
            now?.scrollIntoView({block: 'nearest'});
        }
    };

    return {
        move,
        shift(row, by) {
            const all = book.rows();
            const at = all.indexOf(row);
            if (by < 0 && at > 0) {
                move(row, all[at - 1]);
            } else if (by > 0 && at < all.length - 1) {
                move(row, all[at + 2] ?? null);
            }
        },
        async add(after, kind, name = '') {
            await edits.kept();
            const data = await sent.send(`${base}/steps`, 'POST', {after, kind, name});
            if (data?.at) {
                const row = rowOf(data.at);
                folds.unfold(row);
                await edits.edit(row);
            }
        },
        async copy(row) {
            await edits.kept();
            const data = await sent.send(`${base}/steps/${row.dataset.step}/copy`, 'POST');
            if (data?.at) {
                await edits.edit(rowOf(data.at));
            }
        },
        async remove(row) {
            const next = row.nextElementSibling ?? row.previousElementSibling;
            edits.drop(row);
            if (await sent.send(`${base}/steps/${row.dataset.step}`, 'DELETE')) {
                next?.matches?.('[data-row]') && next.focus({preventScroll: true});
            }
        },
        async fix(finding) {
            await edits.kept();
            if (await sent.send(`${base}/fix`, 'POST', {finding})) {
                await edits.follow();
            }
        },
        async undo(button) {
            await edits.kept();
            const what = one('undo').title.replace(/^Takes back: /, '');
            const data = await sent.send(`${base}/undo`, 'POST', {version: Number(button.dataset.version)});
            if (data) {
                bars.notice(`Taken back: ${what}.`);
                await edits.follow((key) => rowOf(key) && data.order.includes(key));
            }
        },
    };
}

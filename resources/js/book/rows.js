import {built, one, rowOf} from './page.js';

/** Puts what the server sent on the page: new and changed rows in their order, findings, state. A row that is open keeps its form. */
export function rowsOf(book, folds) {
    const hashes = {};

    // A row that is being written in: all but its form is new.
    const refresh = (row, fresh) => {
        for (const part of ['.spine', '.says', '.answers', '.fills', '.scene']) {
            const old = row.querySelector(`:scope > ${part}`);
            const now = fresh.querySelector(`:scope > ${part}`);
            if (old && now) {
                old.replaceWith(now);
            } else if (old) {
                old.remove();
            } else if (now) {
                row.prepend(now);
            }
        }
        row.dataset.scene = fresh.dataset.scene ?? '';
        if (!fresh.dataset.scene) {
            delete row.dataset.scene;
        }
        book.timed();
        const list = row.querySelector('[data-row-findings]');
        if (list) {
            list.dataset.stale = fresh.querySelector('.found') ? '1' : '';
        }
    };

    const renewed = (key, html) => {
        const row = rowOf(key);
        if (html === undefined) {
            return row;
        }
        const fresh = built(html);
        if (row && row === book.open?.row) {
            refresh(row, fresh);
            return row;
        }
        if (row) {
            const focused = row.contains(document.activeElement) || row === document.activeElement;
            row.replaceWith(fresh);
            if (focused) {
                fresh.focus({preventScroll: true});
            }
        }
        return fresh;
    };

    return {
        /** Which rows the page has, as the server knows them. */
        held: () => JSON.stringify(Object.fromEntries(Object.entries(hashes).filter(([key]) => rowOf(key)))),
        take(data) {
            Object.assign(hashes, data.hashes);
            book.root.className = book.root.className.replace(/lanes-\d+/, `lanes-${data.lanes}`);
            const keep = new Set(data.order);
            book.rows().forEach((row) => {
                if (!keep.has(row.dataset.step) && row !== book.open?.row) {
                    delete hashes[row.dataset.step];
                    row.remove();
                }
            });
            let last = book.root.querySelector('.book-head');
            data.order.forEach((key) => {
                const row = renewed(key, data.rows[key]);
                if (last.nextElementSibling !== row) {
                    last.after(row);
                }
                last = row;
            });
            one('findings-list').innerHTML = data.findings;
            one('findings-count').textContent = data.count;
            const state = document.querySelector('[data-state]');
            if (state) {
                state.textContent = data.state;
            }
            folds.fold();
        },
    };
}

import {one, rowOf} from './page.js';

/** Scenes fold: the rows behind a heading hide until the next one. */
export function folding(book) {
    const fold = () => {
        let hidden = false;
        book.rows().forEach((row) => {
            const button = row.querySelector('[data-fold]');
            if (button) {
                hidden = button.getAttribute('aria-expanded') === 'false';
                row.classList.toggle('folded', hidden);
            } else {
                row.hidden = hidden && row !== book.open?.row;
            }
        });
    };
    const unfold = (row) => {
        for (let at = row; at?.matches?.('[data-row]'); at = at.previousElementSibling) {
            const button = at.querySelector('[data-fold]');
            if (button) {
                button.setAttribute('aria-expanded', 'true');
                break;
            }
        }
        fold();
    };
    one('fold-all').addEventListener('click', (event) => {
        const all = event.target.getAttribute('aria-pressed') !== 'true';
        event.target.setAttribute('aria-pressed', String(all));
        event.target.textContent = all ? 'Unfold all' : 'Fold all';
        book.root.querySelectorAll('[data-fold]').forEach((button) => button.setAttribute('aria-expanded', String(!all)));
        fold();
    });

    return {
        fold,
        unfold,
        toggle(button) {
            button.setAttribute('aria-expanded', String(button.getAttribute('aria-expanded') !== 'true'));
            fold();
        },
        goTo(key) {
            const row = rowOf(key);
            if (row) {
                unfold(row);
                row.focus({preventScroll: true});
                row.scrollIntoView({block: 'center'});
            }
        },
    };
}

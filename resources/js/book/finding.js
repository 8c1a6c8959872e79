import {one} from './page.js';

/** Finds words in the script; Enter goes on from hit to hit. */
export function finding(book, folds) {
    const find = one('book-find');
    let hits = [];
    find.addEventListener('input', () => {
        const wanted = find.value.trim().toLowerCase();
        hits = [];
        book.rows().forEach((row) => {
            const fits = wanted !== '' && row.textContent.toLowerCase().includes(wanted);
            row.classList.toggle('hit', fits);
            if (fits) {
                hits.push(row);
            }
        });
        one('book-hits').textContent = wanted === '' ? '' : `${hits.length}`;
        if (hits[0]) {
            folds.unfold(hits[0]);
            hits[0].scrollIntoView({block: 'center'});
        }
    });
    find.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' && hits.length) {
            event.preventDefault();
            hits.push(hits.shift());
            const row = event.shiftKey ? hits.at(-2) ?? hits[0] : hits.at(-1);
            folds.goTo(row.dataset.step);
        } else if (event.key === 'Escape') {
            find.value = '';
            find.dispatchEvent(new Event('input'));
            find.blur();
        }
    });
}

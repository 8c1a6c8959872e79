import {one} from './page.js';

/** The book by keyboard: Enter opens, Escape closes, Alt and arrows move, n adds, z takes back, Delete takes out. */
export function keys(book, edits, does, ask) {
    document.addEventListener('keydown', (event) => {
        if (event.target.closest('dialog[open], .handset')) {
            return;
        }
        const row = event.target.closest('[data-row]');
        const taken = (run) => {
            event.preventDefault();
            run();
        };
        if (event.altKey && row && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            taken(() => does.shift(row, event.key === 'ArrowUp' ? -1 : 1));
        } else if (event.key === 'Escape' && book.open && !event.defaultPrevented) {
            taken(() => edits.close());
        } else if (event.target.closest('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
            // Somebody is writing.
        } else if (event.key === 'Enter' && event.target.matches('[data-row]')) {
            taken(() => edits.edit(event.target));
        } else if (event.key === 'z' && !one('undo').disabled) {
            taken(() => does.undo(one('undo')));
        } else if (event.key === 'n') {
            taken(() => ask(row ?? book.open?.row ?? book.rows().at(-1)));
        } else if (event.key === 'Delete' && event.target.matches('[data-row]')) {
            taken(() => does.remove(event.target));
        }
    });
}

import {one} from './page.js';

/** What the book says of itself: the notice, what the next undo takes back, whether all is kept, what is wrong with a form. */
export function bars(book) {
    return {
        notice(text, {undo = null, reload = false} = {}) {
            one('book-notice').hidden = !text;
            one('notice-text').textContent = text ?? '';
            one('notice-undo').hidden = undo === null;
            one('notice-undo').dataset.version = undo ?? '';
            one('notice-reload').hidden = !reload;
        },
        // What the next undo takes back: the latest change that stands, then the one before it.
        undoes(change) {
            const button = one('undo');
            button.disabled = !change;
            button.dataset.version = change?.version ?? '';
            button.title = change ? `Takes back: ${change.words}` : 'Nothing to take back';
        },
        saved(text) {
            document.querySelectorAll('[data-saved], [data-book-saved]').forEach((line) => {
                line.textContent = text;
            });
        },
        problems(texts) {
            const list = book.open?.form.querySelector('[data-problems]');
            if (!list) {
                return;
            }
            list.hidden = texts.length === 0;
            list.replaceChildren(...texts.map((text) => {
                const item = document.createElement('li');
                item.textContent = text;
                return item;
            }));
        },
    };
}

/** The parts of the prompt book's page that its modules share. */
export const one = (name) => document.querySelector(`[data-${name}]`);

export const rowOf = (key) => document.getElementById(`step-${key}`);

/** The first element of some HTML. */
export const built = (html) => {
    const holder = document.createElement('div');
    holder.innerHTML = html.trim();
    return holder.firstElementChild;
};

/** What modules share: the book, its rows, and what is open: {row, form, dirty} or nothing. */
export function sharedBy(root) {
    return {
        root,
        base: root.dataset.url,
        open: null,
        rows: () => [...root.querySelectorAll(':scope > [data-row]')],
        /** How long the open row takes to say, from the row to its form. */
        timed() {
            const line = this.open?.form.querySelector('[data-seconds]');
            if (line) {
                line.textContent = this.open.row.querySelector('.fills .seconds')?.textContent ?? '';
            }
        },
    };
}

/** Adding by key: which kind, asked in a small list. Gives back how to ask it after a row. */
export function adding(add) {
    const dialog = document.getElementById('new-step');
    let after = null;
    dialog.querySelector('form').addEventListener('submit', (event) => {
        if (event.submitter?.value === 'add') {
            const form = new FormData(event.target);
            add(after, String(form.get('kind')), String(form.get('name')));
            event.target.elements.name.value = '';
        }
    });

    return (row) => {
        after = row?.dataset.step ?? null;
        dialog.querySelector('[data-after]').textContent = after === null ? 'at the beginning' : `after ${after}`;
        dialog.showModal();
        dialog.querySelector('input[type=radio]:checked').focus();
    };
}

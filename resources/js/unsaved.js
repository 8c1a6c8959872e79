/** Asks before a page is left whose form was written in and not kept. */
export function unsaved() {
    const forms = [...document.querySelectorAll('form[data-agent-form], form[data-unsaved]')];
    const written = new Set();
    forms.forEach((form) => {
        form.addEventListener('input', () => written.add(form));
        form.addEventListener('change', () => written.add(form));
        form.addEventListener('click', (event) => event.target.closest('[data-add], [data-remove]') && written.add(form));
        form.addEventListener('submit', () => written.clear());
    });
    addEventListener('beforeunload', (event) => {
        if (written.size > 0) {
            event.preventDefault();
        }
    });
}

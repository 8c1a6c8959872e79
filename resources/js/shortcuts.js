/** Keys that work on every page, and menus that close as one expects. */
export function shortcuts({ring}) {
    const dialog = document.getElementById('shortcuts');
    const show = () => dialog && !dialog.open && dialog.showModal();
    document.querySelector('[data-shortcuts]')?.addEventListener('click', show);
    document.addEventListener('keydown', (event) => {
        const typing = event.target.closest('input, select, textarea, dialog[open]');
        if (event.key === 'Escape') {
            document.querySelectorAll('details.pick[open], details.keypad[open]').forEach((menu) => menu.removeAttribute('open'));
            return;
        }
        if (typing || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        if (event.key === 'r' && ring) {
            event.preventDefault();
            ring();
        } else if (event.key === '/') {
            const find = document.querySelector('[data-book-find]') ?? document.querySelector('[data-find]');
            if (find) {
                event.preventDefault();
                find.focus();
                find.select();
            }
        } else if (event.key === '?') {
            event.preventDefault();
            show();
        } else {
            // A page's own act with a key of its own.
            document.querySelector(`[data-shortcut="${CSS.escape(event.key)}"]`)?.click();
        }
    });
    document.addEventListener('click', (event) => {
        document.querySelectorAll('details.pick[open]').forEach((menu) => {
            if (!menu.contains(event.target)) {
                menu.removeAttribute('open');
            }
        });
    });
}

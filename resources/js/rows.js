/** Moves through lists with j and k, and opens a row with Enter. */
export function rows() {
    const list = document.querySelector('[data-rows], [data-book]');
    if (!list) {
        return;
    }
    const all = () => [...list.querySelectorAll('[data-row]')].filter((row) => !row.hidden);
    document.addEventListener('keydown', (event) => {
        if (event.target.closest('input, select, textarea, dialog[open], .handset') || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        if (event.key === 'j' || event.key === 'k') {
            const found = all();
            const now = found.indexOf(document.activeElement?.closest('[data-row]'));
            const next = found[Math.max(0, Math.min(found.length - 1, now + (event.key === 'j' ? 1 : -1)))];
            next?.focus({preventScroll: true});
            next?.scrollIntoView({block: 'nearest'});
            event.preventDefault();
        } else if (event.key === 'Enter' && event.target.matches('[data-row]')) {
            const href = event.target.dataset.href;
            if (href) {
                location.href = href;
            }
        }
    });
    list.addEventListener('click', (event) => {
        const row = event.target.closest('[data-href]');
        if (row && !event.target.closest('a, button') && !getSelection()?.toString()) {
            location.href = row.dataset.href;
        }
    });
}

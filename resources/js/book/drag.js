/** Drags rows of a list to another place by their grip, with mouse, pen or finger. */
export function drag(list, moved) {
    let row = null;
    let line = null;
    let before = null;

    const target = (y) => {
        const rows = [...list.querySelectorAll('[data-row]:not([hidden])')];
        return rows.find((one) => {
            const box = one.getBoundingClientRect();
            return y < box.top + box.height / 2;
        }) ?? null;
    };

    list.addEventListener('pointerdown', (event) => {
        const grip = event.target.closest('[data-grip]');
        if (!grip || event.button !== 0) {
            return;
        }
        event.preventDefault();
        row = grip.closest('[data-row]');
        before = row;
        row.classList.add('dragged');
        line = document.createElement('div');
        line.className = 'drop-line';
        list.append(line);
        const move = (now) => {
            before = target(now.clientY);
            const box = list.getBoundingClientRect();
            const edge = before ? before.getBoundingClientRect().top : [...list.querySelectorAll('[data-row]')].at(-1).getBoundingClientRect().bottom;
            line.style.top = `${edge - box.top - 1}px`;
            if (now.clientY < 90) {
                scrollBy(0, -14);
            } else if (now.clientY > innerHeight - 60) {
                scrollBy(0, 14);
            }
        };
        const end = (now) => {
            document.removeEventListener('pointermove', move);
            document.removeEventListener('pointerup', end);
            document.removeEventListener('pointercancel', end);
            row.classList.remove('dragged');
            line.remove();
            if (now.type === 'pointerup' && before !== row && before !== row.nextElementSibling) {
                moved(row, before);
            }
            row = null;
        };
        document.addEventListener('pointermove', move);
        document.addEventListener('pointerup', end);
        document.addEventListener('pointercancel', end);
    });
}

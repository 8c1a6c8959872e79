/** The call map: zoom by buttons, keys and wheel, and moving it by dragging or arrow keys. */
export function map() {
    const root = document.querySelector('[data-map]');
    if (!root) {
        return;
    }
    const svg = root.querySelector('[data-map-svg]');
    const wide = svg.viewBox.baseVal.width;
    const high = svg.viewBox.baseVal.height;
    let scale = 1;
    const set = (to, at = null) => {
        const box = root.getBoundingClientRect();
        const x = at ? at.x - box.left : box.width / 2;
        const y = at ? at.y - box.top : box.height / 2;
        const next = Math.max(0.2, Math.min(3, to));
        const left = (root.scrollLeft + x) * (next / scale) - x;
        const top = (root.scrollTop + y) * (next / scale) - y;
        scale = next;
        svg.setAttribute('width', String(wide * scale));
        svg.setAttribute('height', String(high * scale));
        root.scrollTo(left, top);
    };
    const fit = () => set(Math.min(root.clientWidth / wide, root.clientHeight / high) * 0.98);
    document.addEventListener('click', (event) => {
        const button = event.target.closest('[data-zoom]');
        if (button) {
            ({in: () => set(scale * 1.25), out: () => set(scale / 1.25), fit, one: () => set(1)})[button.dataset.zoom]();
        }
    });
    root.addEventListener('wheel', (event) => {
        if (event.ctrlKey || event.metaKey) {
            event.preventDefault();
            set(scale * (event.deltaY < 0 ? 1.1 : 1 / 1.1), {x: event.clientX, y: event.clientY});
        }
    }, {passive: false});
    root.addEventListener('keydown', (event) => {
        if (event.key === '+' || event.key === '=') {
            set(scale * 1.25);
        } else if (event.key === '-') {
            set(scale / 1.25);
        }
    });
    let from = null;
    root.addEventListener('pointerdown', (event) => {
        if (event.button === 0 && !event.target.closest('a')) {
            from = {x: event.clientX + root.scrollLeft, y: event.clientY + root.scrollTop};
            root.setPointerCapture(event.pointerId);
        }
    });
    root.addEventListener('pointermove', (event) => {
        if (from) {
            root.scrollTo(from.x - event.clientX, from.y - event.clientY);
        }
    });
    ['pointerup', 'pointercancel'].forEach((name) => root.addEventListener(name, () => {
        from = null;
    }));
    if (wide > root.clientWidth) {
        set(Math.max(0.62, root.clientWidth / wide));
        root.scrollTo(0, 0);
    }
}

/** Where a way leads to a step that is not there yet: its name and kind are asked in place, and the way leads there. */
export function targets(root) {
    const kinds = [...document.querySelectorAll('#new-step [name=kind]')].map((one) => one.value);
    root.addEventListener('change', (event) => {
        const select = event.target;
        if (!select.matches('select[data-to]')) {
            return;
        }
        select.parentElement.querySelector('.new-target')?.remove();
        if (select.value !== '+new') {
            return;
        }
        const asked = document.createElement('span');
        asked.className = 'new-target';
        asked.innerHTML = `<input aria-label="Name of the new step" placeholder="its name" autocomplete="off"><select aria-label="Kind of the new step">${kinds.map((kind) => `<option>${kind}</option>`).join('')}</select><button type="button">Make it</button>`;
        const [name, kind, button] = asked.children;
        const make = () => {
            if (!name.value.trim()) {
                name.focus();
                return;
            }
            const option = new Option(name.value.trim(), `+new:${kind.value}:${name.value.trim()}`);
            select.add(option);
            option.selected = true;
            asked.remove();
            select.focus();
            select.dispatchEvent(new Event('change', {bubbles: true}));
        };
        button.addEventListener('click', make);
        asked.addEventListener('keydown', (key) => {
            if (key.key === 'Enter') {
                key.preventDefault();
                make();
            } else if (key.key === 'Escape') {
                key.stopPropagation();
                select.value = [...select.options].find((one) => one.defaultSelected)?.value ?? '';
                asked.remove();
                select.focus();
            }
        });
        select.after(asked);
        name.focus();
    });
}

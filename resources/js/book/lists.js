/** Lists in a form whose items can be added and taken out, texts that grow, and parts that show by a choice. */
export function lists(root, changed) {
    let count = 0;
    const grow = (area) => {
        area.style.height = 'auto';
        area.style.height = `${area.scrollHeight + 2}px`;
    };
    root.addEventListener('input', (event) => event.target.matches('[data-grow]') && grow(event.target));
    root.addEventListener('change', (event) => {
        const name = event.target.dataset?.shows;
        if (!name) {
            return;
        }
        const form = event.target.form ?? root;
        form.querySelectorAll(`[data-shown="${name}"]`).forEach((part) => {
            part.hidden = !part.dataset.when.split(' ').includes(event.target.value);
        });
    });
    root.addEventListener('click', (event) => {
        const add = event.target.closest('[data-add]');
        const remove = event.target.closest('[data-remove]');
        const up = event.target.closest('[data-up]');
        if (add) {
            const list = add.closest('[data-list]');
            const wanted = add.dataset.add ? `template[data-blank="${CSS.escape(add.dataset.add)}"]` : 'template[data-blank]';
            const blank = [...list.children].find((child) => child.matches(wanted)) ?? list.querySelector(':scope > template');
            const token = blank.dataset.token ?? '__i__';
            const holder = document.createElement('div');
            holder.innerHTML = blank.innerHTML.replaceAll(token, `n${(count += 1)}`);
            // A list inside a new item keeps its own blank.
            const item = holder.firstElementChild;
            list.querySelector(':scope > [data-items]').append(item);
            item.querySelectorAll('[data-grow]').forEach(grow);
            item.querySelector('input:not([type=hidden]), textarea, select')?.focus();
            changed(item);
        } else if (up) {
            const item = up.closest('[data-item]');
            item.previousElementSibling?.before(item);
            up.focus();
            changed(item);
        } else if (remove) {
            const item = remove.closest('[data-item]');
            const list = item.closest('[data-list]');
            const all = list.querySelectorAll(':scope > [data-items] > [data-item]');
            if (all.length > Number(list.dataset.least)) {
                const near = item.nextElementSibling ?? item.previousElementSibling;
                item.remove();
                (near?.querySelector('input:not([type=hidden]), textarea') ?? list.querySelector(':scope > [data-add]'))?.focus();
            } else {
                item.querySelectorAll('textarea, input:not([type=hidden])').forEach((field) => {
                    field.value = '';
                });
            }
            changed(list);
        }
    });
    return grow;
}

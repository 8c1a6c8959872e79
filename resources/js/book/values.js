const pathOf = (name) => name.replace(/\]/g, '').split('[');

/** What a form holds, as the script has it: names with brackets nest, an empty bracket adds to a list, boxes are true or false. */
export function values(form) {
    const out = {};
    for (const [name, value] of new FormData(form)) {
        const path = pathOf(name);
        let at = out;
        path.forEach((key, i) => {
            if (i === path.length - 1) {
                if (key === '') {
                    at.push(value);
                } else {
                    at[key] = value;
                }
                return;
            }
            at[key] ??= path[i + 1] === '' ? [] : {};
            at = at[key];
        });
    }
    for (const box of form.querySelectorAll('input[type=checkbox]')) {
        const path = pathOf(box.name);
        if (path.length === 1) {
            out[path[0]] = box.checked;
        } else {
            (out[path[0]] ??= {})[path[1]] = box.checked;
        }
    }
    return out;
}

/**
 * Offers values and facts when [ is typed in a prompt. A value that may be empty here asks for the words to use then.
 * The list follows the ARIA combobox pattern: focus stays in the text.
 */
export function slots(root) {
    let box = null;

    const close = () => {
        box?.element.remove();
        box?.area.removeAttribute('aria-activedescendant');
        box = null;
    };

    const typed = (area) => {
        const before = area.value.slice(0, area.selectionStart);
        const found = before.match(/\[([a-z0-9_.]*)$/i);
        return found ? {from: before.length - found[0].length, text: found[1].toLowerCase()} : null;
    };

    const insert = (area, from, words) => {
        const after = area.value.slice(area.selectionStart).replace(/^[a-z0-9_.]*\]/i, '');
        area.value = area.value.slice(0, from) + words + after;
        area.selectionStart = area.selectionEnd = from + words.length;
        area.dispatchEvent(new Event('input', {bubbles: true}));
        area.focus();
    };

    const choose = (offer) => {
        const {area, from} = box;
        if (!offer.empty) {
            close();
            insert(area, from, `[${offer.path}]`);
            return;
        }
        box.element.replaceChildren();
        const label = document.createElement('label');
        label.textContent = `${offer.label} may be empty here. Words to use then: `;
        const words = document.createElement('input');
        words.placeholder = 'nothing: leave the sentence out';
        label.append(words);
        box.element.append(label);
        box.asking = true;
        const done = () => {
            const said = words.value.replace(/[[\]|]/g, '').trim();
            close();
            insert(area, from, said ? `[${offer.path}|${said}]` : `[${offer.path}]`);
        };
        words.addEventListener('keydown', (event) => {
            event.stopPropagation();
            if (event.key === 'Enter') {
                event.preventDefault();
                done();
            } else if (event.key === 'Escape') {
                event.preventDefault();
                close();
                area.focus();
            }
        });
        words.focus();
    };

    const show = (area) => {
        const found = typed(area);
        if (!found) {
            close();
            return;
        }
        const offered = JSON.parse(area.closest('[data-offered]')?.dataset.offered ?? '[]');
        const fit = offered.filter((one) => one.path.includes(found.text) || one.label.toLowerCase().includes(found.text)).slice(0, 9);
        close();
        if (fit.length === 0) {
            return;
        }
        const list = document.createElement('ul');
        list.className = 'slot-list';
        list.setAttribute('role', 'listbox');
        list.setAttribute('aria-label', 'Values to put in');
        fit.forEach((one, i) => {
            const item = document.createElement('li');
            item.id = `slot-${i}`;
            item.setAttribute('role', 'option');
            const path = document.createElement('code');
            path.textContent = one.path;
            item.append(path, ` ${one.label}`);
            if (one.empty) {
                const mark = document.createElement('em');
                mark.textContent = 'may be empty here';
                item.append(' ', mark);
            }
            item.addEventListener('mousedown', (event) => {
                event.preventDefault();
                choose(one);
            });
            list.append(item);
        });
        area.insertAdjacentElement('afterend', list);
        list.style.top = `${area.offsetTop + area.offsetHeight + 2}px`;
        list.style.left = `${area.offsetLeft}px`;
        box = {element: list, area, from: found.from, fit, at: 0, asking: false};
        point(0);
    };

    const point = (at) => {
        box.at = (at + box.fit.length) % box.fit.length;
        [...box.element.children].forEach((item, i) => item.setAttribute('aria-selected', String(i === box.at)));
        box.area.setAttribute('aria-activedescendant', `slot-${box.at}`);
    };

    root.addEventListener('input', (event) => {
        if (event.target.matches('[data-slots]')) {
            show(event.target);
        }
    });
    root.addEventListener('keydown', (event) => {
        if (!box || box.asking || event.target !== box.area) {
            return;
        }
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            point(box.at + (event.key === 'ArrowDown' ? 1 : -1));
        } else if (event.key === 'Enter' || event.key === 'Tab') {
            event.preventDefault();
            event.stopPropagation();
            choose(box.fit[box.at]);
        } else if (event.key === 'Escape') {
            event.preventDefault();
            event.stopPropagation();
            close();
        }
    }, true);
    root.addEventListener('focusout', (event) => {
        if (box && !box.asking && event.target === box.area) {
            setTimeout(() => box && !box.asking && document.activeElement !== box.area && close(), 100);
        }
    });
}

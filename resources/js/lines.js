import {request, settled} from './request.js';

/** Lines: a stretch is drawn across hours or chosen by key, and the form beside it says who answers; the exchange looks ahead as it is set. */
export function lines() {
    document.querySelectorAll('[data-answer]').forEach((set) => {
        const who = set.querySelector('[data-who]');
        const fit = () => set.querySelectorAll('[data-for]').forEach((one) => {
            one.hidden = !one.dataset.for.split(' ').includes(who.value);
        });
        who.addEventListener('change', fit);
        fit();
    });
    week(document.querySelector('[data-line-week]'), document.querySelector('[data-stretch-form]'));
    exchange(document.querySelector('[data-exchange]'));
}

function week(figure, form) {
    if (!figure || !form) {
        return;
    }
    const svg = figure.querySelector('svg');
    const drawn = figure.querySelector('[data-drawn]');
    const [left, scale, top, row] = ['left', 'scale', 'top', 'row'].map((name) => Number(figure.dataset[name]));
    const clock = (minute) => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
    const at = (event) => {
        const point = svg.createSVGPoint();
        point.x = event.clientX;
        point.y = event.clientY;
        const {x, y} = point.matrixTransform(svg.getScreenCTM().inverse());
        return {minute: Math.max(0, Math.min(1440, Math.round((x - left) / scale / 15) * 15)), day: Math.max(1, Math.min(7, Math.floor((y - top) / row) + 1))};
    };
    const fill = (days, from, to) => {
        form.querySelectorAll('[name="days[]"]').forEach((box) => {
            box.checked = days.includes(Number(box.value));
        });
        form.elements.from.value = clock(from);
        form.elements.to.value = clock(to);
    };
    const choose = (stretch) => {
        svg.querySelectorAll('.week-stretch.chosen').forEach((one) => one.classList.remove('chosen'));
        stretch.classList.add('chosen');
        fill([Number(stretch.dataset.day)], Number(stretch.dataset.from), Number(stretch.dataset.to));
    };
    let begun = null;
    const span = (end) => ({
        days: Array.from({length: Math.abs(end.day - begun.day) + 1}, (_, i) => Math.min(end.day, begun.day) + i),
        from: Math.min(begun.minute, end.minute),
        to: Math.max(begun.minute, end.minute),
    });
    svg.addEventListener('pointerdown', (event) => {
        begun = at(event);
        svg.setPointerCapture(event.pointerId);
    });
    svg.addEventListener('pointermove', (event) => {
        if (!begun) {
            return;
        }
        const {days, from, to} = span(at(event));
        const sizes = {x: left + from * scale, width: (to - from) * scale, y: top + (days[0] - 1) * row, height: days.length * row - 6};
        Object.entries(sizes).forEach(([name, size]) => drawn.setAttribute(name, size));
    });
    svg.addEventListener('pointerup', (event) => {
        const {days, from, to} = span(at(event));
        begun = null;
        if (to > from) {
            fill(days, from, to);
            form.querySelector('[data-who]').focus();
        } else {
            drawn.setAttribute('width', 0);
            const under = document.elementsFromPoint(event.clientX, event.clientY).map((one) => one.closest?.('.week-stretch')).find(Boolean);
            if (under) {
                choose(under);
                under.focus();
            }
        }
    });
    const keys = {s: 'staff_first', a: 'agent', o: 'nobody', Delete: 'none', Backspace: 'none'};
    svg.addEventListener('keydown', (event) => {
        const stretch = event.target.closest('.week-stretch');
        if (!stretch || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            choose(stretch);
            form.querySelector('[data-who]').focus();
            return;
        }
        const who = keys[event.key];
        if (!who) {
            return;
        }
        event.preventDefault();
        event.stopPropagation();
        choose(stretch);
        const select = form.querySelector('[data-who]');
        select.value = who;
        select.dispatchEvent(new Event('change'));
        const rings = form.elements.rings;
        if (who === 'staff_first' && !rings.value) {
            // Whose telephones ring is a choice of its own, unless there is but one.
            const teams = [...rings.options].filter((one) => one.value.startsWith('team:'));
            if (teams.length !== 1) {
                rings.focus();
                return;
            }
            rings.value = teams[0].value;
        }
        form.requestSubmit();
    });
}

function exchange(form) {
    if (!form) {
        return;
    }
    const look = settled(() => {
        location.search = new URLSearchParams({line: form.elements.line.value, at: form.elements.at.value}).toString();
    }, 400);
    form.querySelectorAll('[data-look]').forEach((one) => one.addEventListener('change', look));
    const list = form.querySelector('[data-contact-list]');
    const contacts = async (words = '') => {
        try {
            const found = await request(`${form.dataset.contactsUrl}?q=${encodeURIComponent(words)}`);
            list.replaceChildren(...found.map((contact) => new Option([contact.name, contact.organisation, contact.number].filter(Boolean).join(', '), contact.id)));
        } catch {
            list.replaceChildren();
        }
    };
    contacts();
    form.querySelector('[data-contact-search]').addEventListener('input', settled((event) => contacts(event.target.value), 200));
    ['[data-contact-search]', '[data-contact-list]'].forEach((part) => form.querySelector(part).addEventListener('focus', () => {
        form.querySelector('[name=caller][value=contact]').checked = true;
    }));
}

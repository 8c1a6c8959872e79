import {request, settled} from './request.js';

/** The diary's grid: a bar is dragged or moved by keys, and what would be told is shown before anything moves; a free start opens a booking. */
export function diary() {
    document.querySelector('[data-print]')?.addEventListener('click', () => print());
    document.querySelectorAll('[data-submits]').forEach((select) => select.addEventListener('change', () => select.form.submit()));
    const written = document.querySelector('[data-preview]');
    const next = document.querySelector('[data-next]');
    written?.addEventListener('input', settled(async () => {
        const body = new FormData(written);
        body.delete('_method');
        try {
            next.innerHTML = (await request(written.dataset.preview, {method: 'POST', form: body})).html;
        } catch (problem) {
            next.textContent = problem.text;
        }
    }));
    const root = document.querySelector('[data-diary]');
    const form = document.querySelector('[data-booking-form]');
    document.querySelector('[data-new-booking]')?.addEventListener('click', () => form?.showModal());
    form?.querySelector('[data-close]').addEventListener('click', () => form.close());
    if (!root) {
        return;
    }
    const svg = root.querySelector('svg');
    const dialog = document.querySelector('[data-move-form]');
    const from = Number(root.dataset.from);
    const scale = Number(root.dataset.scale);
    const left = Number(root.dataset.left);
    const step = Math.min(15, Number(root.dataset.step));
    const clock = (minute) => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
    const point = (event) => {
        const at = svg.createSVGPoint();
        at.x = event.clientX;
        at.y = event.clientY;
        return at.matrixTransform(svg.getScreenCTM().inverse());
    };
    const rows = () => [...svg.querySelectorAll('[data-row-diary]')];
    const rowAt = (y) => rows().filter((row) => Number(row.dataset.y) <= y).pop();

    const shift = (bar, minute, row) => {
        const own = bar.closest('[data-row-diary]');
        bar.setAttribute('transform', `translate(${(minute - Number(bar.dataset.minute)) * scale} ${Number(row.dataset.y) - Number(own.dataset.y)})`);
        bar.dataset.to = minute;
        bar.dataset.toDiary = row.dataset.rowDiary;
        bar.dataset.toDate = row.dataset.date;
    };
    const back = (bar) => {
        bar.removeAttribute('transform');
        ['to', 'toDiary', 'toDate'].forEach((name) => delete bar.dataset[name]);
    };
    const settle = async (bar) => {
        const body = {start: `${bar.dataset.toDate}T${clock(Number(bar.dataset.to))}`, diary: bar.dataset.toDiary};
        const path = `${root.dataset.base}/bookings/${bar.dataset.booking}`;
        try {
            const told = await request(`${path}/check`, {method: 'POST', body});
            dialog.querySelector('[data-move-words]').textContent = told.words;
            dialog.querySelector('[data-move-go]').hidden = !told.free;
            dialog.returnValue = '';
            dialog.showModal();
            dialog.addEventListener('close', async () => {
                if (dialog.returnValue !== 'move') {
                    back(bar);
                    bar.focus();
                    return;
                }
                await request(`${path}/move`, {method: 'POST', body});
                location.reload();
            }, {once: true});
        } catch (problem) {
            back(bar);
            dialog.querySelector('[data-move-words]').textContent = problem.text;
            dialog.querySelector('[data-move-go]').hidden = true;
            dialog.showModal();
        }
    };

    let dragged = null;
    svg.addEventListener('pointerdown', (event) => {
        const bar = event.target.closest('[data-booking]');
        if (bar) {
            const at = point(event);
            dragged = {bar, grip: (at.x - left) / scale + from - Number(bar.dataset.minute), moved: false};
            svg.setPointerCapture(event.pointerId);
        }
    });
    svg.addEventListener('pointermove', (event) => {
        if (!dragged) {
            return;
        }
        const at = point(event);
        const minute = Math.round(((at.x - left) / scale + from - dragged.grip) / step) * step;
        const row = rowAt(at.y);
        if (row && (dragged.moved || minute !== Number(dragged.bar.dataset.minute) || row !== dragged.bar.closest('[data-row-diary]'))) {
            shift(dragged.bar, minute, row);
            dragged.moved = true;
        }
    });
    svg.addEventListener('pointerup', () => {
        const drop = dragged;
        dragged = null;
        if (drop?.moved) {
            settle(drop.bar);
        } else if (drop?.bar.dataset.call) {
            location.assign(drop.bar.dataset.call);
        }
    });
    svg.addEventListener('keydown', (event) => {
        const bar = event.target.closest('[data-booking]');
        const free = event.target.closest('[data-free]');
        if (free && (event.key === 'Enter' || event.key === ' ')) {
            event.preventDefault();
            open(free);
            return;
        }
        if (!bar) {
            return;
        }
        const row = rows().find((one) => one.dataset.rowDiary === (bar.dataset.toDiary ?? bar.closest('[data-row-diary]').dataset.rowDiary) && one.dataset.date === (bar.dataset.toDate ?? bar.closest('[data-row-diary]').dataset.date));
        const now = Number(bar.dataset.to ?? bar.dataset.minute);
        const other = rows()[rows().indexOf(row) + (event.key === 'ArrowDown' ? 1 : -1)];
        if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
            shift(bar, now + (event.key === 'ArrowRight' ? step : -step), row);
        } else if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && other) {
            shift(bar, now, other);
        } else if (event.key === 'Enter' && bar.dataset.to !== undefined) {
            settle(bar);
        } else if (event.key === 'Enter' && bar.dataset.call) {
            location.assign(bar.dataset.call);
        } else if (event.key === 'Escape') {
            back(bar);
        } else {
            return;
        }
        event.preventDefault();
    });
    const open = (free) => {
        form.querySelector('[name=start]').value = free.dataset.free;
        form.querySelector('[name=diary]').value = free.dataset.freeDiary;
        form.showModal();
        form.querySelector('[name=name]').focus();
    };
    svg.addEventListener('click', (event) => {
        const free = event.target.closest('[data-free]');
        if (free) {
            open(free);
        }
    });
}

import {request, settled} from '../request.js';
import {built, rowOf} from './page.js';
import {values} from './values.js';

/** A row opens in place, and what is written in it is kept as it is typed. */
export function editing(book, sent, bars) {
    const {root, base} = book;

    // The step has another name now: its row goes where the script has it.
    const renamed = (row, form, data) => {
        rowOf(data.at)?.remove();
        row.id = `step-${data.at}`;
        row.dataset.step = data.at;
        form.dataset.edit = data.at;
        form.dataset.url = `${base}/steps/${data.at}`;
        const place = data.order.indexOf(data.at);
        const before = place > 0 ? rowOf(data.order[place - 1]) : root.querySelector('.book-head');
        before.after(row);
        row.querySelector('.name').textContent = data.at;
    };

    // The form anew where its parts depend on what was chosen; otherwise only its findings.
    const reform = async (whole) => {
        if (!book.open) {
            return;
        }
        const {html} = await request(`${base}/steps/${book.open.row.dataset.step}`).catch(() => ({}));
        const {open} = book;
        if (!html || !open || open.dirty) {
            return;
        }
        const fresh = built(html);
        if (whole) {
            const name = document.activeElement?.name;
            open.form.replaceWith(fresh);
            open.form = fresh;
            book.timed();
            fresh.querySelectorAll('[data-grow]').forEach(book.grow);
            (name ? fresh.elements[name] : null)?.focus?.();
        } else {
            open.form.querySelector('[data-row-findings]').innerHTML = fresh.querySelector('[data-row-findings]').innerHTML;
            open.form.dataset.offered = fresh.dataset.offered;
        }
    };

    const keep = settled(async (reload = false) => {
        if (!book.open || !book.open.dirty) {
            return;
        }
        const {form, row} = book.open;
        book.open.dirty = false;
        const key = row.dataset.step;
        const body = values(form);
        const data = await sent.send(form.dataset.url, 'PUT', body);
        if (data && data.at && data.at !== key) {
            renamed(row, form, data);
        } else if (!data && body.key !== key && /^[a-z][a-z0-9_]*$/.test(body.key)) {
            form.elements.key.setAttribute('aria-invalid', 'true');
        }
        if (data && (reload === true || row.querySelector('[data-row-findings]')?.childElementCount || row.querySelector('.found'))) {
            await reform(reload === true);
        }
    });

    const shut = () => {
        book.open.form.remove();
        book.open.row.classList.remove('open');
        book.open = null;
    };

    const close = async () => {
        if (!book.open) {
            return;
        }
        const {row} = book.open;
        keep.now();
        await sent.settled();
        if (book.open?.row !== row) {
            return;
        }
        shut();
        row.focus({preventScroll: true});
    };

    const edit = async (row, focus = 'textarea, input:not([type=hidden])') => {
        if (!row || book.open?.row === row) {
            return;
        }
        await close();
        const {html} = await request(`${base}/steps/${row.dataset.step}`).catch((problem) => {
            bars.notice(problem.text);
            return {};
        });
        if (!html) {
            return;
        }
        const form = built(html);
        row.append(form);
        row.classList.add('open');
        book.open = {row, form, dirty: false};
        book.timed();
        form.querySelectorAll('[data-grow]').forEach(book.grow);
        row.scrollIntoView({block: 'nearest'});
        const first = [...form.querySelectorAll(focus)].find((field) => field.name !== 'key' && field.name !== 'scene') ?? form.querySelector('textarea, input');
        first?.focus({preventScroll: true});
        if (first?.value?.startsWith('{')) {
            first.select();
        }
    };

    const within = (target) => book.open?.form.contains(target);
    root.addEventListener('input', ({target}) => {
        if (!within(target) || target.value === '+new' || target.closest('.slot-list, .new-target, [data-insert-kind]')) {
            return;
        }
        book.open.dirty = true;
        if (!target.matches('[data-rename], [data-commit], [data-reload]')) {
            keep();
        }
    });
    root.addEventListener('change', ({target}) => {
        if (!within(target) || target.matches('[data-insert-kind]')) {
            return;
        }
        book.open.dirty = true;
        if (target.matches('[data-value]')) {
            target.closest('.comparison').querySelector('[data-than]').setAttribute('list', `than-${book.open.row.dataset.step}-${target.value}`);
        }
        if (target.value !== '+new' && !target.closest('.new-target')) {
            keep.now(target.matches('[data-reload], [data-commit]') || target.value.startsWith('+new:'));
        }
    });
    root.addEventListener('submit', (event) => event.preventDefault());
    addEventListener('beforeunload', (event) => {
        if (book.open?.dirty) {
            keep.now();
            event.preventDefault();
        }
    });

    return {
        edit,
        close,
        reform,
        /** Something of the open form changed by another way than its fields. */
        wrote(item) {
            if (within(item)) {
                book.open.dirty = true;
                keep();
            }
        },
        /** What was written is on its way, and all before it has been answered. */
        async kept() {
            keep.now();
            await sent.settled();
        },
        /** Lets go of a row that is about to be taken out. */
        drop(row) {
            if (book.open?.row === row) {
                keep.stop();
                shut();
            }
        },
        /** After a change of the script from elsewhere: the form anew, or closed where its step is gone. */
        async follow(stands = (key) => rowOf(key)) {
            if (book.open) {
                stands(book.open.row.dataset.step) ? await reform(true) : (book.open = null);
            }
        },
    };
}

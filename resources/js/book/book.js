import {request, settled} from '../request.js';
import {drag} from './drag.js';
import {lists} from './lists.js';
import {slots} from './slots.js';
import {targets} from './targets.js';

/**
 * The prompt book: a row opens in place, what is written in it is kept as it is typed, and the rows around it follow.
 * Every answer of the server holds the rows that are different now; a row that is open keeps its form.
 */
export function book() {
    const root = document.querySelector('[data-book]');
    if (!root) {
        return;
    }
    const base = root.dataset.url;
    const one = (name) => document.querySelector(`[data-${name}]`);
    const rowOf = (key) => document.getElementById(`step-${key}`);
    const rows = () => [...root.querySelectorAll(':scope > [data-row]')];
    const hashes = {};
    let version = Number(root.dataset.version);
    let open = null;
    let queue = Promise.resolve();

    const notice = (text, {undo = null, reload = false} = {}) => {
        const bar = one('book-notice');
        bar.hidden = !text;
        one('notice-text').textContent = text ?? '';
        one('notice-undo').hidden = undo === null;
        one('notice-undo').dataset.version = undo ?? '';
        one('notice-reload').hidden = !reload;
    };

    // What the next undo takes back: the latest change that stands, then the one before it.
    const undoes = (change) => {
        const button = one('undo');
        button.disabled = !change;
        button.dataset.version = change?.version ?? '';
        button.title = change ? `Takes back: ${change.words}` : 'Nothing to take back';
    };

    const saved = (text) => {
        document.querySelectorAll('[data-saved], [data-book-saved]').forEach((line) => {
            line.textContent = text;
        });
    };

    const problems = (texts) => {
        const list = open?.form.querySelector('[data-problems]');
        if (!list) {
            return;
        }
        list.hidden = texts.length === 0;
        list.replaceChildren(...texts.map((text) => {
            const item = document.createElement('li');
            item.textContent = text;
            return item;
        }));
    };

    // What the server sent: new and changed rows in their order, findings, state.
    const take = (data) => {
        version = data.version;
        undoes(data.undoable);
        Object.assign(hashes, data.hashes);
        root.className = root.className.replace(/lanes-\d+/, `lanes-${data.lanes}`);
        const keep = new Set(data.order);
        rows().forEach((row) => {
            if (!keep.has(row.dataset.step) && row !== open?.row) {
                delete hashes[row.dataset.step];
                row.remove();
            }
        });
        let last = root.querySelector('.book-head');
        data.order.forEach((key) => {
            let row = rowOf(key);
            const html = data.rows[key];
            if (html !== undefined) {
                const holder = document.createElement('div');
                holder.innerHTML = html.trim();
                const fresh = holder.firstElementChild;
                if (row && row === open?.row) {
                    refresh(row, fresh);
                } else if (row) {
                    const focused = row.contains(document.activeElement) || row === document.activeElement;
                    row.replaceWith(fresh);
                    row = fresh;
                    if (focused) {
                        row.focus({preventScroll: true});
                    }
                } else {
                    row = fresh;
                }
            }
            if (last.nextElementSibling !== row) {
                last.after(row);
            }
            last = row;
        });
        one('findings-list').innerHTML = data.findings;
        one('findings-count').textContent = data.count;
        const state = document.querySelector('[data-state]');
        if (state) {
            state.textContent = data.state;
        }
        fold();
    };

    // A row that is being written in: all but its form is new.
    const refresh = (row, fresh) => {
        for (const part of ['.spine', '.says', '.answers', '.fills', '.scene']) {
            const old = row.querySelector(`:scope > ${part}`);
            const now = fresh.querySelector(`:scope > ${part}`);
            if (old && now) {
                old.replaceWith(now);
            } else if (old) {
                old.remove();
            } else if (now) {
                row.prepend(now);
            }
        }
        row.dataset.scene = fresh.dataset.scene ?? '';
        if (!fresh.dataset.scene) {
            delete row.dataset.scene;
        }
        timed();
        const found = fresh.querySelector('.found');
        const list = row.querySelector('[data-row-findings]');
        if (list) {
            list.dataset.stale = found ? '1' : '';
        }
    };

    const timed = () => {
        const line = open?.form.querySelector('[data-seconds]');
        if (line) {
            line.textContent = open.row.querySelector('.fills .seconds')?.textContent ?? '';
        }
    };

    // One thing after another, each on the version the one before it made.
    const send = (url, method, body = {}) => {
        queue = queue.then(async () => {
            saved('keeping …');
            try {
                const data = await request(url, {method, body: {...body, version: body.version ?? version, have: JSON.stringify(Object.fromEntries(Object.entries(hashes).filter(([key]) => rowOf(key))))}});
                take(data);
                saved('kept');
                problems([]);
                notice(data.others ?? data.undo?.words ?? null, {undo: data.undo?.version ?? null});
                return data;
            } catch (problem) {
                if (problem.status === 409) {
                    saved('not kept');
                    const did = (problem.data.changes ?? []).map((change) => change.words).slice(0, 3).join('; ');
                    notice(`${problem.text}${did ? ` ${problem.data.by} did this: ${did}.` : ''} What you wrote is still in the form.`, {reload: true});
                } else if (problem.status === 422 && problem.data?.problems) {
                    saved('not kept yet');
                    open ? problems(problem.data.problems) : notice(problem.data.problems.join(' '));
                } else {
                    saved('not kept');
                    notice(problem.text ?? String(problem));
                }
                return null;
            }
        });
        return queue;
    };

    const values = (form) => {
        const out = {};
        for (const [name, value] of new FormData(form)) {
            const path = name.replace(/\]/g, '').split('[');
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
                const next = path[i + 1];
                at[key] ??= next === '' ? [] : {};
                at = at[key];
            });
        }
        for (const box of form.querySelectorAll('input[type=checkbox]')) {
            const path = box.name.replace(/\]/g, '').split('[');
            if (path.length === 1) {
                out[path[0]] = box.checked;
            } else {
                (out[path[0]] ??= {})[path[1]] = box.checked;
            }
        }
        return out;
    };

    const keep = settled(async (reload = false) => {
        if (!open || !open.dirty) {
            return;
        }
        const {form, row} = open;
        open.dirty = false;
        const key = row.dataset.step;
        const body = values(form);
        // A new name: the row goes by it before the answer comes, so that it is found.
        const renamed = body.key !== key && /^[a-z][a-z0-9_]*$/.test(body.key);
        const data = await send(form.dataset.url, 'PUT', body);
        if (data && data.at && data.at !== key) {
            rowOf(data.at)?.remove();
            row.id = `step-${data.at}`;
            row.dataset.step = data.at;
            form.dataset.edit = data.at;
            form.dataset.url = `${base}/steps/${data.at}`;
            const place = data.order.indexOf(data.at);
            const before = place > 0 ? rowOf(data.order[place - 1]) : root.querySelector('.book-head');
            before.after(row);
            row.querySelector('.name').textContent = data.at;
        } else if (renamed && !data) {
            form.elements.key.setAttribute('aria-invalid', 'true');
        }
        if (data && (reload === true || row.querySelector('[data-row-findings]')?.childElementCount || row.querySelector('.found'))) {
            await reform(reload === true);
        }
    });

    // The form anew where its parts depend on what was chosen; otherwise only its findings.
    const reform = async (whole) => {
        if (!open) {
            return;
        }
        const {html} = await request(`${base}/steps/${open.row.dataset.step}`).catch(() => ({}));
        if (!html || !open || open.dirty) {
            return;
        }
        const holder = document.createElement('div');
        holder.innerHTML = html.trim();
        const fresh = holder.firstElementChild;
        if (whole) {
            const name = document.activeElement?.name;
            open.form.replaceWith(fresh);
            open.form = fresh;
            timed();
            fresh.querySelectorAll('[data-grow]').forEach(grow);
            (name ? fresh.elements[name] : null)?.focus?.();
        } else {
            open.form.querySelector('[data-row-findings]').innerHTML = fresh.querySelector('[data-row-findings]').innerHTML;
            open.form.dataset.offered = fresh.dataset.offered;
        }
    };

    const close = async () => {
        if (!open) {
            return;
        }
        const {row} = open;
        keep.now();
        await queue;
        if (open?.row !== row) {
            return;
        }
        open.form.remove();
        row.classList.remove('open');
        open = null;
        row.focus({preventScroll: true});
    };

    const edit = async (row, focus = 'textarea, input:not([type=hidden])') => {
        if (!row || open?.row === row) {
            return;
        }
        await close();
        const {html} = await request(`${base}/steps/${row.dataset.step}`).catch((problem) => {
            notice(problem.text);
            return {};
        });
        if (!html) {
            return;
        }
        const holder = document.createElement('div');
        holder.innerHTML = html.trim();
        const form = holder.firstElementChild;
        row.append(form);
        row.classList.add('open');
        open = {row, form, dirty: false};
        timed();
        form.querySelectorAll('[data-grow]').forEach(grow);
        row.scrollIntoView({block: 'nearest'});
        const first = [...form.querySelectorAll(focus)].find((field) => field.name !== 'key' && field.name !== 'scene') ?? form.querySelector('textarea, input');
        first?.focus({preventScroll: true});
        if (first?.value?.startsWith('{')) {
            first.select();
        }
    };

    const add = async (after, kind, name = '') => {
        keep.now();
        await queue;
        const data = await send(`${base}/steps`, 'POST', {after, kind, name});
        if (data?.at) {
            const row = rowOf(data.at);
            unfold(row);
            await edit(row);
        }
    };

    const move = async (row, before) => {
        keep.now();
        await queue;
        const data = await send(`${base}/steps/${row.dataset.step}/move`, 'POST', {before: before?.dataset.step ?? null});
        if (data) {
            const now = rowOf(data.at);
            if (!open) {
                now?.focus({preventScroll: true});
            }
            now?.scrollIntoView({block: 'nearest'});
        }
    };

    const shift = (row, by) => {
        const all = rows();
        const at = all.indexOf(row);
        if (by < 0 && at > 0) {
            move(row, all[at - 1]);
        } else if (by > 0 && at < all.length - 1) {
            move(row, all[at + 2] ?? null);
        }
    };

    const remove = async (row) => {
        const next = row.nextElementSibling ?? row.previousElementSibling;
        const key = row.dataset.step;
        if (open?.row === row) {
            keep.stop();
            open.form.remove();
            row.classList.remove('open');
            open = null;
        }
        const data = await send(`${base}/steps/${key}`, 'DELETE');
        if (data) {
            next?.matches?.('[data-row]') && next.focus({preventScroll: true});
        }
    };

    const grow = lists(root, (item) => {
        if (open && open.form.contains(item)) {
            open.dirty = true;
            keep();
        }
    });
    slots(root);
    targets(root);
    drag(root, move);

    root.addEventListener('input', (event) => {
        if (!open?.form.contains(event.target) || event.target.value === '+new' || event.target.closest('.slot-list, .new-target, [data-insert-kind]') || event.target.matches('[data-insert-kind]')) {
            return;
        }
        open.dirty = true;
        if (!event.target.matches('[data-rename], [data-commit], [data-reload]')) {
            keep();
        }
    });
    root.addEventListener('change', (event) => {
        if (!open?.form.contains(event.target) || event.target.matches('[data-insert-kind]')) {
            return;
        }
        open.dirty = true;
        if (event.target.matches('[data-value]')) {
            event.target.closest('.comparison').querySelector('[data-than]').setAttribute('list', `than-${open.row.dataset.step}-${event.target.value}`);
        }
        if (event.target.value === '+new' || event.target.closest('.new-target')) {
            return;
        }
        keep.now(event.target.matches('[data-reload], [data-commit]') || event.target.value.startsWith('+new:'));
    });
    root.addEventListener('submit', (event) => event.preventDefault());
    root.addEventListener('click', (event) => {
        const row = event.target.closest('[data-row]');
        const hit = (name) => event.target.closest(`[data-${name}]`);
        if (hit('open')) {
            event.preventDefault();
            edit(row);
        } else if (hit('close-edit')) {
            close();
        } else if (hit('insert')) {
            add(row.dataset.step, row.querySelector('[data-insert-kind]').value);
        } else if (hit('duplicate')) {
            keep.now();
            queue.then(() => send(`${base}/steps/${row.dataset.step}/copy`, 'POST')).then((data) => data?.at && edit(rowOf(data.at)));
        } else if (hit('delete')) {
            remove(row);
        } else if (hit('move')) {
            shift(row, hit('move').dataset.move === 'up' ? -1 : 1);
        } else if (hit('fold')) {
            const button = hit('fold');
            button.setAttribute('aria-expanded', String(button.getAttribute('aria-expanded') !== 'true'));
            fold();
        } else if (row && row !== open?.row && event.target.closest('.says, .answers') && !event.target.closest('a, button') && !getSelection()?.toString()) {
            edit(row);
        }
    });

    // Scenes fold: the rows behind a heading hide until the next one.
    const fold = () => {
        let hidden = false;
        rows().forEach((row) => {
            const button = row.querySelector('[data-fold]');
            if (button) {
                hidden = button.getAttribute('aria-expanded') === 'false';
                row.classList.toggle('folded', hidden);
            } else {
                row.hidden = hidden && row !== open?.row;
            }
        });
    };
    const unfold = (row) => {
        for (let at = row; at?.matches?.('[data-row]'); at = at.previousElementSibling) {
            const button = at.querySelector('[data-fold]');
            if (button) {
                button.setAttribute('aria-expanded', 'true');
                break;
            }
        }
        fold();
    };
    const goTo = (key) => {
        const row = rowOf(key);
        if (row) {
            unfold(row);
            row.focus({preventScroll: true});
            row.scrollIntoView({block: 'center'});
        }
    };
    one('fold-all').addEventListener('click', (event) => {
        const all = event.target.getAttribute('aria-pressed') !== 'true';
        event.target.setAttribute('aria-pressed', String(all));
        event.target.textContent = all ? 'Unfold all' : 'Fold all';
        root.querySelectorAll('[data-fold]').forEach((button) => button.setAttribute('aria-expanded', String(!all)));
        fold();
    });

    // Find in the script.
    const find = one('book-find');
    let hits = [];
    find.addEventListener('input', () => {
        const wanted = find.value.trim().toLowerCase();
        hits = [];
        rows().forEach((row) => {
            const fits = wanted !== '' && row.textContent.toLowerCase().includes(wanted);
            row.classList.toggle('hit', fits);
            if (fits) {
                hits.push(row);
            }
        });
        one('book-hits').textContent = wanted === '' ? '' : `${hits.length}`;
        if (hits[0]) {
            unfold(hits[0]);
            hits[0].scrollIntoView({block: 'center'});
        }
    });
    find.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' && hits.length) {
            event.preventDefault();
            hits.push(hits.shift());
            const row = event.shiftKey ? hits.at(-2) ?? hits[0] : hits.at(-1);
            goTo(row.dataset.step);
        } else if (event.key === 'Escape') {
            find.value = '';
            find.dispatchEvent(new Event('input'));
            find.blur();
        }
    });

    // Findings.
    one('findings-toggle').addEventListener('click', (event) => {
        const panel = one('findings');
        panel.hidden = !panel.hidden;
        event.currentTarget.setAttribute('aria-expanded', String(!panel.hidden));
    });
    document.addEventListener('click', (event) => {
        const go = event.target.closest('[data-goto]');
        const fix = event.target.closest('[data-fix]');
        if (go && root.isConnected) {
            event.preventDefault();
            document.querySelectorAll('details.pick[open]').forEach((menu) => menu.removeAttribute('open'));
            goTo(go.dataset.goto);
        } else if (fix) {
            keep.now();
            queue.then(() => send(`${base}/fix`, 'POST', {finding: fix.dataset.fix})).then(async (data) => {
                if (data && open) {
                    const row = rowOf(open.row.dataset.step);
                    row ? await reform(true) : (open = null);
                }
            });
        }
    });
    one('notice-close').addEventListener('click', () => notice(null));
    one('notice-reload').addEventListener('click', () => location.reload());
    const undo = async (button) => {
        keep.now();
        await queue;
        const what = one('undo').title.replace(/^Takes back: /, '');
        const data = await send(`${base}/undo`, 'POST', {version: Number(button.dataset.version)});
        if (data) {
            notice(`Taken back: ${what}.`);
            if (open) {
                const row = rowOf(open.row.dataset.step);
                row && data.order.includes(open.row.dataset.step) ? await reform(true) : (open = null);
            }
        }
    };
    one('notice-undo').addEventListener('click', (event) => undo(event.target));
    one('undo').addEventListener('click', () => undo(one('undo')));

    // Adding by key: which kind, asked in a small list.
    const dialog = document.getElementById('new-step');
    let after = null;
    const ask = (row) => {
        after = row?.dataset.step ?? null;
        dialog.querySelector('[data-after]').textContent = after === null ? 'at the beginning' : `after ${after}`;
        dialog.showModal();
        dialog.querySelector('input[type=radio]:checked').focus();
    };
    dialog.querySelector('form').addEventListener('submit', (event) => {
        if (event.submitter?.value === 'add') {
            const form = new FormData(event.target);
            add(after, String(form.get('kind')), String(form.get('name')));
            event.target.elements.name.value = '';
        }
    });
    one('insert-first').addEventListener('click', () => ask(open?.row ?? document.activeElement?.closest?.('[data-row]') ?? rows().at(-1)));

    document.addEventListener('keydown', (event) => {
        if (event.target.closest('dialog[open], .handset')) {
            return;
        }
        const row = event.target.closest('[data-row]');
        if (event.altKey && row && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            event.preventDefault();
            shift(row, event.key === 'ArrowUp' ? -1 : 1);
            return;
        }
        if (event.key === 'Escape' && open && !event.defaultPrevented) {
            event.preventDefault();
            close();
            return;
        }
        if (event.target.closest('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        if (event.key === 'Enter' && event.target.matches('[data-row]')) {
            event.preventDefault();
            edit(event.target);
        } else if (event.key === 'z' && !one('undo').disabled) {
            event.preventDefault();
            undo(one('undo'));
        } else if (event.key === 'n') {
            event.preventDefault();
            ask(row ?? open?.row ?? rows().at(-1));
        } else if (event.key === 'Delete' && event.target.matches('[data-row]')) {
            event.preventDefault();
            remove(event.target);
        }
    });
    addEventListener('beforeunload', (event) => {
        if (open?.dirty) {
            keep.now();
            event.preventDefault();
        }
    });

    root.dataset.ready = '1';

    // An address with a step opens there.
    if (location.hash.startsWith('#step-')) {
        const row = document.querySelector(CSS.escape ? `#${CSS.escape(location.hash.slice(1))}` : location.hash);
        if (row) {
            setTimeout(() => goTo(row.dataset.step), 0);
        }
    }
}

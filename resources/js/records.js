import {request} from './request.js';

/** The record grid: through the values by keyboard, each with the words it came from beside it. */
export function records() {
    const review = document.querySelector('[data-review]');
    if (!review) {
        return;
    }
    const turns = JSON.parse(document.querySelector('[data-turns]')?.textContent ?? '{}');
    const look = review.querySelector('[data-look]');
    const part = (name) => look.querySelector(`[data-look-${name}]`);
    const rows = () => [...review.querySelectorAll('tbody tr')];
    const cells = () => [...review.querySelectorAll('td[data-cell]')];
    const wanted = (cell) => cell.classList.contains('v-doubt');
    let now = null;
    let busy = false;

    const evidence = (cell) => {
        const list = part('turns');
        list.replaceChildren();
        const said = turns[cell.closest('tr').dataset.call] ?? {};
        const at = cell.dataset.turn === '' ? null : Number(cell.dataset.turn);
        if (at === null) {
            return;
        }
        for (const n of [at - 1, at]) {
            const turn = said[n];
            if (!turn) {
                continue;
            }
            const item = document.createElement('li');
            const who = document.createElement('span');
            who.className = `voice ${turn.by}`;
            who.textContent = turn.by === 'caller' ? 'Caller' : turn.by === 'agent' ? 'Agent' : 'Staff';
            const words = document.createElement('span');
            const place = n === at && cell.dataset.said ? turn.text.toLowerCase().indexOf(cell.dataset.said.toLowerCase()) : -1;
            if (place >= 0) {
                const mark = document.createElement('mark');
                mark.textContent = turn.text.slice(place, place + cell.dataset.said.length);
                words.append(turn.text.slice(0, place), mark, turn.text.slice(place + cell.dataset.said.length));
            } else {
                words.textContent = turn.text;
            }
            item.append(who, words);
            list.append(item);
        }
    };
    const show = (cell) => {
        now?.removeAttribute('aria-selected');
        now?.setAttribute('tabindex', '-1');
        now = cell;
        cell.setAttribute('tabindex', '0');
        cell.setAttribute('aria-selected', 'true');
        cell.focus({preventScroll: true});
        cell.scrollIntoView({block: 'nearest', inline: 'nearest'});
        part('title').textContent = cell.dataset.title;
        part('value').textContent = cell.textContent.trim() || 'nothing';
        part('doubt').textContent = cell.dataset.doubt;
        part('how').textContent = cell.dataset.confidence ? `${cell.dataset.origin}, confidence ${cell.dataset.confidence}` : '';
        part('error').textContent = '';
        part('go').hidden = false;
        const none = cell.dataset.confidence === '' && !cell.classList.contains('v-checked');
        look.querySelector('[data-do="accept"]').hidden = none;
        look.querySelector('[data-empty-words]').textContent = none ? 'There is none' : 'Empty';
        part('form').hidden = true;
        evidence(cell);
    };
    const step = (by, all = false) => {
        const list = cells();
        const from = now ? list.indexOf(now) : by > 0 ? -1 : list.length;
        for (let i = from + by; i >= 0 && i < list.length; i += by) {
            if (all || wanted(list[i])) {
                show(list[i]);
                return true;
            }
        }
        if (!all && !now) {
            show(list[0]);
        }
        return false;
    };
    const across = (by) => {
        const row = now?.closest('tr');
        const next = rows()[rows().indexOf(row) + by];
        if (next) {
            show(next.querySelector(`td[data-cell="${CSS.escape(now.dataset.cell)}"]`));
        }
    };
    const decide = async (what, words) => {
        if (!now || busy) {
            return;
        }
        const cell = now;
        busy = true;
        part('error').textContent = '';
        try {
            const done = await request(cell.closest('tr').dataset.record, {method: 'POST', body: {field: cell.dataset.cell, do: what, words}});
            const held = cell.querySelector('.held') ?? document.createElement('span');
            held.classList.add('held');
            held.title = held.textContent = done.display;
            cell.replaceChildren(held);
            cell.className = `v-${done.state}`;
            cell.dataset.doubt = '';
            cell.dataset.origin = done.state === 'checked' ? 'checked' : '';
            document.querySelector('[data-to-check]').textContent = done.to_check;
            part('form').hidden = true;
            show(cell);
            step(1);
        } catch (problem) {
            part('error').textContent = problem.text;
        }
        busy = false;
    };
    const edit = () => {
        if (!now) {
            return;
        }
        part('form').hidden = false;
        part('input').value = now.querySelector('.muted, .doubt-note') ? '' : now.textContent.trim();
        part('input').placeholder = now.dataset.example;
        part('input').focus();
        part('input').select();
    };

    review.addEventListener('click', (event) => {
        const cell = event.target.closest('td[data-cell]');
        if (cell) {
            show(cell);
        }
        const action = event.target.closest('[data-do]')?.dataset.do;
        if (action === 'edit') {
            edit();
        } else if (action) {
            decide(action);
        }
        if (event.target.closest('[data-look-cancel]')) {
            part('form').hidden = true;
            now?.focus();
        }
    });
    part('form').addEventListener('submit', (event) => {
        event.preventDefault();
        decide('correct', part('input').value);
    });
    document.addEventListener('keydown', (event) => {
        if (event.target === part('input') && event.key === 'Escape') {
            part('form').hidden = true;
            now?.focus();
            return;
        }
        if (event.target.closest('input, select, textarea, dialog[open], .handset') || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        const keys = {j: () => step(1), k: () => step(-1), a: () => decide('accept'), e: edit, x: () => decide('empty')};
        const moves = {ArrowRight: () => step(1, true), ArrowLeft: () => step(-1, true), ArrowDown: () => across(1), ArrowUp: () => across(-1)};
        if (keys[event.key]) {
            event.preventDefault();
            keys[event.key]();
        } else if (moves[event.key] && event.target.closest('[data-review]')) {
            event.preventDefault();
            moves[event.key]();
        }
    });
}

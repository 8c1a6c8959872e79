import {adding} from './adding.js';
import {bars as barsOf} from './bars.js';
import {drag} from './drag.js';
import {editing} from './editing.js';
import {finding} from './finding.js';
import {folding} from './folding.js';
import {keys} from './keys.js';
import {lists} from './lists.js';
import {one, sharedBy} from './page.js';
import {rowsOf} from './rows.js';
import {sending} from './sending.js';
import {slots} from './slots.js';
import {steps} from './steps.js';
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
    const shared = sharedBy(root);
    const bars = barsOf(shared);
    const folds = folding(shared);
    const sent = sending(shared, rowsOf(shared, folds), bars);
    const edits = editing(shared, sent, bars);
    const does = steps(shared, sent, edits, folds, bars);
    shared.grow = lists(root, edits.wrote);
    slots(root);
    targets(root);
    drag(root, does.move);
    finding(shared, folds);
    const ask = adding(does.add);
    keys(shared, edits, does, ask);

    root.addEventListener('click', (event) => {
        const row = event.target.closest('[data-row]');
        const hit = (name) => event.target.closest(`[data-${name}]`);
        if (hit('open')) {
            event.preventDefault();
            edits.edit(row);
        } else if (hit('close-edit')) {
            edits.close();
        } else if (hit('insert')) {
            does.add(row.dataset.step, row.querySelector('[data-insert-kind]').value);
        } else if (hit('duplicate')) {
            does.copy(row);
        } else if (hit('delete')) {
            does.remove(row);
        } else if (hit('move')) {
            does.shift(row, hit('move').dataset.move === 'up' ? -1 : 1);
        } else if (hit('fold')) {
            folds.toggle(hit('fold'));
        } else if (row && row !== shared.open?.row && event.target.closest('.says, .answers') && !event.target.closest('a, button') && !getSelection()?.toString()) {
            edits.edit(row);
        }
    });
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
            folds.goTo(go.dataset.goto);
        } else if (fix) {
            does.fix(fix.dataset.fix);
        }
    });
    one('notice-close').addEventListener('click', () => bars.notice(null));
    one('notice-reload').addEventListener('click', () => location.reload());
    one('notice-undo').addEventListener('click', (event) => does.undo(event.target));
    one('undo').addEventListener('click', () => does.undo(one('undo')));
    one('insert-first').addEventListener('click', () => ask(shared.open?.row ?? document.activeElement?.closest?.('[data-row]') ?? shared.rows().at(-1)));

    root.dataset.ready = '1';

    // An address with a step opens there.
    if (location.hash.startsWith('#step-')) {
        const row = document.querySelector(CSS.escape ? `#${CSS.escape(location.hash.slice(1))}` : location.hash);
        if (row) {
            setTimeout(() => folds.goTo(row.dataset.step), 0);
        }
    }
}

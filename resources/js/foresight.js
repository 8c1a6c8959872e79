import {request} from './request.js';

/** One key for each row of what callers will say: right, belongs to, not for us, an answer of one's own. */
export function foresight() {
    const root = document.querySelector('[data-foresight]');
    if (!root) {
        return;
    }
    const error = document.querySelector('[data-foresight-error]');
    const belongs = document.querySelector('[data-belongs]');
    const answer = document.querySelector('[data-answer-form]');
    const keys = {y: 'right', b: 'belongs', o: 'not_ours', w: 'answer'};
    let asked = null;

    const show = (row, data) => {
        const holder = document.createElement('tbody');
        holder.innerHTML = data.html;
        const fresh = holder.firstElementChild;
        row.replaceWith(fresh);
        fresh.focus({preventScroll: true});
        document.querySelector('[data-handled]').textContent = data.handled;
        document.querySelector('[data-questions]').textContent = data.questions;
        error.hidden = true;
    };
    const send = async (url, row, body) => {
        row.setAttribute('aria-busy', 'true');
        try {
            show(row, await request(url, {method: 'POST', body: {said: row.dataset.said, ...body}}));
        } catch (problem) {
            error.hidden = false;
            error.textContent = problem.text;
            row.removeAttribute('aria-busy');
            row.focus();
        }
    };
    const open = (dialog, row, said) => {
        asked = row;
        dialog.querySelector(said).textContent = `“${row.dataset.said}”`;
        dialog.returnValue = '';
        dialog.showModal();
    };
    const decide = (row, verdict) => {
        if (verdict === 'belongs') {
            open(belongs, row, '[data-belongs-said]');
        } else if (verdict === 'answer') {
            answer.querySelector('[data-answer-text]').value = '';
            open(answer, row, '[data-answer-said]');
        } else {
            send(root.dataset.mark, row, {verdict});
        }
    };
    belongs.addEventListener('close', () => {
        if (belongs.returnValue === 'keep') {
            send(root.dataset.mark, asked, {verdict: 'belongs', target: belongs.querySelector('[data-belongs-target]').value});
        } else {
            asked?.focus();
        }
    });
    answer.addEventListener('close', () => {
        if (answer.returnValue === 'keep') {
            send(root.dataset.answer, asked, {answer: answer.querySelector('[data-answer-text]').value});
        } else {
            asked?.focus();
        }
    });
    root.addEventListener('click', (event) => {
        const button = event.target.closest('[data-verdict]');
        if (button) {
            decide(button.closest('[data-row]'), button.dataset.verdict);
        }
    });
    root.addEventListener('keydown', (event) => {
        const row = event.target.closest('[data-row]');
        if (row && event.target === row && keys[event.key] && !event.ctrlKey && !event.metaKey && !event.altKey) {
            event.preventDefault();
            decide(row, keys[event.key]);
        }
    });
}

/** What an example would change is looked at before it counts. */
export function examples() {
    document.addEventListener('click', async (event) => {
        const button = event.target.closest('[data-would-change]');
        if (!button) {
            return;
        }
        const place = document.getElementById(button.getAttribute('aria-controls'));
        button.disabled = true;
        try {
            const data = await request(button.dataset.wouldChange, {method: 'POST', body: {team: button.dataset.team, said: button.dataset.said}});
            place.innerHTML = data.html;
        } catch (problem) {
            place.textContent = problem.text;
        }
        button.disabled = false;
    });
}

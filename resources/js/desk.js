import {request} from './request.js';

/** The desk asks once a second how things stand; what is being typed stays. */
export function desk() {
    const root = document.querySelector('[data-desk]');
    if (!root) {
        progress();
        return;
    }
    const piece = root.querySelector('[data-desk-piece]');
    const error = root.querySelector('[data-desk-error]');
    let stamp = '';
    const show = (html) => {
        const field = piece.contains(document.activeElement) && document.activeElement.matches('input, select') ? document.activeElement : null;
        const kept = field ? {id: field.id, name: Object.keys(field.dataset)[0], value: field.value, at: field.selectionStart} : null;
        piece.innerHTML = html;
        if (kept) {
            const again = kept.id ? document.getElementById(kept.id) : [...piece.querySelectorAll('input, select')].find((one) => Object.keys(one.dataset)[0] === kept.name);
            if (again) {
                again.value = kept.value;
                again.focus();
                again.setSelectionRange?.(kept.at, kept.at);
            }
        }
    };
    const fault = (problem) => {
        error.hidden = !problem;
        error.textContent = problem?.text ?? '';
        if (problem?.data?.html) {
            show(problem.data.html);
        }
    };
    const send = (path, body) => request(`${root.dataset.base}${path}`, {method: 'POST', body}).then((data) => {
        fault(null);
        show(data.html);
        stamp = '';
    }).catch(fault);
    const look = async () => {
        try {
            const data = await request(`${root.dataset.url}?stamp=${stamp}`);
            stamp = data.stamp;
            if (data.html !== undefined) {
                show(data.html);
                document.title = `${data.ringing ? 'Rings! ' : ''}Desk · Ringo`;
            }
        } catch (problem) {
            fault(problem);
        }
        setTimeout(look, 1000);
    };
    root.addEventListener('click', (event) => {
        const hit = (name) => event.target.closest(`[data-${name}]`);
        if (hit('presence')) {
            send('/presence', {presence: hit('presence').dataset.presence});
        } else if (hit('offer')) {
            const button = hit('offer');
            send(`/offers/${button.dataset.offer}`, {how: button.dataset.how, reason: button.closest('article').querySelector('[data-reason]').value, team: button.matches('[data-not-for-us]') ? button.closest('article').querySelector('[data-team]').value : null});
        } else if (hit('ring-back')) {
            send(`/call-backs/${hit('ring-back').dataset.ringBack}`, {result: hit('ring-back').dataset.result});
        } else if (hit('desk-hang-up')) {
            send(`/calls/${hit('desk-hang-up').dataset.deskHangUp}`, {do: 'hang_up'});
        } else if (hit('desk-hand-on')) {
            send(`/calls/${hit('desk-hand-on').dataset.deskHandOn}`, {do: 'hand_on', text: root.querySelector('[data-desk-colleague]').value});
        } else if (hit('desk-step-in')) {
            send(`/calls/${hit('desk-step-in').dataset.deskStepIn}`, {do: 'step_in'});
        }
    });
    root.addEventListener('submit', (event) => {
        event.preventDefault();
        const input = event.target.querySelector('input');
        if (input.value.trim()) {
            const text = input.value;
            input.value = '';
            send(`/calls/${event.target.dataset.deskSay}`, {do: 'say', text});
        }
    });
    root.addEventListener('change', (event) => {
        if (event.target.dataset.deskNote) {
            send(`/calls/${event.target.dataset.deskNote}`, {do: 'note', text: event.target.value});
        }
    });
    look();
}

/** Long work shows how far it is, also after one has left the page and come back. */
function progress() {
    const root = document.querySelector('[data-progress]');
    if (!root) {
        return;
    }
    const look = () => request(root.dataset.progress).then((data) => {
        root.querySelector('progress').value = data.done;
        root.querySelector('[data-progress-words]').textContent = `${data.done} of ${data.total}`;
        ['queued', 'running'].includes(data.status) ? setTimeout(look, 700) : location.reload();
    }).catch(() => setTimeout(look, 2000));
    look();
}

import {caller} from './caller.js';
import {line} from './line.js';
import {meanwhile} from './meanwhile.js';
import {silence} from './silence.js';
import {sound} from './sound.js';
import {speaking} from './speaking.js';

/**
 * The handset along the bottom of the page. A call lives on the server; this page only shows it and sends what the caller does,
 * so it survives going to another page, and signing in again.
 */
export function handset() {
    const root = document.getElementById('handset');
    if (!root) {
        return null;
    }
    const part = (name) => root.querySelector(`[data-${name}]`);
    const key = `ringo.handset.${root.dataset.business}`;
    const setup = part('setup');
    const form = part('say');
    const input = form.querySelector('input');
    const now = {call: null};
    let toldVoice = false;
    let busy = false;

    const open = (which) => {
        root.hidden = false;
        document.body.classList.add('has-handset');
        setup.hidden = which !== 'setup';
        part('call').hidden = which !== 'call';
    };

    const show = (data) => {
        // Answers may overtake each other; how the call stood before is no news.
        if (now.call && data.ref === now.call.ref && data.step < now.call.step) {
            return;
        }
        now.call = data;
        sessionStorage.setItem(key, data.show_url);
        open('call');
        part('trace').innerHTML = data.trace;
        part('strip').innerHTML = data.strip;
        part('last-agent').textContent = data.last_agent;
        part('last-caller').textContent = data.last_caller;
        part('as').textContent = data.caller;
        part('at-step').textContent = data.at_step ?? 'the end';
        const over = data.status === 'ended';
        form.hidden = over;
        part('over').hidden = !over;
        part('outcome').textContent = data.outcome;
        part('open-call').href = data.call_url;
        if (over) {
            sessionStorage.removeItem(key);
        }
        part('ringing-line').hidden = data.mode !== 'ringing';
        part('ringing').textContent = data.ringing ? `rings ${data.ringing};` : 'rings;';
        part('with-line').hidden = data.mode !== 'connected' || over;
        part('with').textContent = data.with ?? '';
        part('last-staff').textContent = data.last_staff ? `“${data.last_staff}”` : '';
        part('speak').hidden = !data.heard_url || !navigator.mediaDevices?.getUserMedia;
        part('sent').hidden = !data.sent?.length;
        part('sent').textContent = data.sent?.join(' / ') ?? '';
        if (data.mode === 'ringing' && !part('ringing-line').contains(document.activeElement)) {
            part('colleague-how').value = data.colleague.how;
            part('colleague-after').value = data.colleague.after;
        }
        waits.watch();
        waits.errand();
        document.querySelectorAll('.row.at').forEach((row) => row.classList.remove('at'));
        const row = data.at_step ? document.getElementById(`step-${data.at_step}`) : null;
        row?.classList.add('at');
        row?.scrollIntoView({block: 'nearest'});
        if (data.voice_missing && !toldVoice) {
            toldVoice = true;
            wire.fault('call-error', `The program ${data.voice_engine} is not installed on this machine, so ${data.agent} is shown and not heard.`);
        }
        voice.play(data.play ?? []);
        quiet.listen();
    };

    // One thing after another: what is typed while an answer is on its way waits its turn.
    let queue = Promise.resolve();
    const happen = (kind, text = '', seconds = undefined) => {
        quiet.still();
        // Words or keys while the agent is talking break in: only what was heard counts as said.
        if (voice.playing() && voice.heard() > 0 && (kind === 'said' || kind === 'keys')) {
            const heard = voice.heard();
            voice.pause();
            queue = queue.then(() => hand('interrupted', '', heard));
        }
        queue = queue.then(() => hand(kind, text, seconds));
    };

    const hand = async (kind, text, seconds) => {
        if (!now.call || now.call.status === 'ended') {
            return;
        }
        wire.fault('call-error', '');
        try {
            show(await wire.send(now.call.send_url, {kind, text, seconds, step: now.call.step}));
            if (kind === 'said' && input.value === text) {
                input.value = '';
            }
        } catch (problem) {
            wire.failed('call-error', problem);
        }
        if (now.call.status !== 'ended') {
            if (kind !== 'keys') {
                input.focus();
            }
        } else {
            part('open-call').focus();
        }
    };

    const wire = line(part, show);
    const voice = sound(part);
    const waits = meanwhile(part, wire, now, show);
    const quiet = silence(part, input, voice, now, happen);
    const choose = caller(root, part, wire, open);

    const close = () => {
        voice.pause();
        quiet.still();
        root.hidden = true;
        document.body.classList.remove('has-handset');
        document.querySelector('[data-ring]')?.focus();
    };

    const ring = () => {
        if (now.call && now.call.status === 'in_progress') {
            open('call');
            input.focus();
        } else {
            choose();
        }
    };

    setup.addEventListener('submit', async (event) => {
        event.preventDefault();
        if (busy) {
            return;
        }
        busy = true;
        wire.fault('setup-error', '');
        wire.fault('call-error', '');
        try {
            show(await wire.send(root.dataset.ringUrl, Object.fromEntries(new FormData(setup))));
            input.value = '';
            input.focus();
        } catch (problem) {
            wire.failed('setup-error', problem);
        } finally {
            busy = false;
        }
    });
    form.addEventListener('submit', (event) => {
        event.preventDefault();
        if (input.value.trim()) {
            happen('said', input.value);
        }
    });
    input.addEventListener('keydown', (event) => {
        // A single key of the telephone, typed with Alt, is pressed rather than said.
        if (event.altKey && /^[0-9*#]$/.test(event.key)) {
            event.preventDefault();
            happen('keys', event.key);
        }
    });
    part('keypad').addEventListener('click', (event) => {
        const button = event.target.closest('[data-key]');
        if (button) {
            happen('keys', button.dataset.key);
        }
    });
    input.addEventListener('focus', () => part('keypad').removeAttribute('open'));
    speaking(part, () => now.call, () => { quiet.still(); voice.pause(); }, show, (problem) => wire.failed('call-error', problem));
    part('silence').addEventListener('click', () => happen('silence'));
    part('hang-up').addEventListener('click', () => happen('hung_up'));

    const again = async (url, body) => {
        wire.fault('call-error', '');
        open('call');
        try {
            show(await wire.send(url, body));
            input.focus();
        } catch (problem) {
            wire.failed('call-error', problem);
        }
    };
    part('same').addEventListener('click', () => again(now.call.again_url, {steps: 1}));
    part('back').addEventListener('click', () => now.call && again(now.call.again_url, {steps: Math.max(1, now.call.step - 1)}));
    document.addEventListener('click', (event) => {
        const button = event.target.closest('[data-branch]');
        const log = button?.closest('[data-again-url]');
        if (log) {
            again(log.dataset.againUrl, {steps: Number(button.dataset.branch)});
        }
    });
    part('again').addEventListener('click', choose);
    root.querySelectorAll('[data-close]').forEach((button) => button.addEventListener('click', close));
    root.addEventListener('keydown', (event) => {
        if (event.key === 'Escape' && !event.target.closest('details[open]') && (!now.call || now.call.status === 'ended' || !setup.hidden)) {
            close();
        }
    });
    document.querySelectorAll('[data-ring]').forEach((button) => button.addEventListener('click', ring));

    // A call begun on another page goes on here.
    const going = sessionStorage.getItem(key);
    if (going) {
        wire.send(going, undefined, 'GET').then((data) => {
            if (data.status === 'in_progress') {
                show(data);
            } else {
                sessionStorage.removeItem(key);
            }
        }).catch(() => sessionStorage.removeItem(key));
    }

    return ring;
}

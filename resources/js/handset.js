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
    const player = new Audio();
    let call = null;
    let muted = localStorage.getItem('ringo.muted') === '1';
    let toldVoice = false;
    let busy = false;
    let pace = Number(localStorage.getItem('ringo.pace') ?? 1) || 1;
    let silence = null;

    const fault = (name, text) => {
        const line = part(name);
        line.hidden = !text;
        line.textContent = text ?? '';
    };

    const send = async (url, body, method = 'POST') => {
        const response = await fetch(url, {
            method,
            headers: {'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': document.querySelector('meta[name="csrf-token"]').content},
            body: body === undefined ? undefined : JSON.stringify(body),
        }).catch(() => null);
        if (response === null) {
            throw {text: 'Ringo cannot be reached just now. What you typed is still there; try again.'};
        }
        const data = await response.json().catch(() => ({}));
        if (response.status === 401) {
            throw {text: data.message ?? 'Your session has ended.', signIn: data.sign_in};
        }
        if (response.status === 409) {
            show(data);
            throw {text: data.message};
        }
        if (response.status >= 500) {
            throw {text: 'Something broke on our side. The call stands as it did and what you typed is still there; try again.'};
        }
        if (!response.ok) {
            throw {text: Object.values(data.errors ?? {}).flat()[0] ?? data.message ?? 'That did not work. Nothing was lost; try again.'};
        }
        return data;
    };

    const failed = (where, problem) => {
        fault(where, problem.text ?? String(problem));
        if (problem.signIn) {
            const link = document.createElement('a');
            link.href = `${location.pathname}${location.search}`;
            link.textContent = ' Sign in and come back';
            part(where).append(link);
        }
    };

    const play = (urls) => {
        player.pause();
        if (muted || urls.length === 0) {
            return;
        }
        // Recorded prompts and spoken lines, one after another.
        const next = (i) => {
            if (i >= urls.length) {
                return;
            }
            player.src = urls[i];
            player.playbackRate = pace;
            player.onended = () => next(i + 1);
            player.play().catch(() => {});
        };
        next(0);
    };

    const show = (data) => {
        // Answers may overtake each other; how the call stood before is no news.
        if (call && data.ref === call.ref && data.step < call.step) {
            return;
        }
        call = data;
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
        watch();
        errand();
        document.querySelectorAll('.row.at').forEach((row) => row.classList.remove('at'));
        const row = data.at_step ? document.getElementById(`step-${data.at_step}`) : null;
        row?.classList.add('at');
        row?.scrollIntoView({block: 'nearest'});
        if (data.voice_missing && !toldVoice) {
            toldVoice = true;
            fault('call-error', `The program ${data.voice_engine} is not installed on this machine, so ${data.agent} is shown and not heard.`);
        }
        play(data.play ?? []);
        listen();
    };

    // While telephones ring or a colleague has the call, the page looks once a second what happened.
    let watching = null;
    const watch = () => {
        clearTimeout(watching);
        if (!call || call.status !== 'in_progress' || !['ringing', 'connected'].includes(call.mode)) {
            return;
        }
        watching = setTimeout(() => send(call.show_url, undefined, 'GET').then((data) => (data.step !== call.step || data.status !== call.status || data.ringing !== call.ringing ? show(data) : watch())).catch(() => watch()), 1000);
    };
    const colleague = () => call && send(call.colleague_url, {how: part('colleague-how').value, after: Number(part('colleague-after').value) || 4}).then((data) => {
        call = data;
        watch();
    }).catch((problem) => failed('call-error', problem));

    // An errand on its way: the server runs it; after a second and a half the agent says so, and not again before six more.
    let asking = null;
    const errand = () => {
        const waited = call?.errand ? `${call.ref}/${call.errand}` : null;
        part('errand-line').hidden = waited === null;
        part('errand').textContent = call?.errand_called?.replaceAll('_', ' ') ?? '';
        if (waited === null || asking === waited) {
            return;
        }
        asking = waited;
        const began = Date.now();
        let telling = null;
        const tell = () => {
            telling = setTimeout(tell, 6000);
            send(call.send_url, {kind: 'waits', seconds: (Date.now() - began) / 1000, step: call.step}).then((data) => asking === waited && show(data)).catch(() => {});
        };
        telling = setTimeout(tell, 1500);
        send(call.errand_url, {}).then((data) => {
            clearTimeout(telling);
            // Somebody else is at it, or was when the server stopped: look again in a moment.
            const other = data.errand && `${data.ref}/${data.errand}` === waited;
            asking = other ? waited : null;
            if (other) {
                setTimeout(() => {
                    asking = null;
                    errand();
                }, 1000);
            } else {
                show(data);
            }
        }).catch((problem) => {
            clearTimeout(telling);
            asking = null;
            failed('call-error', problem);
        });
    };

    // Silence counts once the agent has finished, second by second; the button skips ahead.
    const still = () => {
        clearInterval(silence);
        silence = null;
        part('count-label').textContent = 'count silence';
    };

    const listen = () => {
        still();
        if (!part('count').checked || !call || call.status !== 'in_progress') {
            return;
        }
        let left = Math.round(call.timeout);
        let talking = muted || !call.play?.length ? call.seconds / pace : 0;
        silence = setInterval(() => {
            if (input.value || (player.src && !player.paused && !player.ended)) {
                return;
            }
            talking -= 1;
            if (talking > 0) {
                return;
            }
            part('count-label').textContent = `silence ${left} s`;
            left -= 1;
            if (left < 0) {
                still();
                happen('silence', '', call.timeout);
            }
        }, 1000);
    };

    const open = (which) => {
        root.hidden = false;
        document.body.classList.add('has-handset');
        setup.hidden = which !== 'setup';
        part('call').hidden = which !== 'call';
    };

    const close = () => {
        player.pause();
        still();
        root.hidden = true;
        document.body.classList.remove('has-handset');
        document.querySelector('[data-ring]')?.focus();
    };

    // One thing after another: what is typed while an answer is on its way waits its turn.
    let queue = Promise.resolve();
    const happen = (kind, text = '', seconds = undefined) => {
        still();
        // Words or keys while the agent is talking break in: only what was heard counts as said.
        const talking = player.src && !player.paused && !player.ended && player.currentTime > 0;
        if (talking && (kind === 'said' || kind === 'keys')) {
            const heard = player.currentTime;
            player.pause();
            queue = queue.then(() => hand('interrupted', '', heard));
        }
        queue = queue.then(() => hand(kind, text, seconds));
    };

    const hand = async (kind, text, seconds) => {
        if (!call || call.status === 'ended') {
            return;
        }
        fault('call-error', '');
        try {
            show(await send(call.send_url, {kind, text, seconds, step: call.step}));
            if (kind === 'said' && input.value === text) {
                input.value = '';
            }
        } catch (problem) {
            failed('call-error', problem);
        }
        if (call.status !== 'ended') {
            if (kind !== 'keys') {
                input.focus();
            }
        } else {
            part('open-call').focus();
        }
    };

    const contacts = async (words = '') => {
        const list = part('contact-list');
        try {
            const found = await send(`${root.dataset.contactsUrl}?q=${encodeURIComponent(words)}`, undefined, 'GET');
            list.replaceChildren(...found.map((contact) => {
                const option = document.createElement('option');
                option.value = contact.id;
                option.textContent = [contact.name, contact.organisation, contact.number].filter(Boolean).join(', ');
                return option;
            }));
            fault('setup-error', found.length ? '' : 'No contact fits these letters.');
        } catch (problem) {
            failed('setup-error', problem);
        }
    };

    const choose = () => {
        open('setup');
        fault('setup-error', '');
        if (!part('contact-list').options.length) {
            contacts();
        }
        (setup.querySelector('input[name=caller]:checked') ?? setup.querySelector('input')).focus();
    };

    const ring = () => {
        if (call && call.status === 'in_progress') {
            open('call');
            input.focus();
        } else {
            choose();
        }
    };

    setup.addEventListener('change', (event) => {
        if (event.target.name === 'errands') {
            setup.querySelector('[data-slow]').hidden = event.target.value !== 'slow';
        }
        if (event.target.name === 'caller') {
            setup.querySelectorAll('[data-for]').forEach((one) => {
                one.hidden = one.dataset.for !== event.target.value;
            });
        }
    });
    let waiting;
    part('contact-search').addEventListener('input', (event) => {
        clearTimeout(waiting);
        waiting = setTimeout(() => contacts(event.target.value), 200);
    });
    setup.addEventListener('submit', async (event) => {
        event.preventDefault();
        if (busy) {
            return;
        }
        busy = true;
        fault('setup-error', '');
        fault('call-error', '');
        try {
            show(await send(root.dataset.ringUrl, Object.fromEntries(new FormData(setup))));
            input.value = '';
            input.focus();
        } catch (problem) {
            failed('setup-error', problem);
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
    speaking(part, () => call, () => { still(); player.pause(); }, show, (problem) => failed('call-error', problem));
    part('silence').addEventListener('click', () => happen('silence'));
    part('hang-up').addEventListener('click', () => happen('hung_up'));
    const again = async (url, body) => {
        fault('call-error', '');
        open('call');
        try {
            show(await send(url, body));
            input.focus();
        } catch (problem) {
            failed('call-error', problem);
        }
    };
    part('same').addEventListener('click', () => again(call.again_url, {steps: 1}));
    part('back').addEventListener('click', () => call && again(call.again_url, {steps: Math.max(1, call.step - 1)}));
    document.addEventListener('click', (event) => {
        const button = event.target.closest('[data-branch]');
        const log = button?.closest('[data-again-url]');
        if (log) {
            again(log.dataset.againUrl, {steps: Number(button.dataset.branch)});
        }
    });
    part('colleague-how').addEventListener('change', colleague);
    part('colleague-after').addEventListener('change', colleague);
    part('count').addEventListener('change', () => listen());
    part('pace').value = String(pace);
    part('pace').addEventListener('change', (event) => {
        pace = Number(event.target.value);
        localStorage.setItem('ringo.pace', String(pace));
        player.playbackRate = pace;
    });
    part('again').addEventListener('click', choose);
    root.querySelectorAll('[data-close]').forEach((button) => button.addEventListener('click', close));
    root.addEventListener('keydown', (event) => {
        if (event.key === 'Escape' && !event.target.closest('details[open]') && (!call || call.status === 'ended' || !setup.hidden)) {
            close();
        }
    });
    const mute = part('mute');
    const paint = () => {
        mute.setAttribute('aria-pressed', String(muted));
        mute.querySelector('[data-mute-label]').textContent = muted ? 'Sound off' : 'Sound on';
        mute.querySelector('use').setAttribute('href', muted ? '/build/icons.svg#volume-x' : '/build/icons.svg#volume-2');
    };
    paint();
    mute.addEventListener('click', () => {
        muted = !muted;
        localStorage.setItem('ringo.muted', muted ? '1' : '0');
        paint();
        if (muted) {
            player.pause();
        }
    });
    document.querySelectorAll('[data-ring]').forEach((button) => button.addEventListener('click', ring));

    // A call begun on another page goes on here.
    const going = sessionStorage.getItem(key);
    if (going) {
        send(going, undefined, 'GET').then((data) => {
            if (data.status === 'in_progress') {
                show(data);
            } else {
                sessionStorage.removeItem(key);
            }
        }).catch(() => sessionStorage.removeItem(key));
    }

    return ring;
}

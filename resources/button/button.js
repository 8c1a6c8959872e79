// A business's line as a button on its page. One tag carries it:
//   <script src="https://ringo.example/button/button.js" data-line="…" async></script>
// Nothing is stored, no cookie is set, nothing is loaded before it is pressed but how the button looks.
(() => {
    const script = document.currentScript;
    if (!script || !script.dataset.line || customElements.get('ringo-line')) {
        return;
    }
    const base = new URL('.', script.src).href;
    const WORDS = {
        en: {open: 'Open', close: 'Close', begin: 'Begin', accept: 'I accept this', terms: 'The terms in full', you: 'You', say: 'What you want to say', send: 'Say it', keys: 'Keys', speak: 'Speak', stop: 'That was it', mute: 'Sound off', unmute: 'Sound on', end: 'End', keep: 'Keep the words', again: 'Begin again', rings: 'It rings …', over: 'The call is over.', lost: 'The line is gone just now. Please try again.', number: 'Your telephone number', name: 'Your name', about: 'What it is about', leave: 'Ring me', left: 'Thank you. You will be rung.'},
        de: {open: 'Öffnen', close: 'Schließen', begin: 'Beginnen', accept: 'Ich bin einverstanden', terms: 'Die Bedingungen', you: 'Sie', say: 'Was Sie sagen möchten', send: 'Sagen', keys: 'Tasten', speak: 'Sprechen', stop: 'Fertig', mute: 'Ton aus', unmute: 'Ton an', end: 'Beenden', keep: 'Text aufheben', again: 'Noch einmal', rings: 'Es klingelt …', over: 'Das Gespräch ist zu Ende.', lost: 'Die Verbindung ist gerade weg. Bitte noch einmal versuchen.', number: 'Ihre Telefonnummer', name: 'Ihr Name', about: 'Worum es geht', leave: 'Rufen Sie mich an', left: 'Danke. Sie werden angerufen.'},
        fr: {open: 'Ouvrir', close: 'Fermer', begin: 'Commencer', accept: 'J’accepte', terms: 'Les conditions', you: 'Vous', say: 'Ce que vous voulez dire', send: 'Dire', keys: 'Touches', speak: 'Parler', stop: 'Terminé', mute: 'Couper le son', unmute: 'Remettre le son', end: 'Terminer', keep: 'Garder le texte', again: 'Recommencer', rings: 'Ça sonne …', over: 'L’appel est terminé.', lost: 'La ligne est coupée. Réessayez.', number: 'Votre numéro', name: 'Votre nom', about: 'À quel sujet', leave: 'Rappelez-moi', left: 'Merci. On vous rappellera.'},
        cy: {open: 'Agor', close: 'Cau', begin: 'Dechrau', accept: 'Rwy’n derbyn hyn', terms: 'Y telerau llawn', you: 'Chi', say: 'Beth hoffech chi ei ddweud', send: 'Dweud', keys: 'Bysellau', speak: 'Siarad', stop: 'Dyna ni', mute: 'Sain i ffwrdd', unmute: 'Sain ymlaen', end: 'Gorffen', keep: 'Cadw’r geiriau', again: 'Dechrau eto', rings: 'Mae’n canu …', over: 'Mae’r alwad ar ben.', lost: 'Collwyd y llinell. Rhowch gynnig arall arni.', number: 'Eich rhif ffôn', name: 'Eich enw', about: 'Beth yw’r mater', leave: 'Ffoniwch fi', left: 'Diolch. Byddwn yn eich ffonio.'},
    };
    const words = WORDS[(script.dataset.lang ?? document.documentElement.lang ?? 'en').slice(0, 2)] ?? WORDS.en;
    const STYLE = `
:host { all: initial; }
* { box-sizing: border-box; font: 16px/1.4 system-ui, sans-serif; }
.press, .panel { position: fixed; bottom: 20px; z-index: 2147483000; }
.right { right: 20px; } .left { left: 20px; }
.press { border: 0; border-radius: 6px; padding: 12px 18px; font-weight: 600; cursor: pointer; background: var(--colour); color: var(--ink); display: flex; gap: 10px; align-items: center; }
.press img { width: 28px; height: 28px; object-fit: cover; border-radius: 4px; }
.panel { width: 360px; max-width: calc(100vw - 40px); max-height: min(560px, calc(100vh - 40px)); display: flex; flex-direction: column; background: #fff; color: #17252a; border: 1px solid #8a9496; border-radius: 6px; }
header { display: flex; gap: 8px; align-items: center; padding: 10px 12px; background: var(--colour); color: var(--ink); border-radius: 5px 5px 0 0; }
header strong { flex: 1; font-weight: 600; }
header button { background: transparent; color: var(--ink); border: 1px solid var(--ink); }
main { padding: 12px; overflow: auto; flex: 1; display: grid; gap: 8px; align-content: start; }
p { margin: 0; } .who { display: block; font-size: 13px; font-weight: 600; color: #5b6b6e; }
.caller .who { color: #8a4107; } .agent .who { color: #0b5c55; }
footer { border-top: 1px solid #ded8ca; padding: 10px 12px; display: grid; gap: 8px; }
.talk { display: grid; gap: 8px; }
.row { display: flex; flex-wrap: wrap; gap: 6px; }
button { border: 1px solid #8a9496; background: #fff; color: #17252a; border-radius: 6px; padding: 7px 11px; cursor: pointer; }
.go { background: var(--colour); color: var(--ink); border-color: var(--colour); font-weight: 600; }
input, textarea { border: 1px solid #8a9496; border-radius: 6px; padding: 8px; width: 100%; background: #fff; color: #17252a; }
.row input { flex: 1; min-width: 0; }
label { display: grid; gap: 3px; font-size: 14px; } label.tick { display: flex; gap: 8px; align-items: start; } .tick input { width: auto; margin-top: 4px; }
.pad { display: grid; grid-template-columns: repeat(3, 1fr); gap: 5px; }
.told { color: #9a1c12; font-weight: 600; } [hidden] { display: none !important; }
button:focus-visible, input:focus-visible, textarea:focus-visible, main:focus-visible { outline: 3px solid #0b63ce; outline-offset: 1px; }
@media (max-width: 480px) { .panel { inset: auto 0 0 0; width: 100%; max-width: none; max-height: 85vh; border-radius: 6px 6px 0 0; } }
@media (prefers-reduced-motion: no-preference) { .panel { animation: none; } }`;

    const make = (tag, set = {}, ...inside) => {
        const one = document.createElement(tag);
        Object.entries(set).forEach(([name, value]) => (name === 'on' ? Object.entries(value).forEach(([event, run]) => one.addEventListener(event, run)) : name in one ? (one[name] = value) : one.setAttribute(name, value)));
        one.append(...inside);
        return one;
    };

    class RingoLine extends HTMLElement {
        #root = this.attachShadow({mode: 'closed'});
        #look = null;
        #pass = null;
        #seen = -1;
        #lines = [];
        #muted = false;
        #player = new Audio();
        #queue = [];
        #watch = null;
        #recording = null;

        connectedCallback() {
            const sheet = new CSSStyleSheet();
            sheet.replaceSync(STYLE);
            this.#root.adoptedStyleSheets = [sheet];
            this.#ask(script.dataset.line).then((look) => {
                this.#look = look;
                this.style.setProperty('--colour', look.colour);
                this.style.setProperty('--ink', look.ink);
                this.#draw();
            }).catch(() => this.remove());
        }

        async #ask(path, body) {
            const response = await fetch(base + path, body === undefined ? {credentials: 'omit'} : {method: 'POST', credentials: 'omit', ...(body instanceof FormData ? {body} : {headers: {'Content-Type': 'application/json'}, body: JSON.stringify(body)})});
            const data = await response.json().catch(() => ({}));
            if (!response.ok) {
                throw new Error(data.message ?? words.lost);
            }
            return data;
        }

        #draw() {
            const {label, business, corner, terms, terms_at: termsAt, spoken, open, closed, picture} = this.#look;
            const $ = {};
            $.press = make('button', {className: `press ${corner}`, type: 'button', 'aria-expanded': 'false', on: {click: () => this.#show(true)}}, ...(picture ? [make('img', {src: `${base}${script.dataset.line}/picture?${picture}`, alt: '', width: 28, height: 28})] : []), label);
            $.log = make('main', {tabIndex: 0, 'aria-live': 'polite', role: 'log'});
            $.told = make('p', {className: 'told', role: 'alert', hidden: true});
            $.input = make('input', {type: 'text', maxLength: 500, autocomplete: 'off', 'aria-label': words.say, placeholder: words.say});
            $.pad = make('div', {className: 'pad', hidden: true}, ...['1', '2', '3', '4', '5', '6', '7', '8', '9', '*', '0', '#'].map((key) => make('button', {type: 'button', textContent: key, on: {click: () => this.#happen('keys', key)}})));
            $.mute = make('button', {type: 'button', textContent: words.mute, hidden: !spoken, 'aria-pressed': 'false', on: {click: () => this.#mute()}});
            $.speak = make('button', {type: 'button', textContent: words.speak, hidden: !this.#look.hears, 'aria-pressed': 'false', on: {click: () => this.#speak()}});
            $.say = make('form', {className: 'row', on: {submit: (event) => {
                event.preventDefault();
                const text = $.input.value.trim();
                if (text) {
                    $.input.value = '';
                    this.#happen('said', text);
                }
            }}}, $.input, make('button', {className: 'go', type: 'submit', textContent: words.send}));
            $.talk = make('div', {className: 'talk', hidden: true}, $.say, make('div', {className: 'row'}, $.speak, make('button', {type: 'button', textContent: words.keys, on: {click: () => { $.pad.hidden = !$.pad.hidden; }}}), $.mute, make('button', {type: 'button', textContent: words.end, on: {click: () => this.#happen('hung_up')}})), $.pad);
            $.tick = make('input', {type: 'checkbox'});
            $.start = make('div', {className: 'talk'}, ...(open ? [] : [make('p', {textContent: closed})]), ...(terms ? [make('label', {className: 'tick'}, $.tick, make('span', {textContent: terms})), ...(termsAt ? [make('a', {href: termsAt, target: '_blank', rel: 'noopener', textContent: words.terms})] : [])] : []),
                make('button', {className: 'go', type: 'button', textContent: words.begin, on: {click: () => this.#begin()}}));
            $.number = make('input', {type: 'tel', autocomplete: 'tel', maxLength: 40});
            $.name = make('input', {type: 'text', autocomplete: 'name', maxLength: 80});
            $.about = make('textarea', {rows: 2, maxLength: 250});
            $.leave = make('form', {className: 'talk', hidden: true, on: {submit: (event) => {
                event.preventDefault();
                this.#leave();
            }}}, make('label', {}, words.number, $.number), make('label', {}, words.name, $.name), make('label', {}, words.about, $.about), make('button', {className: 'go', type: 'submit', textContent: words.leave}));
            $.done = make('div', {className: 'row', hidden: true}, make('button', {type: 'button', textContent: words.keep, on: {click: () => this.#keep()}}), make('button', {className: 'go', type: 'button', textContent: words.again, on: {click: () => this.#fresh()}}));
            $.close = make('button', {type: 'button', textContent: words.close, on: {click: () => this.#show(false)}});
            $.panel = make('section', {className: `panel ${corner}`, hidden: true, role: 'region', 'aria-label': business, on: {keydown: (event) => event.key === 'Escape' && this.#show(false)}},
                make('header', {}, make('strong', {textContent: business}), $.close), $.log, make('footer', {}, $.told, $.start, $.talk, $.leave, $.done));
            this.#root.append($.press, $.panel);
            this.#parts = $;
        }

        #parts = {};

        #show(open) {
            const $ = this.#parts;
            $.panel.hidden = !open;
            $.press.hidden = open;
            $.press.setAttribute('aria-expanded', String(open));
            (open ? [$.start, $.talk, $.leave, $.done].find((one) => !one.hidden)?.querySelector('input, button') ?? $.close : $.press).focus();
        }

        #tell(text = '') {
            this.#parts.told.textContent = text;
            this.#parts.told.hidden = !text;
        }

        async #begin() {
            const $ = this.#parts;
            if (this.#look.terms && !$.tick.checked) {
                this.#tell(words.accept);
                $.tick.focus();
                return;
            }
            await this.#try(async () => {
                this.#take(await this.#ask(`${script.dataset.line}/calls`, {accepted: true}));
                $.start.hidden = true;
            });
        }

        async #happen(kind, text = '') {
            if (!this.#pass) {
                return;
            }
            if (kind !== 'look') {
                this.#hush();
            }
            await this.#try(async () => this.#take(await this.#ask(`calls/${this.#pass}`, {kind, text, seen: this.#seen})));
        }

        async #try(run) {
            this.#tell();
            try {
                await run();
            } catch (problem) {
                this.#tell(problem instanceof TypeError ? words.lost : problem.message);
            }
        }

        #take(call) {
            const $ = this.#parts;
            this.#pass = call.pass;
            call.turns.filter((turn) => turn.n > this.#seen).forEach((turn) => {
                this.#seen = turn.n;
                const who = turn.by === 'caller' ? words.you : turn.by === 'staff' ? call.with : this.#look.agent;
                this.#line(turn.by, who, turn.text);
                if (turn.by === 'agent' && this.#look.spoken) {
                    this.#queue.push(`${base}calls/${this.#pass}/${turn.n}.wav?origin=${encodeURIComponent(location.origin)}`);
                }
            });
            this.#play();
            $.talk.hidden = call.over;
            $.done.hidden = !call.over;
            $.leave.hidden = !call.over || call.answered;
            if (call.over) {
                this.#line('note', '', words.over);
                ($.leave.hidden ? $.done : $.leave).querySelector('input, button').focus();
            } else {
                $.input.focus();
            }
            clearTimeout(this.#watch);
            if (call.rings && !call.over) {
                this.#watch = setTimeout(() => this.#happen('look'), 900);
            }
        }

        #line(by, who, text) {
            const $ = this.#parts;
            this.#lines.push(who ? `${who}: ${text}` : text);
            $.log.append(make('p', {className: by}, ...(who ? [make('span', {className: 'who', textContent: who})] : []), text));
            $.log.scrollTop = $.log.scrollHeight;
        }

        #play() {
            if (this.#muted || !this.#player.paused || !this.#queue.length) {
                this.#queue = this.#muted ? [] : this.#queue;
                return;
            }
            this.#player.src = this.#queue.shift();
            this.#player.onended = () => this.#play();
            this.#player.play().catch(() => { this.#queue = []; });
        }

        #hush() {
            this.#queue = [];
            this.#player.pause();
        }

        #mute() {
            this.#muted = !this.#muted;
            this.#hush();
            this.#parts.mute.textContent = this.#muted ? words.unmute : words.mute;
            this.#parts.mute.setAttribute('aria-pressed', String(this.#muted));
        }

        // The first press begins, the second ends and sends: what was spoken is recognised where Ringo runs.
        async #speak() {
            const $ = this.#parts;
            this.#hush();
            if (!this.#recording) {
                await this.#try(async () => {
                    const {record} = await import(`${base}microphone.js`);
                    this.#recording = await record();
                    $.speak.textContent = words.stop;
                    $.speak.setAttribute('aria-pressed', 'true');
                });
                return;
            }
            const recording = this.#recording;
            this.#recording = null;
            $.speak.textContent = words.speak;
            $.speak.setAttribute('aria-pressed', 'false');
            await this.#try(async () => {
                const form = new FormData();
                form.append('file', await recording.stop(), 'spoken.wav');
                form.append('seen', this.#seen);
                this.#take(await this.#ask(`calls/${this.#pass}/heard`, form));
            });
        }

        async #leave() {
            const $ = this.#parts;
            await this.#try(async () => {
                await this.#ask(`calls/${this.#pass}/leave`, {number: $.number.value, name: $.name.value, message: $.about.value});
                $.leave.hidden = true;
                this.#line('note', '', words.left);
            });
        }

        #keep() {
            const link = make('a', {href: URL.createObjectURL(new Blob([this.#lines.join('\n') + '\n'], {type: 'text/plain'})), download: 'call.txt'});
            link.click();
            URL.revokeObjectURL(link.href);
        }

        #fresh() {
            this.#pass = null;
            this.#seen = -1;
            this.#lines = [];
            const $ = this.#parts;
            $.log.replaceChildren();
            [$.talk, $.leave, $.done].forEach((one) => { one.hidden = true; });
            $.start.hidden = false;
            $.start.querySelector('input, button').focus();
        }
    }
    customElements.define('ringo-line', RingoLine);
    document.body.append(document.createElement('ringo-line'));
})();

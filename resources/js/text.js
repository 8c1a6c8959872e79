import {request, settled} from './request.js';

/** The text of a script: line numbers, what is wrong at its place while one types, and keeping it. */
export function textView() {
    const root = document.querySelector('[data-text-view]');
    if (!root) {
        return;
    }
    const area = root.querySelector('[data-text]');
    const gutter = root.querySelector('[data-gutter]');
    const part = (name) => root.querySelector(`[data-text-${name}]`);
    let version = Number(root.dataset.version);
    let kept = area.value;
    let marks = new Map();

    const number = () => {
        const lines = area.value.split('\n').length;
        gutter.replaceChildren(...Array.from({length: lines}, (_, i) => {
            const line = document.createElement('span');
            line.textContent = String(i + 1);
            const mark = marks.get(i + 1);
            if (mark) {
                line.className = mark;
            }
            return line;
        }));
        gutter.scrollTop = area.scrollTop;
    };
    const place = () => {
        const before = area.value.slice(0, area.selectionStart).split('\n');
        part('place').textContent = `line ${before.length}, column ${before.at(-1).length + 1}`;
    };
    const jump = (line, column = 1) => {
        const lines = area.value.split('\n');
        const at = lines.slice(0, line - 1).reduce((sum, one) => sum + one.length + 1, 0) + column - 1;
        area.focus();
        area.setSelectionRange(at, at + Math.max(0, (lines[line - 1] ?? '').length - column + 1));
        area.scrollTop = (line - 6) * (area.scrollHeight / lines.length);
        place();
    };
    const item = (line, column, text, severity) => {
        const li = document.createElement('li');
        li.className = severity;
        const link = document.createElement('button');
        link.type = 'button';
        link.className = 'bare';
        link.textContent = column ? `line ${line}, column ${column}` : `line ${line}`;
        link.addEventListener('click', () => jump(line, column ?? 1));
        const words = document.createElement('span');
        words.className = 'message';
        words.textContent = text;
        li.append(link, words);
        return li;
    };
    const show = (data) => {
        marks = new Map();
        (data.findings ?? []).forEach((one) => marks.has(one.line) || marks.set(one.line, one.severity));
        (data.problems ?? []).forEach((one) => marks.set(one.line, 'error'));
        part('problems').hidden = !(data.problems ?? []).length;
        part('problems').replaceChildren(...(data.problems ?? []).map((one) => item(one.line, one.column, (one.path ? `${one.path}: ` : '') + one.message, 'error')));
        part('findings').replaceChildren(...(data.findings ?? []).map((one) => item(one.line, null, one.message, one.severity)));
        number();
    };
    const check = settled(() => request(`${root.dataset.url}/check`, {method: 'POST', body: {text: area.value}}).then(show).catch(() => {}), 600);
    const keep = async () => {
        check.stop();
        part('saved').textContent = 'keeping …';
        try {
            const at = area.selectionStart;
            const data = await request(root.dataset.url, {method: 'PUT', body: {text: area.value, version}});
            version = data.version;
            area.value = data.text;
            kept = data.text;
            area.setSelectionRange(at, at);
            part('saved').textContent = `kept; ${data.count}`;
            show(data);
        } catch (problem) {
            part('saved').textContent = problem.text + (problem.data?.changes?.length ? ` They did this: ${problem.data.changes.join('; ')}.` : '');
            if (problem.data?.problems) {
                show(problem.data);
            }
        }
    };
    area.addEventListener('input', () => {
        part('saved').textContent = area.value === kept ? '' : 'not kept yet';
        number();
        check();
    });
    area.addEventListener('scroll', () => {
        gutter.scrollTop = area.scrollTop;
    });
    ['click', 'keyup'].forEach((name) => area.addEventListener(name, place));
    area.addEventListener('keydown', (event) => {
        if (event.key === 'Tab' && !event.shiftKey && area.selectionStart === area.selectionEnd && !event.ctrlKey) {
            // Two spaces; Shift+Tab leaves the field, so the keyboard is not caught.
            event.preventDefault();
            document.execCommand('insertText', false, '  ');
        }
    });
    root.addEventListener('submit', (event) => {
        event.preventDefault();
        keep();
    });
    document.addEventListener('keydown', (event) => {
        if ((event.ctrlKey || event.metaKey) && event.key === 's') {
            event.preventDefault();
            keep();
        }
    });
    addEventListener('beforeunload', (event) => area.value !== kept && event.preventDefault());
    number();
    place();
    check();
}

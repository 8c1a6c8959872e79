import {lists} from './book/lists.js';
import {slots} from './book/slots.js';

/** The page of an agent: voices to hear side by side, texts that grow, lists that change. */
export function agent() {
    const form = document.querySelector('[data-agent-form]');
    if (!form) {
        return;
    }
    const grow = lists(form, () => {});
    slots(form);
    form.querySelectorAll('[data-grow]').forEach(grow);
    form.addEventListener('input', (event) => {
        const name = event.target.dataset.range;
        if (name) {
            form.querySelector(`[data-out="${name}"]`).textContent = event.target.value;
        }
    });
    const player = new Audio();
    const voices = form.querySelector('[data-voices]');
    if (!voices) {
        return;
    }
    voices.addEventListener('click', (event) => {
        const button = event.target.closest('[data-audition]');
        if (!button) {
            return;
        }
        event.preventDefault();
        const [engine, name] = button.dataset.audition.split('/');
        const query = new URLSearchParams({engine, name, pace: form.elements.pace.value, pitch: form.elements.pitch.value});
        voices.querySelectorAll('.playing').forEach((one) => one.classList.remove('playing'));
        player.src = `${voices.dataset.url}?${query}`;
        button.classList.add('playing');
        player.onended = player.onerror = () => button.classList.remove('playing');
        player.play().catch(() => button.classList.remove('playing'));
    });
}

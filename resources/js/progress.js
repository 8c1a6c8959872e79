import {request} from './request.js';

/** A bar that follows long work in the queue, also after the page was left and opened again. */
export function progress() {
    const bar = document.querySelector('[data-progress]');
    if (!bar) {
        return;
    }
    const look = async () => {
        const state = await request(bar.dataset.progress).catch(() => null);
        if (state) {
            bar.max = Math.max(1, state.total);
            bar.value = state.done;
            document.querySelector('[data-progress-words]').textContent = `${state.done} of ${state.total}`;
            if (!['queued', 'running'].includes(state.status)) {
                location.reload();
                return;
            }
        }
        setTimeout(look, 700);
    };
    look();
}

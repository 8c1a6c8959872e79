import {record} from '../../button/microphone.js';
import {request} from '../request.js';

/** The handset's microphone: one press begins, the next ends; what was spoken is recognised on the server and said in the call. */
export function speaking(part, callNow, began, show, failed) {
    const button = part('speak');
    const label = part('speak-label');
    let recording = null;
    let clock = null;
    const paint = () => {
        clearInterval(clock);
        button.setAttribute('aria-pressed', String(recording !== null));
        label.textContent = recording ? 'That was it, 0 s' : 'Speak';
        if (recording) {
            let seconds = 0;
            clock = setInterval(() => {
                seconds += 1;
                label.textContent = `That was it, ${seconds} s`;
            }, 1000);
        }
    };
    button.addEventListener('click', async () => {
        const call = callNow();
        if (!call?.heard_url || call.status === 'ended') {
            return;
        }
        began();
        if (!recording) {
            recording = await record().catch(() => null);
            if (!recording) {
                failed({text: 'No microphone may be used here. Allow it in the browser, or type what the caller says.'});
            }
            paint();
            return;
        }
        const one = recording;
        recording = null;
        paint();
        button.disabled = true;
        label.textContent = 'Hearing …';
        try {
            const form = new FormData();
            form.append('file', await one.stop(), 'spoken.wav');
            form.append('step', call.step);
            show(await request(call.heard_url, {method: 'POST', form}));
        } catch (problem) {
            failed(problem);
        } finally {
            button.disabled = false;
            paint();
        }
    });
}

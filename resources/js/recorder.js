import {request} from './request.js';

/** Records and uploads prompts; length and loudness are measured here, where the browser can decode the sound. */
export function recorder() {
    const root = document.querySelector('[data-recorder]');
    if (!root) {
        return;
    }
    const error = document.querySelector('[data-recorder-error]');
    const fault = (text) => {
        error.hidden = !text;
        error.textContent = text ?? '';
    };
    const measure = async (blob) => {
        try {
            const context = new AudioContext();
            const sound = await context.decodeAudioData(await blob.arrayBuffer());
            await context.close();
            let sum = 0;
            let peak = 0;
            const data = sound.getChannelData(0);
            for (const value of data) {
                sum += value * value;
                peak = Math.max(peak, Math.abs(value));
            }
            const db = (level) => (level > 0 ? 20 * Math.log10(level) : -120);
            return {seconds: sound.duration, loudness: db(Math.sqrt(sum / data.length)), peak: db(peak)};
        } catch {
            return {};
        }
    };
    const send = async (line, blob, name) => {
        fault('');
        const form = new FormData();
        form.append('text', line.dataset.text);
        form.append('file', blob, name);
        Object.entries(await measure(blob)).forEach(([key, value]) => Number.isFinite(value) && form.append(key, value.toFixed(2)));
        try {
            const data = await request(root.dataset.url, {method: 'POST', form});
            line.querySelector('[data-kept]').innerHTML = data.html;
        } catch (problem) {
            fault(problem.text);
        }
    };
    root.addEventListener('change', (event) => {
        if (event.target.matches('[data-upload]') && event.target.files[0]) {
            send(event.target.closest('[data-line]'), event.target.files[0], event.target.files[0].name);
            event.target.value = '';
        }
    });
    let going = null;
    root.addEventListener('click', async (event) => {
        const button = event.target.closest('[data-record]');
        if (!button) {
            return;
        }
        if (going) {
            going.stop();
            return;
        }
        const line = button.closest('[data-line]');
        const stream = await navigator.mediaDevices?.getUserMedia({audio: true}).catch(() => null);
        if (!stream) {
            fault('No microphone may be used here. Allow it in the browser, or upload a file.');
            return;
        }
        const parts = [];
        going = new MediaRecorder(stream);
        going.addEventListener('dataavailable', (part) => parts.push(part.data));
        going.addEventListener('stop', () => {
            stream.getTracks().forEach((track) => track.stop());
            button.classList.remove('on');
            button.querySelector('[data-record-label]').textContent = 'Record';
            const type = going.mimeType.split(';')[0] || 'audio/webm';
            going = null;
            send(line, new Blob(parts, {type}), `recording.${type.endsWith('ogg') ? 'ogg' : 'webm'}`);
        });
        going.start();
        button.classList.add('on');
        button.querySelector('[data-record-label]').textContent = 'Stop and keep';
    });
}

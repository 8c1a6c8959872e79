// Records what somebody speaks and gives it as a WAV file of 16 kHz with one channel, as the recogniser takes it.
const RATE = 16000;

const wav = (samples) => {
    const view = new DataView(new ArrayBuffer(44 + samples.length * 2));
    const text = (at, words) => [...words].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
    text(0, 'RIFF');
    view.setUint32(4, 36 + samples.length * 2, true);
    text(8, 'WAVEfmt ');
    [[16, 4, 16], [20, 2, 1], [22, 2, 1], [24, 4, RATE], [28, 4, RATE * 2], [32, 2, 2], [34, 2, 16]].forEach(([at, size, value]) => (size === 4 ? view.setUint32(at, value, true) : view.setUint16(at, value, true)));
    text(36, 'data');
    view.setUint32(40, samples.length * 2, true);
    samples.forEach((value, i) => view.setInt16(44 + i * 2, Math.max(-1, Math.min(1, value)) * 0x7fff, true));
    return new Blob([view], {type: 'audio/wav'});
};

/** Begins to record; the answer has `stop`, which gives the WAV file. Throws where no microphone may be used. */
export async function record() {
    const stream = await navigator.mediaDevices.getUserMedia({audio: {channelCount: 1, echoCancellation: false, noiseSuppression: false, autoGainControl: false}});
    const parts = [];
    const recorder = new MediaRecorder(stream);
    recorder.addEventListener('dataavailable', (event) => parts.push(event.data));
    const stopped = new Promise((done) => { recorder.addEventListener('stop', done, {once: true}); });
    recorder.start();
    return {
        async stop() {
            recorder.stop();
            await stopped;
            stream.getTracks().forEach((track) => track.stop());
            const context = new OfflineAudioContext(1, RATE, RATE);
            const sound = await context.decodeAudioData(await new Blob(parts).arrayBuffer());
            return wav(sound.getChannelData(0));
        },
    };
}

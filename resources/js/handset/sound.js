/** The agent's voice: lines one after another, at a pace, or muted; both are remembered. */
export function sound(part) {
    const player = new Audio();
    let muted = localStorage.getItem('ringo.muted') === '1';
    let pace = Number(localStorage.getItem('ringo.pace') ?? 1) || 1;

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
    part('pace').value = String(pace);
    part('pace').addEventListener('change', (event) => {
        pace = Number(event.target.value);
        localStorage.setItem('ringo.pace', String(pace));
        player.playbackRate = pace;
    });

    return {
        pause: () => player.pause(),
        playing: () => Boolean(player.src) && !player.paused && !player.ended,
        /** Seconds of the line that have been heard. */
        heard: () => player.currentTime,
        /** Seconds that lines of so many take where nothing is heard of them. */
        unheard: (seconds, lines) => (muted || !lines?.length ? seconds / pace : 0),
        // Recorded prompts and spoken lines, one after another.
        play(urls) {
            player.pause();
            if (muted || urls.length === 0) {
                return;
            }
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
        },
    };
}

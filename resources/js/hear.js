/** Plays one line of the agent's at a time. */
export function hear() {
    let audio = null;
    document.addEventListener('click', (event) => {
        const button = event.target.closest('[data-hear]');
        if (!button) {
            return;
        }
        const same = audio?.button === button && !audio.player.paused;
        audio?.player.pause();
        audio?.button.classList.remove('playing');
        if (same) {
            return;
        }
        const player = new Audio(button.dataset.hear);
        audio = {button, player};
        button.classList.add('playing');
        const done = () => button.classList.remove('playing');
        player.addEventListener('ended', done);
        player.addEventListener('error', () => {
            done();
            button.title = 'This line cannot be played here: the voice programs are not installed.';
        });
        player.play().catch(done);
    });
}

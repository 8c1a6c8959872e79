/** Silence counts once the agent has finished, second by second; the button skips ahead. */
export function silence(part, input, voice, now, happen) {
    let counting = null;
    const still = () => {
        clearInterval(counting);
        counting = null;
        part('count-label').textContent = 'count silence';
    };
    const listen = () => {
        still();
        const call = now.call;
        if (!part('count').checked || !call || call.status !== 'in_progress') {
            return;
        }
        let left = Math.round(call.timeout);
        let talking = voice.unheard(call.seconds, call.play);
        counting = setInterval(() => {
            if (input.value || voice.playing()) {
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
                happen('silence', '', now.call.timeout);
            }
        }, 1000);
    };
    part('count').addEventListener('change', listen);

    return {still, listen};
}

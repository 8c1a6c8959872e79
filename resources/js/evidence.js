/** A value lights the words it came from, and the words light the value; the strip joins in. */
export function evidence() {
    const page = document.querySelector('[data-evidence]');
    if (!page) {
        return;
    }
    const strip = document.querySelector('.strip');
    const clear = () => document.querySelectorAll('.lit').forEach((one) => one.classList.remove('lit'));
    const light = (fields, turn) => {
        clear();
        for (const field of fields) {
            page.querySelector(`[data-field="${CSS.escape(field)}"]`)?.classList.add('lit');
            page.querySelectorAll(`mark[data-fields~="${CSS.escape(field)}"]`).forEach((mark) => {
                mark.classList.add('lit');
                turn ??= mark.closest('[data-turn]')?.dataset.turn;
            });
        }
        if (turn !== undefined && turn !== null) {
            page.querySelector(`.turn[data-turn="${turn}"]`)?.classList.add('lit');
            strip?.querySelector(`[data-turn="${turn}"]`)?.classList.add('lit');
        }
    };
    const over = (event) => {
        const cell = event.target.closest('[data-field]');
        const mark = event.target.closest('mark[data-fields]');
        const turn = event.target.closest('[data-turn]');
        if (cell) {
            light([cell.dataset.field], cell.dataset.atTurn);
        } else if (mark) {
            light(mark.dataset.fields.split(' '), null);
        } else if (turn) {
            const fields = [...page.querySelectorAll(`.turn[data-turn="${turn.dataset.turn}"] mark`)].flatMap((one) => one.dataset.fields.split(' '));
            light(fields, turn.dataset.turn);
        } else {
            clear();
        }
    };
    for (const area of [page, strip]) {
        area?.addEventListener('mouseover', over);
        area?.addEventListener('focusin', over);
        area?.addEventListener('mouseleave', clear);
    }
    page.addEventListener('click', (event) => {
        const cell = event.target.closest('[data-at-turn]');
        if (cell) {
            document.getElementById(`turn-${cell.dataset.atTurn}`)?.scrollIntoView({block: 'center'});
        }
    });
}

/**
 * What belongs together lights together, wherever it stands on a page: a value of the record, the words it came from, its turn on the
 * strip and in the transcript, and the step of the trace that read it.
 */
export function lights() {
    document.querySelectorAll('[data-lights]').forEach(lightsWithin);
}

const listed = (value) => (value ?? '').split(' ').filter((one) => one !== '');

function lightsWithin(area) {
    const all = (selector) => [...area.querySelectorAll(selector)];
    const clear = () => all('.lit').forEach((one) => one.classList.remove('lit'));
    const light = (fields, turns) => {
        clear();
        const of = new Set(turns);
        if (fields.length) {
            for (const one of all('[data-field], mark[data-fields]')) {
                const theirs = one.dataset.field === undefined ? listed(one.dataset.fields) : [one.dataset.field];
                if (theirs.some((field) => fields.includes(field))) {
                    one.classList.add('lit');
                    if (one.matches('mark')) {
                        listed(one.closest('[data-turn]')?.dataset.turn).forEach((turn) => of.add(turn));
                    }
                }
            }
        }
        for (const one of all('[data-turn]')) {
            if (listed(one.dataset.turn).some((turn) => of.has(turn))) {
                one.classList.add('lit');
            }
        }
    };
    const over = (event) => {
        const field = event.target.closest('[data-field]');
        const mark = event.target.closest('mark[data-fields]');
        const turn = event.target.closest('[data-turn]');
        if (field) {
            light([field.dataset.field], listed(field.dataset.atTurn ?? turn?.dataset.turn));
        } else if (mark) {
            light(listed(mark.dataset.fields), []);
        } else if (turn) {
            const turns = listed(turn.dataset.turn);
            light(turns.flatMap((n) => all(`.turn[data-turn="${n}"] mark`)).flatMap((one) => listed(one.dataset.fields)), turns);
        } else {
            clear();
        }
    };
    area.addEventListener('mouseover', over);
    area.addEventListener('focusin', over);
    area.addEventListener('mouseleave', clear);
    area.addEventListener('click', (event) => {
        const cell = event.target.closest('[data-at-turn]');
        if (cell) {
            document.getElementById(`turn-${cell.dataset.atTurn}`)?.scrollIntoView({block: 'center'});
        }
    });
}

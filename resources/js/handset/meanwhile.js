const LOOKS_EVERY = 1000;

const SAYS_SO_AFTER = 1500;

const SAYS_SO_AGAIN = 6000;

/** What happens while the caller waits: telephones that ring, a colleague who has the call, an errand on its way. */
export function meanwhile(part, wire, now, show) {
    // While telephones ring or a colleague has the call, the page looks once a second what happened.
    let watching = null;
    const watch = () => {
        clearTimeout(watching);
        const call = now.call;
        if (!call || call.status !== 'in_progress' || !['ringing', 'connected'].includes(call.mode)) {
            return;
        }
        watching = setTimeout(() => wire.send(call.show_url, undefined, 'GET').then((data) => (data.step !== now.call.step || data.status !== now.call.status || data.ringing !== now.call.ringing ? show(data) : watch())).catch(() => watch()), LOOKS_EVERY);
    };

    const colleague = () => now.call && wire.send(now.call.colleague_url, {how: part('colleague-how').value, after: Number(part('colleague-after').value) || 4}).then((data) => {
        now.call = data;
        watch();
    }).catch((problem) => wire.failed('call-error', problem));
    part('colleague-how').addEventListener('change', colleague);
    part('colleague-after').addEventListener('change', colleague);

    // The server runs an errand; after a second and a half the agent says so, and not again before six more.
    let asking = null;
    const errand = () => {
        const call = now.call;
        const waited = call?.errand ? `${call.ref}/${call.errand}` : null;
        part('errand-line').hidden = waited === null;
        part('errand').textContent = call?.errand_called?.replaceAll('_', ' ') ?? '';
        if (waited === null || asking === waited) {
            return;
        }
        asking = waited;
        const began = Date.now();
        let telling = null;
        const tell = () => {
            telling = setTimeout(tell, SAYS_SO_AGAIN);
            wire.send(now.call.send_url, {kind: 'waits', seconds: (Date.now() - began) / 1000, step: now.call.step}).then((data) => asking === waited && show(data)).catch(() => {});
        };
        telling = setTimeout(tell, SAYS_SO_AFTER);
        wire.send(call.errand_url, {}).then((data) => {
            clearTimeout(telling);
            // Somebody else is at it, or was when the server stopped: look again in a moment.
            const other = data.errand && `${data.ref}/${data.errand}` === waited;
            asking = other ? waited : null;
            if (other) {
                setTimeout(() => {
                    asking = null;
                    errand();
                }, LOOKS_EVERY);
            } else {
                show(data);
            }
        }).catch((problem) => {
            clearTimeout(telling);
            asking = null;
            wire.failed('call-error', problem);
        });
    };

    return {watch, errand};
}

/** Who rings: a contact found by letters, a number, nobody known. Gives back how to choose. */
export function caller(root, part, wire, open) {
    const setup = part('setup');
    const contacts = async (words = '') => {
        const list = part('contact-list');
        try {
            const found = await wire.send(`${root.dataset.contactsUrl}?q=${encodeURIComponent(words)}`, undefined, 'GET');
            list.replaceChildren(...found.map((contact) => {
                const option = document.createElement('option');
                option.value = contact.id;
                option.textContent = [contact.name, contact.organisation, contact.number].filter(Boolean).join(', ');
                return option;
            }));
            wire.fault('setup-error', found.length ? '' : 'No contact fits these letters.');
        } catch (problem) {
            wire.failed('setup-error', problem);
        }
    };
    setup.addEventListener('change', (event) => {
        if (event.target.name === 'errands') {
            setup.querySelector('[data-slow]').hidden = event.target.value !== 'slow';
        }
        if (event.target.name === 'caller') {
            setup.querySelectorAll('[data-for]').forEach((one) => {
                one.hidden = one.dataset.for !== event.target.value;
            });
        }
    });
    let waiting;
    part('contact-search').addEventListener('input', (event) => {
        clearTimeout(waiting);
        waiting = setTimeout(() => contacts(event.target.value), 200);
    });

    return () => {
        open('setup');
        wire.fault('setup-error', '');
        if (!part('contact-list').options.length) {
            contacts();
        }
        (setup.querySelector('input[name=caller]:checked') ?? setup.querySelector('input')).focus();
    };
}

/** What the handset says to the server, and what it says to whoever rings where that fails. */
export function line(part, moved) {
    const fault = (name, text) => {
        const shown = part(name);
        shown.hidden = !text;
        shown.textContent = text ?? '';
    };

    return {
        fault,
        /** moved: a call that has gone on elsewhere is shown as it stands now. */
        async send(url, body, method = 'POST') {
            const response = await fetch(url, {
                method,
                headers: {'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': document.querySelector('meta[name="csrf-token"]').content},
                body: body === undefined ? undefined : JSON.stringify(body),
            }).catch(() => null);
            if (response === null) {
                throw {text: 'Ringo cannot be reached just now. What you typed is still there; try again.'};
            }
            const data = await response.json().catch(() => ({}));
            if (response.status === 401) {
                throw {text: data.message ?? 'Your session has ended.', signIn: data.sign_in};
            }
            if (response.status === 409) {
                moved(data);
                throw {text: data.message};
            }
            if (response.status >= 500) {
                throw {text: 'Something broke on our side. The call stands as it did and what you typed is still there; try again.'};
            }
            if (!response.ok) {
                throw {text: Object.values(data.errors ?? {}).flat()[0] ?? data.message ?? 'That did not work. Nothing was lost; try again.'};
            }
            return data;
        },
        failed(where, problem) {
            fault(where, problem.text ?? String(problem));
            if (problem.signIn) {
                const link = document.createElement('a');
                link.href = `${location.pathname}${location.search}`;
                link.textContent = ' Sign in and come back';
                part(where).append(link);
            }
        },
    };
}

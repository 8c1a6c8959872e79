/** Sends something to the server as a page does; a refusal is thrown with words fit to show. */
export async function request(url, {method = 'GET', body, form} = {}) {
    const headers = {Accept: 'application/json', 'X-CSRF-TOKEN': document.querySelector('meta[name="csrf-token"]').content, 'X-Requested-With': 'XMLHttpRequest'};
    if (body !== undefined) {
        headers['Content-Type'] = 'application/json';
    }
    const response = await fetch(url, {method, headers, body: form ?? (body === undefined ? undefined : JSON.stringify(body))}).catch(() => null);
    if (response === null) {
        throw {status: 0, text: 'Ringo cannot be reached just now. What you wrote is still here; it is tried again with your next change.'};
    }
    const type = response.headers.get('Content-Type') ?? '';
    const data = type.includes('json') ? await response.json().catch(() => ({})) : {html: await response.text()};
    if (response.ok) {
        return data;
    }
    const text = response.status === 401 || response.status === 419
        ? 'Your session has ended. Sign in in another window, then go on here: what you wrote is still on this page.'
        : Object.values(data.errors ?? {}).flat()[0] ?? data.message ?? 'That did not work. Nothing was lost; try again.';
    throw {status: response.status, text, data};
}

/** Runs a function once things have been quiet for a while. */
export function settled(run, wait = 500) {
    let timer = null;
    const later = (...given) => {
        clearTimeout(timer);
        timer = setTimeout(() => run(...given), wait);
    };
    later.now = (...given) => {
        clearTimeout(timer);
        run(...given);
    };
    later.stop = () => clearTimeout(timer);
    return later;
}

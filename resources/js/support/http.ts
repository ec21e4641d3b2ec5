import { isSignedOut } from './signedOut';

/** An answer other than success; `status` 0 means that the server could not be reached. */
export class HttpError extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly body: unknown = null,
    ) {
        super(message);
    }
}

function csrfToken(): string {
    const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
    return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

/** The message a refused form carries, else a general one. */
function messageOf(status: number, body: unknown): string {
    if (typeof body === 'object' && body !== null && 'errors' in body) {
        const errors = Object.values(body.errors as Record<string, string[]>).flat();
        if (errors[0]) return errors[0];
    }
    if (status === 413) return 'The file is larger than 20 MB, which is more than any piano piece needs.';
    if (status === 419 || status === 401) return 'You have been signed out.';
    if (typeof body === 'object' && body !== null && 'message' in body && typeof body.message === 'string' && status !== 500) return body.message;
    return 'The server could not do this. Nothing was lost; try again in a moment.';
}

async function send<T>(method: string, url: string, body: BodyInit | null, headers: Record<string, string>, signal?: AbortSignal): Promise<T> {
    let response: Response;
    try {
        response = await fetch(url, {
            method,
            body,
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': csrfToken(), ...headers },
            credentials: 'same-origin',
            signal: signal ?? null,
        });
    } catch (error) {
        if (error instanceof DOMException && error.name === 'AbortError') throw error;
        throw new HttpError(0, 'The server cannot be reached.');
    }
    const data: unknown = await response.json().catch(() => null);
    if (!response.ok) {
        if (response.status === 401 || response.status === 419) isSignedOut.value = true;
        throw new HttpError(response.status, messageOf(response.status, data), data);
    }
    return data as T;
}

export function sendJson<T>(method: 'POST' | 'PUT' | 'PATCH' | 'DELETE', url: string, data: unknown, signal?: AbortSignal): Promise<T> {
    return send<T>(method, url, JSON.stringify(data), { 'Content-Type': 'application/json' }, signal);
}

const PATIENCE = 60;

/** Sends a form; where the server does one such thing at a time, waits for its turn, a minute at the most. */
export async function sendForm<T>(url: string, form: FormData): Promise<T> {
    for (let tries = 0; ; tries++) {
        try {
            return await send<T>('POST', url, form, {});
        } catch (error) {
            if (!(error instanceof HttpError) || error.status !== 429 || tries >= PATIENCE) throw error;
            await new Promise((done) => setTimeout(done, 1000));
        }
    }
}

export function getJson<T>(url: string): Promise<T> {
    return send<T>('GET', url, null, {});
}

export async function getText(url: string): Promise<string> {
    const response = await fetch(url, { credentials: 'same-origin' });
    if (!response.ok) throw new HttpError(response.status, 'The score could not be fetched.');
    return response.text();
}

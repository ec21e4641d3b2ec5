import { HttpError, sendJson } from '../support/http';
import type { Entry, Told } from './practice';

/** Where what is told waits until it has reached the server. */
export interface Shelf {
    read(): Told[];
    write(waiting: readonly Told[]): void;
}

/** What waits, in this browser, by the address it goes to. */
export function browserShelf(url: string): Shelf {
    const key = `tarnwind:told:${url}`;
    return {
        read() {
            try {
                return JSON.parse(localStorage.getItem(key) ?? '[]') as Told[];
            } catch {
                return [];
            }
        },
        write(waiting) {
            try {
                if (waiting.length === 0) localStorage.removeItem(key);
                else localStorage.setItem(key, JSON.stringify(waiting));
            } catch {
                // A browser that keeps nothing: it is sent while the page is open.
            }
        },
    };
}

type Send = (told: Told) => Promise<{ entry: Entry }>;

export const sendTo =
    (url: string): Send =>
    (told) =>
        sendJson<{ entry: Entry }>('POST', url, told);

/** Sends what is told, and keeps what does not arrive until it does: with a lost network nothing is lost. */
export function startLogging(shelf: Shelf, send: Send, arrived: (entry: Entry) => void, refused: (told: Told, why: string) => void) {
    const waiting = shelf.read();
    let busy = false;

    async function flush(): Promise<boolean> {
        if (busy) return false;
        busy = true;
        try {
            for (let told = waiting[0]; told; told = waiting[0]) {
                try {
                    const { entry } = await send(told);
                    arrived(entry);
                } catch (error) {
                    // What the server will never take is told; everything else is tried again.
                    if (!(error instanceof HttpError) || error.status === 0 || error.status >= 500 || error.status === 429) return false;
                    refused(told, error.message);
                }
                waiting.shift();
                shelf.write(waiting);
            }
            return true;
        } finally {
            busy = false;
        }
    }

    return {
        tell(told: Told): Promise<boolean> {
            waiting.push(told);
            shelf.write(waiting);
            return flush();
        },
        flush,
        waiting: (): number => waiting.length,
    };
}

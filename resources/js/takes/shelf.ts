import type { Message } from './messages';

/** A recording that has not reached the server yet. */
export interface Recording {
    uuid: string;
    device: string;
    step: string | null;
    begin: number;
    messages: Message[];
}

/** Keeps a recording in this browser while it is made and until it has arrived: a reload or a lost network loses nothing. */
export function recordingShelf(url: string, store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> = localStorage) {
    const key = `tarnwind:recording:${url}`;

    function read(): Recording | null {
        try {
            const kept = JSON.parse(store.getItem(key) ?? 'null') as (Omit<Recording, 'messages'> & { messages: number[] }) | null;
            if (!kept) return null;
            const messages: Message[] = [];
            for (let place = 0; place + 3 < kept.messages.length; place += 4) {
                const [at, status, data1, data2] = kept.messages.slice(place, place + 4) as [number, number, number, number];
                messages.push({ at, status, data1, data2 });
            }
            return { ...kept, messages };
        } catch {
            return null;
        }
    }

    return {
        read,
        write(recording: Recording): void {
            const messages = recording.messages.flatMap(({ at, status, data1, data2 }) => [Math.round(at * 10) / 10, status, data1, data2]);
            try {
                store.setItem(key, JSON.stringify({ ...recording, messages }));
            } catch {
                // A browser that keeps nothing: the recording is there while the page is open.
            }
        },
        clear: (): void => store.removeItem(key),
    };
}

export type RecordingShelf = ReturnType<typeof recordingShelf>;

import { clear, createStore, del, get, keys, set, type UseStore } from 'idb-keyval';
import type { System } from './geometry';

/** Engravings that are kept in this browser, at the most. */
const MOST = 24;

/** Another form of engravings, another name: what an earlier version kept is not read (the first could be of another score). */
const VERSION = 2;

let store: UseStore | null = null;
const here = new Map<string, System[]>();

function kept(): UseStore {
    return (store ??= createStore(`tarnwind-engravings-${VERSION}`, 'engravings'));
}

/** An engraving that was made before; null if there is none, or the browser does not tell. */
export async function keptEngraving(name: string): Promise<System[] | null> {
    const now = here.get(name);
    if (now) return now;
    try {
        const found = (await get<System[]>(name, kept())) ?? null;
        if (found) here.set(name, found);
        return found;
    } catch {
        return null;
    }
}

/** Keeps an engraving for the next time; where there is no room, it is made again then. */
export async function keepEngraving(name: string, systems: System[]): Promise<void> {
    here.set(name, systems);
    try {
        const names = await keys<string>(kept());
        for (const old of names.slice(0, Math.max(0, names.length - MOST + 1))) await del(old, kept());
        await set(name, systems, kept());
    } catch {
        // Nothing is lost by that.
    }
}

/** Nothing of a teacher's scores stays in the browser when she leaves. */
export async function forgetEngravings(): Promise<void> {
    here.clear();
    await clear(kept()).catch(() => undefined);
}

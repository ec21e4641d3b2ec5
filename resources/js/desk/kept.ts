import type { PlanDocument } from '@generated/plan';
import { latest } from './upgrade';

/** A plan that is not on the server yet, with the revision it was made on. */
export interface KeptPlan {
    plan: PlanDocument;
    revision: number;
}

/** What an earlier visit has left. */
export interface LeftPlan extends KeptPlan {
    forget: () => void;
}

/** Where edits wait in the browser. */
export interface KeptPlans {
    /** Keeps a plan; false if there is no room. */
    write: (kept: KeptPlan) => boolean;
    /** Removes what was kept here, and nothing else. */
    remove: () => void;
    /** What earlier visits have left, the newest first. */
    left: () => LeftPlan[];
    close: () => void;
}

/** Tabs that are open, by their keys: what they keep is theirs. */
const OPEN = 'tarnwind-open-tabs';

/** A tab that has not been heard of for so long, in ms, is closed. */
const GONE = 15_000;

/** How often a tab says that it is there, in ms. */
const BEAT = 5_000;

/** What the plans of a copy are kept under in this browser. */
export const nameOfCopy = (copy: number): string => `tarnwind-copy-${copy}`;

function read<T>(storage: Storage, key: string, otherwise: T): T {
    try {
        return (JSON.parse(storage.getItem(key) ?? 'null') as T | null) ?? otherwise;
    } catch {
        return otherwise;
    }
}

/** Keys of plans whose tabs are closed. */
function leftKeys(storage: Storage, now: number): string[] {
    const open = read<Record<string, number>>(storage, OPEN, {});
    return Array.from({ length: storage.length }, (_, index) => storage.key(index)!).filter((key) => !(now - (open[key] ?? -Infinity) < GONE));
}

/** Copies with edits that wait in this browser, by id, with what they were called. */
export function waitingCopies(storage: Storage = localStorage, now: number = Date.now()): Map<number, string> {
    const waiting = new Map<number, string>();
    for (const key of leftKeys(storage, now)) {
        const copy = Number(/^tarnwind-copy-(\d+)(:|$)/.exec(key)?.[1] ?? NaN);
        const kept = read<{ title?: string } | null>(storage, key, null);
        if (!Number.isNaN(copy) && kept) waiting.set(copy, kept.title ?? waiting.get(copy) ?? '');
    }
    return waiting;
}

/**
 * A key of its own for every tab that has a copy open.
 *
 * @param title what the copy is called where its edits are spoken of
 */
export function keptPlans(name: string, title: string, storage: Storage = localStorage, now: () => number = Date.now): KeptPlans {
    const key = `${name}:${crypto.randomUUID()}`;
    const beat = (isOpen: boolean): void => {
        const others = Object.fromEntries(
            Object.entries(read<Record<string, number>>(storage, OPEN, {})).filter(([tab, at]) => tab !== key && now() - at < GONE),
        );
        try {
            storage.setItem(OPEN, JSON.stringify(isOpen ? { ...others, [key]: now() } : others));
        } catch {
            // Without room nothing can be told from others; then what they keep is offered here too.
        }
    };
    beat(true);
    const timer = setInterval(() => beat(true), BEAT);
    return {
        write({ plan, revision }) {
            try {
                storage.setItem(key, JSON.stringify({ plan, revision, title, at: now() }));
                return true;
            } catch {
                return false;
            }
        },
        remove: () => storage.removeItem(key),
        left() {
            return leftKeys(storage, now())
                .filter((one) => (one === name || one.startsWith(`${name}:`)) && one !== key)
                .flatMap((one) => {
                    const found = read<(KeptPlan & { at?: number }) | null>(storage, one, null);
                    return found ? [{ ...found, plan: latest(found.plan), at: found.at ?? 0, forget: () => storage.removeItem(one) }] : [];
                })
                .sort((a, b) => b.at - a.at);
        },
        close() {
            clearInterval(timer);
            beat(false);
        },
    };
}

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

/** A key of its own for every tab that has a copy open. */
export function keptPlans(name: string, storage: Storage = localStorage, now: () => number = Date.now): KeptPlans {
    const key = `${name}:${crypto.randomUUID()}`;
    const read = <T>(from: string, otherwise: T): T => {
        try {
            return (JSON.parse(storage.getItem(from) ?? 'null') as T | null) ?? otherwise;
        } catch {
            return otherwise;
        }
    };
    const beat = (isOpen: boolean): void => {
        const others = Object.fromEntries(Object.entries(read<Record<string, number>>(OPEN, {})).filter(([tab, at]) => tab !== key && now() - at < GONE));
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
                storage.setItem(key, JSON.stringify({ plan, revision, at: now() }));
                return true;
            } catch {
                return false;
            }
        },
        remove: () => storage.removeItem(key),
        left() {
            const open = read<Record<string, number>>(OPEN, {});
            const keys = Array.from({ length: storage.length }, (_, index) => storage.key(index)!).filter(
                (one) => (one === name || one.startsWith(`${name}:`)) && one !== key && !(now() - (open[one] ?? -Infinity) < GONE),
            );
            return keys
                .flatMap((one) => {
                    const found = read<(KeptPlan & { at?: number }) | null>(one, null);
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

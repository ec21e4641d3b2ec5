import { ref, type Ref } from 'vue';
import { getJson, HttpError, sendJson } from '../support/http';
import type { PlanDocument } from '@generated/plan';
import { keptPlans, nameOfCopy, type KeptPlans, type LeftPlan } from './kept';

/**
 * saved: the server has everything; pending: an edit is about to be sent; waiting: the server is away and edits
 * wait in this browser; conflict: the copy was changed elsewhere; refused: the server did not accept the plan.
 */
export type SaveState = 'saved' | 'pending' | 'waiting' | 'conflict' | 'refused';

const PAUSE = 500;
const RETRY = 3000;

/** What saving needs of the world; tests bring one of their own. */
export interface World {
    put: (plan: PlanDocument, revision: number) => Promise<{ revision: number }>;
    get: () => Promise<{ plan: PlanDocument; revision: number }>;
    kept: KeptPlans;
    /** Tells other tabs of a saved revision, and hears of theirs. */
    tell: (revision: number) => void;
    hear: (told: (revision: number) => void) => () => void;
    /** Calls when the network is back. */
    online: (back: () => void) => () => void;
    after: (ms: number, run: () => void) => () => void;
}

export interface Saving {
    state: Ref<SaveState>;
    message: Ref<string>;
    /** Whether edits that are not on the server yet are kept in this browser. */
    isKept: Ref<boolean>;
    /** Edits that earlier visits have left in this browser, the newest first. */
    left: readonly LeftPlan[];
    keep: (plan: PlanDocument) => void;
    /** Sends the present plan over whatever is on the server. */
    /** Sends what waits now. */
    retry: () => void;
    overwrite: () => Promise<void>;
    /** Forgets what waits in this browser. */
    forget: () => void;
    /** Whether something would be lost if the page were closed now. */
    wouldLose: () => boolean;
    stop: () => void;
}

/** The browser and the server, as a desk meets them. */
export function realWorld(copy: number, title: string): World {
    const name = nameOfCopy(copy);
    const channel = new BroadcastChannel(name);
    let closed = false;
    return {
        put: (plan, revision) => sendJson<{ revision: number }>('PUT', `/copies/${copy}/plan`, { plan, revision }),
        get: () => getJson<{ plan: PlanDocument; revision: number }>(`/copies/${copy}/plan`),
        kept: keptPlans(name, title),
        tell: (revision) => {
            if (!closed) channel.postMessage(revision);
        },
        hear: (told) => {
            channel.addEventListener('message', (event: MessageEvent<number>) => told(event.data));
            return () => {
                closed = true;
                channel.close();
            };
        },
        online: (back) => {
            window.addEventListener('online', back);
            return () => window.removeEventListener('online', back);
        },
        after: (ms, run) => {
            const timer = setTimeout(run, ms);
            return () => clearTimeout(timer);
        },
    };
}

/**
 * Saves a copy's plan by itself. Every edit is first kept in the browser, so that nothing is lost while the
 * server is away; plans are sent with the revision they were made on, so that nothing newer is overwritten.
 */
export function startSaving(world: World, revision: number): Saving {
    const state = ref<SaveState>('saved');
    const message = ref('');
    const isKept = ref(true);
    let base = revision;
    let plan: PlanDocument | null = null;
    /** What was sent last without an answer: it may have arrived all the same. */
    let unanswered: PlanDocument | null = null;
    let cancel = (): void => undefined;
    let sending = false;
    let stopped = false;
    const left = world.kept.left();

    function write(): void {
        if (plan !== null) isKept.value = world.kept.write({ plan, revision: base });
    }

    function schedule(delay: number): void {
        cancel();
        if (!stopped) cancel = world.after(delay, () => void flush());
    }

    async function flush(): Promise<void> {
        if (plan === null || sending || state.value === 'conflict') return;
        sending = true;
        const sent = plan;
        try {
            const answer = await world.put(sent, base);
            acknowledge(sent, answer.revision);
        } catch (error) {
            await fail(error, sent);
        } finally {
            sending = false;
        }
    }

    function acknowledge(sent: PlanDocument, saved: number): void {
        base = saved;
        unanswered = null;
        message.value = '';
        world.tell(base);
        if (plan === sent) {
            plan = null;
            world.kept.remove();
            isKept.value = true;
            state.value = 'saved';
        } else {
            write();
            state.value = 'pending';
            if (stopped) void flush();
            else schedule(0);
        }
    }

    async function fail(error: unknown, sent: PlanDocument): Promise<void> {
        const status = error instanceof HttpError ? error.status : 0;
        if (status === 409 && (await isOurs(unanswered ?? sent))) return;
        message.value = error instanceof Error ? error.message : '';
        if (status === 409) {
            state.value = 'conflict';
        } else if (status === 422) {
            state.value = 'refused';
        } else {
            unanswered = sent;
            state.value = 'waiting';
            schedule(RETRY);
        }
    }

    /** Whether what the server has is what was sent before: then the answer was lost, not the plan. */
    async function isOurs(sent: PlanDocument): Promise<boolean> {
        try {
            const there = await world.get();
            if (!saysTheSame(there.plan, sent)) return false;
            acknowledge(sent, there.revision);
            return true;
        } catch {
            return false;
        }
    }

    const stopOnline = world.online(() => schedule(0));
    const stopHearing = world.hear((saved) => {
        if (saved <= base || state.value === 'conflict') return;
        state.value = 'conflict';
        message.value = 'This copy has been changed in another tab in the meantime.';
    });

    return {
        state,
        message,
        isKept,
        left,
        keep(next) {
            plan = next;
            write();
            if (state.value === 'conflict') return;
            if (state.value !== 'waiting') state.value = 'pending';
            schedule(PAUSE);
        },
        retry: () => schedule(0),
        async overwrite() {
            base = (await world.get()).revision;
            state.value = 'pending';
            if (plan === null) state.value = 'saved';
            else await flush();
        },
        forget() {
            plan = null;
            world.kept.remove();
            left.forEach(({ forget }) => forget());
        },
        wouldLose: () => plan !== null && !isKept.value,
        stop() {
            cancel();
            stopped = true;
            stopOnline();
            // What is on its way is sent once more, and is kept in the browser until it has arrived.
            if (plan !== null && state.value !== 'conflict') void flush().finally(stopHearing);
            else stopHearing();
            world.kept.close();
        },
    };
}

/** Whether two plans say the same, whatever the order of their fields; the server adds what is said by default. */
function saysTheSame(there: unknown, sent: unknown): boolean {
    if (Array.isArray(there) && Array.isArray(sent)) return there.length === sent.length && there.every((one, index) => saysTheSame(one, sent[index]));
    if (typeof there !== 'object' || typeof sent !== 'object' || there === null || sent === null) return there === sent;
    return Object.entries(sent).every(([name, value]) => saysTheSame((there as Record<string, unknown>)[name], value));
}

import { ref, type Ref } from 'vue';
import { getJson, HttpError, sendJson } from '../support/http';
import type { PlanDocument } from '@generated/plan';

/**
 * saved: the server has everything; pending: an edit is about to be sent; waiting: the server is away and edits
 * wait in this browser; conflict: the copy was changed elsewhere; refused: the server did not accept the plan.
 */
export type SaveState = 'saved' | 'pending' | 'waiting' | 'conflict' | 'refused';

interface Kept {
    plan: PlanDocument;
    revision: number;
}

const PAUSE = 500;
const RETRY = 3000;

export interface Saving {
    state: Ref<SaveState>;
    message: Ref<string>;
    /** Edits that wait in this browser from an earlier visit. */
    kept: Kept | null;
    keep(plan: PlanDocument): void;
    /** Sends the present plan over whatever is on the server. */
    overwrite(): Promise<void>;
    /** Forgets what waits in this browser. */
    forget(): void;
    stop(): void;
}

/**
 * Saves a copy's plan by itself. Every edit is first kept in the browser, so that nothing is lost while the
 * server is away; plans are sent with the revision they were made on, so that nothing newer is overwritten.
 */
export function startSaving(copy: number, revision: number): Saving {
    const key = `tarnwind-copy-${copy}`;
    const state = ref<SaveState>('saved');
    const message = ref('');
    const channel = new BroadcastChannel(key);
    let base = revision;
    let plan: PlanDocument | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let sending = false;

    function read(): Kept | null {
        try {
            const text = localStorage.getItem(key);
            return text === null ? null : (JSON.parse(text) as Kept);
        } catch {
            return null;
        }
    }

    function write(): void {
        if (plan === null) return;
        try {
            localStorage.setItem(key, JSON.stringify({ plan, revision: base }));
        } catch {
            message.value = 'This browser has no room to keep edits; stay on this page until they are saved.';
        }
    }

    function schedule(delay: number): void {
        clearTimeout(timer);
        timer = setTimeout(() => void flush(), delay);
    }

    async function flush(): Promise<void> {
        if (plan === null || sending || state.value === 'conflict') return;
        sending = true;
        const sent = plan;
        try {
            const answer = await sendJson<{ revision: number }>('PUT', `/copies/${copy}/plan`, { plan: sent, revision: base });
            base = answer.revision;
            channel.postMessage(base);
            message.value = '';
            if (plan === sent) {
                plan = null;
                localStorage.removeItem(key);
                state.value = 'saved';
            } else {
                write();
                schedule(0);
            }
        } catch (error) {
            const status = error instanceof HttpError ? error.status : -1;
            message.value = error instanceof Error ? error.message : '';
            if (status === 409) {
                state.value = 'conflict';
            } else if (status === 422) {
                state.value = 'refused';
            } else {
                state.value = 'waiting';
                schedule(RETRY);
            }
        } finally {
            sending = false;
        }
    }

    const online = (): void => schedule(0);
    window.addEventListener('online', online);
    channel.addEventListener('message', (event: MessageEvent<number>) => {
        if (event.data > base) {
            state.value = 'conflict';
            message.value = 'This copy has been changed in another tab in the meantime.';
        }
    });

    return {
        state,
        message,
        kept: read(),
        keep(next) {
            plan = next;
            write();
            if (state.value === 'conflict') return;
            if (state.value !== 'waiting') state.value = 'pending';
            schedule(PAUSE);
        },
        async overwrite() {
            base = (await getJson<{ revision: number }>(`/copies/${copy}/plan`)).revision;
            state.value = 'pending';
            if (plan === null) state.value = 'saved';
            else await flush();
        },
        forget() {
            plan = null;
            localStorage.removeItem(key);
        },
        stop() {
            clearTimeout(timer);
            window.removeEventListener('online', online);
            channel.close();
            if (plan !== null && state.value !== 'conflict') void flush();
        },
    };
}

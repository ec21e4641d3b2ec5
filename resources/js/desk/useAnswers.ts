import { onScopeDispose, shallowRef, type ShallowRef } from 'vue';
import { HttpError, sendJson } from '../support/http';
import { latestOnly } from '../support/latest';
import type { AnswerDocuments } from '@generated/crafts';
import type { PlanDocument } from '@generated/plan';
import { changedBars, near, relevant, restsOf, type AnswerName, type BarOf, type Bars } from './bearing';

/** Pieces up to so many bars are answered as a whole at once, unless some bars say just what the whole would. */
const SHORT = 24;

/** After so many milliseconds without an edit the whole of a longer piece is asked for. */
const PAUSE = 500;

/** Milliseconds after which a server that was away is asked again. */
const RETRY = 2000;

/** How parts of an answer go together. */
export interface Joining<Document> {
    /** An answer about some bars put in place of what was known of them. */
    merge?: (known: Document, part: Document & { bars: Bars }, barOf: BarOf) => Document;
    /** Whether what is edited in one bar decides others, however far away. */
    isFar?: (plan: PlanDocument) => boolean;
}

/** What a craft says about the plan, as it was last answered. */
export interface AnswerStore<Document> {
    known: ShallowRef<Document | null>;
    trouble: ShallowRef<string>;
    /** Asks about a plan, as far as it differs from the one that was answered last. */
    ask: (plan: PlanDocument, more?: Readonly<Record<string, string | number>>) => Promise<void>;
    /** Takes an answer that came along with something else. */
    take: (answer: Document, plan: PlanDocument) => void;
}

interface Question {
    plan: PlanDocument;
    more: Readonly<Record<string, string | number>>;
}

/**
 * The answers of all crafts about one copy: each is asked for when it is first looked at, and again when what it rests on
 * changes; in a long piece at once about the bars that were edited, and about the whole when the teacher pauses.
 *
 * @param send asks the server
 */
export function useAnswers(
    copy: number,
    piece: { bars: number; barOf: BarOf },
    joinings: Partial<{ [N in AnswerName]: Joining<AnswerDocuments[N]> }>,
    send = sendJson,
) {
    const stores = new Map<AnswerName, unknown>();

    function open<N extends AnswerName>(name: N): AnswerStore<AnswerDocuments[N]> {
        type Document = AnswerDocuments[N];
        const url = `/copies/${copy}/answers/${name}`;
        const { merge, isFar } = (joinings[name] ?? {}) as Joining<Document>;
        const { excerpt, exact } = restsOf(name);
        const known: ShallowRef<Document | null> = shallowRef(null);
        const trouble = shallowRef('');
        let about: Question | null = null;
        let pause: ReturnType<typeof setTimeout> | undefined;
        let retry: ReturnType<typeof setTimeout> | undefined;
        let whole: AbortController | null = null;

        const ask = latestOnly<Question>(async (question) => {
            const { plan, more } = question;
            const isSame = about !== null && JSON.stringify(about.more) === JSON.stringify(more);
            const changed = about && isSame ? changedBars(about.plan, plan, name, piece.barOf) : 'all';
            clearTimeout(retry);
            if (changed === 'none') {
                about = question;
                trouble.value = '';
                return;
            }
            stop();
            const isWhole = changed === 'all' || !excerpt || !merge || known.value === null || (!exact && piece.bars <= SHORT) || isFar?.(plan);
            const bars = isWhole ? null : changed;
            const asked = Object.keys(more).length > 0 ? { asked: more } : {};
            try {
                const answer = await send<Document>(
                    'POST',
                    url,
                    bars ? { plan: near(plan, bars, name, piece.barOf), bars, ...asked } : { plan: relevant(plan, name), ...asked },
                );
                const isPart = bars !== null && merge !== undefined && known.value !== null;
                known.value = isPart ? merge(known.value!, answer as Document & { bars: Bars }, piece.barOf) : answer;
                about = question;
                trouble.value = '';
                if (isPart && !exact) pause = setTimeout(() => void complete(question), PAUSE);
            } catch (error) {
                trouble.value = error instanceof Error ? error.message : '';
                // A server that is away is asked again until it is back; what is asked meanwhile goes first.
                if (error instanceof HttpError && error.status === 0) retry = setTimeout(() => void ask(question), RETRY);
            }
        });

        /** Asks for the whole, unless an edit comes in between: then its own answer is followed by a whole one. */
        async function complete({ plan, more }: Question): Promise<void> {
            const { signal } = (whole = new AbortController());
            try {
                const answer = await send<Document>(
                    'POST',
                    url,
                    { plan: relevant(plan, name), ...(Object.keys(more).length > 0 ? { asked: more } : {}) },
                    signal,
                );
                if (!signal.aborted) known.value = answer;
            } catch (error) {
                if (!signal.aborted) trouble.value = error instanceof Error ? error.message : '';
            }
        }

        function stop(): void {
            clearTimeout(pause);
            whole?.abort();
        }
        onScopeDispose(() => {
            clearTimeout(retry);
            stop();
        });

        return {
            known,
            trouble,
            ask: (plan, more = {}) => ask({ plan, more }),
            take(answer, plan) {
                stop();
                known.value = answer;
                about = { plan, more: {} };
            },
        };
    }

    /** The answer of a name, the same one for all who ask for it. */
    return function answer<N extends AnswerName>(name: N): AnswerStore<AnswerDocuments[N]> {
        const store = (stores.get(name) ?? open(name)) as AnswerStore<AnswerDocuments[N]>;
        stores.set(name, store);
        return store;
    };
}

export type Answers = ReturnType<typeof useAnswers>;

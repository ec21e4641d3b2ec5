import { onScopeDispose, shallowRef, type ShallowRef } from 'vue';
import { sendJson } from '../support/http';
import { latestOnly } from '../support/latest';
import type { PlanDocument } from '../types/generated/plan';
import { changedBars, near, type BarOf, type Bars } from './stretch';

/** Pieces up to so many bars are answered as a whole at once. */
const SHORT = 24;

/** After so many milliseconds without an edit the whole of a longer piece is asked for. */
const PAUSE = 500;

/**
 * What the server says about a plan, asked for when it is first looked at and again when what it rests on changes: in a
 * long piece at once about the bars that were edited, and about the whole when the teacher pauses.
 *
 * @param merge an answer about some bars with what was known
 * @param isFar whether what is edited in one bar decides others, however far away
 */
export function useAnswers<Answer extends { bars?: Bars }>(
    url: string,
    piece: { bars: number; barOf: BarOf },
    merge: (known: Answer, part: Answer & { bars: Bars }) => Answer,
    isFar: (plan: PlanDocument) => boolean = () => false,
) {
    const known: ShallowRef<Answer | null> = shallowRef(null);
    const trouble = shallowRef('');
    let about: PlanDocument | null = null;
    let pause: ReturnType<typeof setTimeout> | undefined;
    let whole: AbortController | null = null;

    const ask = latestOnly<PlanDocument>(async (plan) => {
        const changed = about ? changedBars(about, plan, piece.barOf) : 'all';
        if (changed === 'none') {
            about = plan;
            return;
        }
        stop();
        const bars = changed === 'all' || piece.bars <= SHORT || isFar(plan) ? null : changed;
        try {
            const answer = await sendJson<Answer>('POST', url, bars ? { plan: near(plan, bars, piece.barOf), bars } : { plan });
            known.value = known.value && isPart(answer) ? merge(known.value, answer) : answer;
            about = plan;
            trouble.value = '';
            if (isPart(answer)) pause = setTimeout(() => void complete(plan), PAUSE);
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    });

    /** Asks for the whole, unless an edit comes in between: then its own answer is followed by a whole one. */
    async function complete(plan: PlanDocument): Promise<void> {
        const { signal } = (whole = new AbortController());
        try {
            const answer = await sendJson<Answer>('POST', url, { plan }, signal);
            if (!signal.aborted) known.value = answer;
        } catch (error) {
            if (!signal.aborted) trouble.value = error instanceof Error ? error.message : '';
        }
    }

    function stop(): void {
        clearTimeout(pause);
        whole?.abort();
    }
    onScopeDispose(stop);

    return { known, trouble, ask };
}

function isPart<Answer extends { bars?: Bars }>(answer: Answer): answer is Answer & { bars: Bars } {
    return answer.bars !== undefined;
}

import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';
import { near, type AnswerName } from '../../desk/bearing';
import type { Context } from '../../desk/craft';
import { sendJson } from '../../support/http';
import type { AnswerDocuments } from '@generated/crafts';

/** Milliseconds for which the cursor rests before it is asked about. */
const RESTS = 140;

/** What an answer says of the place of the cursor, asked again when the cursor or the plan moves; null while nothing is known. */
export function useHere<Name extends AnswerName>({ desk, score, copy }: Context, name: Name): ShallowRef<AnswerDocuments[Name] | null> {
    const known: ShallowRef<AnswerDocuments[Name] | null> = shallowRef(null);
    let wait: ReturnType<typeof setTimeout> | undefined;
    let asked = 0;

    async function ask(): Promise<void> {
        const [moment, plan, number] = [score.moments[desk.cursor.value], desk.plan.value, ++asked];
        if (!moment) return;
        const bars = { first: moment.measure, last: moment.measure };
        try {
            const answer = await sendJson<AnswerDocuments[Name]>('POST', `/copies/${copy.id}/answers/${name}`, {
                plan: near(plan, bars, name, desk.piece.barOf),
                bars,
                asked: { at: moment.at },
            });
            if (number === asked) known.value = answer;
        } catch {
            // What is missing here is told by the answer of the craft.
            if (number === asked) known.value = null;
        }
    }

    watch(
        [desk.cursor, desk.plan],
        () => {
            clearTimeout(wait);
            wait = setTimeout(() => void ask(), RESTS);
        },
        { immediate: true },
    );
    onScopeDispose(() => {
        clearTimeout(wait);
        asked += 1;
    });
    return known;
}

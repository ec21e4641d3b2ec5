import { computed, type ComputedRef, type InjectionKey } from 'vue';
import type { IntendedMark } from '@generated/plan';
import type { ReadAnswer } from '@generated/read';
import { freshId } from './marks';
import { twins } from './twins';
import type { Desk } from './useDesk';

/** What the teacher has heard from the craft in front and means so, in the bar at the cursor. */
export interface Intended {
    here: readonly IntendedMark[];
    /** Says of a kind of finding that it is meant so, here and in like bars. */
    intend: (kind: string) => void;
    sayAgain: (mark: IntendedMark) => void;
}

export const INTENDED: InjectionKey<ComputedRef<Intended>> = Symbol('intended');

export function useIntended(
    desk: Desk,
    measures: readonly { id: string }[],
    reading: ComputedRef<ReadAnswer | null>,
    craft: ComputedRef<string>,
): ComputedRef<Intended> {
    const marks = computed(() => desk.marks('words/intended'));
    return computed(() => {
        const bar = desk.measure.value;
        const id = measures[bar]!.id;
        return {
            here: marks.value.filter((mark) => mark.of === craft.value && mark.measures.includes(id)),
            intend(kind) {
                const like = twins(reading.value?.likenesses ?? [], bar).filter(({ likeness }) => likeness.kind === 'exact' || likeness.kind === 'near');
                const bars = [...new Set([id, ...like.map(({ measure }) => measures[measure]!.id)])] as [string, ...string[]];
                const mark: IntendedMark = {
                    id: freshId('intended', marks.value),
                    craft: 'words',
                    kind: 'intended',
                    of: craft.value,
                    finding: kind,
                    measures: bars,
                };
                desk.setMarks(['words/intended'], [...marks.value, mark]);
            },
            sayAgain: (mark) =>
                desk.setMarks(
                    ['words/intended'],
                    marks.value.filter((other) => other !== mark),
                ),
        };
    });
}

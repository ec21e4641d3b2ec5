import { computed, type ComputedRef, type InjectionKey } from 'vue';
import type { ReadAnswer } from '@generated/read';
import { isIn, isPlayed, namedBars, type Bars } from './bearing';
import { twins } from './twins';
import type { Desk } from './useDesk';

/** Bars that are like those that are selected. */
export interface LikeBars {
    /** The first of them, how they are like these, and how many marks there are to be copied there and from there. */
    twins: { measure: number; number: string; words: string; differences: string[]; here: number; there: number }[];
    copyTo: (measure: number) => void;
    copyFrom: (measure: number) => void;
}

export const LIKE_BARS: InjectionKey<ComputedRef<LikeBars>> = Symbol('like bars');

/** Tells which bars are like the selected ones, and copies marks between them. */
export function useLikeBars(desk: Desk, measures: readonly { number: string }[], reading: ComputedRef<ReadAnswer | null>): ComputedRef<LikeBars> {
    /** How many marks begin in some bars, or have notes there. */
    const marksIn = (bars: Bars): number => {
        const isHere = (bar: number | undefined): boolean => bar !== undefined && isIn(bars)({ measure: bar });
        const { barOf } = desk.piece;
        return desk.plan.value.marks.filter(
            (mark) => isPlayed(mark) && ('notes' in mark ? mark.notes.some((note) => isHere(barOf(note))) : isHere(namedBars(mark, barOf)?.first)),
        ).length;
    };
    return computed(() => {
        const { bars } = desk.selection.value;
        const length = bars.last - bars.first + 1;
        const onto = (measure: number): Bars => ({ first: measure, last: measure + length - 1 });
        const found = twins(reading.value?.likenesses ?? [], bars.first).filter(({ measure, likeness: { from, like, length: all, hand } }) => {
            const begin = measure < bars.first ? from : like;
            return hand === null && bars.last < begin + all && Math.abs(measure - bars.first) >= length;
        });
        return {
            twins: found.map(({ measure, likeness }) => {
                const later = Math.max(measure, bars.first);
                const inBars = isIn({ first: later, last: later + length - 1 });
                return {
                    measure,
                    number: measures[measure]?.number ?? '',
                    words: likeness.words,
                    differences: likeness.differences.filter(inBars).map(({ text }) => text),
                    here: marksIn(bars),
                    there: marksIn(onto(measure)),
                };
            }),
            copyTo: (measure) => void desk.copyMarks(bars, measure),
            copyFrom: (measure) => void desk.copyMarks(onto(measure), bars.first),
        };
    });
}

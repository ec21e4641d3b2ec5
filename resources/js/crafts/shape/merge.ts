import { isIn, renewed, type BarOf, type Bars } from '../../desk/bearing';
import type { ShapeAnswer } from '@generated/shape';

/** What is known with what is new in some bars; a phrase stands in the bar of its goal. The curve of the piece waits for the whole. */
export function merge(known: ShapeAnswer, { bars, ...part }: ShapeAnswer & { bars: Bars }, barOf: BarOf): ShapeAnswer {
    const isHere = isIn(bars);
    const fresh = new Map(part.phrases.map((phrase) => [phrase.index, phrase] as const));
    const isGoalHere = (note: string): boolean => isHere({ measure: barOf(note) ?? -1 });
    return {
        phrases: known.phrases.map((phrase) => {
            const other = fresh.get(phrase.index);
            // One that is cut off by the end of what was looked at stays as it was.
            return other && (isGoalHere(phrase.goal) || isGoalHere(other.goal)) ? other : phrase;
        }),
        levels: renewed(known.levels, part.levels, isHere),
        profile: known.profile,
        findings: renewed(known.findings, part.findings, isHere),
    };
}

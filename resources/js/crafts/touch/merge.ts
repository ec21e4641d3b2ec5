import { isIn, renewed, type BarOf, type Bars } from '../../desk/bearing';
import type { TouchAnswer } from '@generated/touch';

/** What is known with what is new in some bars. */
export function merge(known: TouchAnswer, { bars, ...part }: TouchAnswer & { bars: Bars }, barOf: BarOf): TouchAnswer {
    const isHere = isIn(bars);
    const isBarHere = (note: string): boolean => isHere({ measure: barOf(note) ?? -1 });
    return {
        lengths: renewed(known.lengths, part.lengths, ({ note }) => isBarHere(note)),
        slurs: renewed(known.slurs, part.slurs, ({ from }) => isBarHere(from)),
        style: part.style,
        ornaments: part.ornaments,
        // What some bars suggest says nothing of the piece.
        proposed: known.proposed,
        findings: renewed(known.findings, part.findings, isHere),
    };
}

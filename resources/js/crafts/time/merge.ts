import { isIn, renewed, type Bars } from '../../desk/bearing';
import { fractionValue } from '../../support/fraction';
import type { TimeAnswer } from '@generated/time';

/** What is known with what is new in some bars; the clock of the piece waits for the whole. */
export function merge(known: TimeAnswer, { bars, ...part }: TimeAnswer & { bars: Bars }): TimeAnswer {
    const isHere = isIn(bars);
    return {
        ...part,
        proposal: { ...part.proposal, places: known.proposal.places },
        beats: renewed(known.beats, part.beats, isHere).sort((a, b) => fractionValue(a.at) - fractionValue(b.at)),
        holds: renewed(known.holds, part.holds, isHere),
        limits: renewed(known.limits, part.limits, isHere),
        clock: known.clock,
        duration: known.duration,
        findings: renewed(known.findings, part.findings, isHere),
    };
}

import { isIn, renewed, type Bars } from '../../desk/bearing';
import type { HandAnswer } from '@generated/hand';
import type { PlanDocument } from '@generated/plan';

/** Whether the fingers of a figure go with it wherever it comes again. */
export function comparesFigures({ settings }: PlanDocument): boolean {
    return settings.hand?.school === 'figure' || settings.hand?.school === 'print';
}

/** What is known with what is new in some bars; findings that compare or count over the piece wait for its whole. */
export function merge(known: HandAnswer, { bars, kinds = [], ...part }: HandAnswer & { bars: Bars }): HandAnswer {
    const isHere = isIn(bars);
    const notes = new Set(part.fingers.map(({ note }) => note));
    return {
        fingers: renewed(known.fingers, part.fingers, ({ note }) => notes.has(note)),
        joints: renewed(known.joints, part.joints, isHere),
        holds: renewed(known.holds, part.holds, isHere),
        findings: renewed(known.findings, part.findings, (finding) => isHere(finding) && kinds.includes(finding.kind)),
    };
}

import { fractionValue } from '../../support/fraction';
import type { Examination } from '../../types/generated/examination';
import type { PedalMark, PlanDocument } from '../../types/generated/plan';
import { placed, type Timeline } from './edits';

/** From one place to another, in quarters from the beginning. */
export interface Stretch {
    from: string;
    to: string;
}

type Mark = PlanDocument['marks'][number];

export function pedalsOf(plan: PlanDocument): PedalMark[] {
    return plan.marks.filter((mark): mark is PedalMark => mark.craft === 'pedal');
}

/** Whether what the foot meets rests on a mark: it does not on the foot's own, nor on words and gestures. */
function restsOn(mark: Mark): boolean {
    return mark.craft !== 'pedal' && mark.craft !== 'words' && mark.kind !== 'gesture';
}

/** Whether the foot meets the same piece in two plans. */
export function meetsTheSame(before: PlanDocument, after: PlanDocument): boolean {
    const [old, now] = [before.marks.filter(restsOn), after.marks.filter(restsOn)];
    return (
        before.tempo === after.tempo &&
        before.fingering === after.fingering &&
        before.touch === after.touch &&
        before.lengths === after.lengths &&
        old.length === now.length &&
        old.every((mark, index) => mark === now[index])
    );
}

/** The stretch in which two sets of marks differ, a moment wider at each side; null where they are the same. */
export function changedStretch(before: readonly PedalMark[], after: readonly PedalMark[], line: Timeline): Stretch | null {
    const old = new Set(before);
    const now = new Set(after);
    const different = placed([...before.filter((mark) => !now.has(mark)), ...after.filter((mark) => !old.has(mark))], line);
    if (different.length === 0) return null;
    const from = Math.min(...different.map((mark) => mark.from));
    const to = Math.max(...different.map((mark) => mark.to));
    const last = line.moments.length - 1;
    const first = Math.max(
        0,
        line.times.findLastIndex((time) => time < from - 1e-9),
    );
    const end = line.times.findIndex((time) => time > to + 1e-9);
    return { from: line.moments[first]!.at, to: line.moments[end < 0 ? last : end]!.at };
}

/** The plan with those of its pedals that touch a stretch, and the one before them, from which the foot comes. */
export function near(plan: PlanDocument, stretch: Stretch, line: Timeline): PlanDocument {
    const pedals = placed(pedalsOf(plan), line);
    const touching = pedals.filter(({ from, to }) => to >= fractionValue(stretch.from) && from <= fractionValue(stretch.to));
    const before = pedals.findLast(({ from }) => from < Math.min(fractionValue(stretch.from), touching[0]?.from ?? Infinity));
    const kept = new Set<Mark>([...touching, ...(before ? [before] : [])].map(({ mark }) => mark));
    return { ...plan, marks: plan.marks.filter((mark) => kept.has(mark) || restsOn(mark)) };
}

/** Both stretches and what lies between; null stands for the whole. */
export function joined(a: Stretch | null, b: Stretch | null): Stretch | null {
    if (!a || !b) return null;
    return {
        from: fractionValue(a.from) < fractionValue(b.from) ? a.from : b.from,
        to: fractionValue(a.to) > fractionValue(b.to) ? a.to : b.to,
    };
}

/** Puts what was measured of a stretch in place of what was known of it. */
export function merged(known: Examination, answer: Examination & Stretch): Examination {
    const from = fractionValue(answer.from);
    const to = fractionValue(answer.to);
    const outside = (at: string): boolean => fractionValue(at) < from || fractionValue(at) > to;
    const order = (a: string, b: string): number => fractionValue(a) - fractionValue(b);
    const last = (spans: Examination['spans']): Set<string> => new Set(spans.map((span) => span.down));
    const downs = last(answer.spans);
    return {
        spans: [
            ...known.spans.filter((span) => !downs.has(span.down) && (fractionValue(span.up) < from || fractionValue(span.down) > to)),
            ...answer.spans,
        ].sort((a, b) => order(a.down, b.down)),
        blur: [...known.blur.filter((point) => outside(point.onset)), ...answer.blur].sort((a, b) => order(a.onset, b.onset)),
        findings: [...known.findings.filter((finding) => outside(finding.at)), ...answer.findings].sort((a, b) => order(a.at, b.at)),
    };
}

import type { Bars } from '../../desk/bearing';
import { fractionValue } from '../../support/fraction';
import type { PedalAnswer } from '@generated/pedal';

/** Puts what was measured of a stretch in place of what was known of it. */
export function merge({ from: start, to: end, ...known }: PedalAnswer, answer: PedalAnswer & { bars: Bars }): PedalAnswer {
    const [from, to] = [fractionValue(answer.from), fractionValue(answer.to)];
    const outside = (at: string): boolean => fractionValue(at) < from || fractionValue(at) > to;
    const order = (a: string, b: string): number => fractionValue(a) - fractionValue(b);
    const marks = new Set(answer.spans.map((span) => span.mark));
    return {
        from: start,
        to: end,
        spans: [
            ...known.spans.filter((span) => !marks.has(span.mark) && (fractionValue(span.up) < from || fractionValue(span.down) > to)),
            ...answer.spans,
        ].sort((a, b) => order(a.down, b.down)),
        blur: [...known.blur.filter((point) => outside(point.onset)), ...answer.blur].sort((a, b) => order(a.onset, b.onset)),
        findings: [...known.findings.filter((finding) => outside(finding.at)), ...answer.findings].sort((a, b) => order(a.at, b.at)),
    };
}

import { isIn, renewed, type Bars } from '../../desk/bearing';
import type { BalanceAnswer } from '@generated/balance';

/** What is known with what is new in some bars. */
export function merge(known: BalanceAnswer, { bars, ...part }: BalanceAnswer & { bars: Bars }): BalanceAnswer {
    const isHere = isIn(bars);
    return {
        audible: renewed(known.audible, part.audible, isHere),
        levels: part.levels,
        findings: renewed(known.findings, part.findings, isHere),
    };
}

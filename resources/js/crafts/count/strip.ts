import type { StripColumn } from '../../desk/strip';
import type { CountAnswer } from '@generated/count';

/** So many places to take care of fill a column. */
const FULL = 5;

/** How many places of each bar are easily miscounted; a cross-rhythm has a sign. */
export function countStrip(bars: number, counting: CountAnswer): StripColumn[] {
    const counts = Array.from({ length: bars }, () => 0);
    for (const { measure } of counting.hazards) counts[measure] = (counts[measure] ?? 0) + 1;
    const crossed = new Set(counting.cross_rhythms.map(({ measure }) => measure));
    return counts.map((count, index) => ({
        height: Math.min(1, count / FULL),
        look: count === 0 ? 'clear' : count < 3 ? 'veiled' : 'cloudy',
        sign: crossed.has(index) ? 'warning' : null,
        says: count === 0 ? 'nothing to take care of' : `${count} to take care of${crossed.has(index) ? ', with a cross-rhythm' : ''}`,
    }));
}

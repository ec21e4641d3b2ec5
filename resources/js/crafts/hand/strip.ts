import type { StripColumn } from '../../desk/strip';
import type { HandDocument } from '../../types/generated/hand';

/** So many findings fill a column. */
const FULL = 5;

/** How much each bar asks for that fingers alone cannot do; what is beyond reach has a sign. */
export function handStrip(bars: number, hands: HandDocument): StripColumn[] {
    const counts = Array.from({ length: bars }, () => 0);
    const signs = Array.from({ length: bars }, (): StripColumn['sign'] => null);
    for (const { measure, severity } of hands.findings) {
        counts[measure] = (counts[measure] ?? 0) + 1;
        if (severity === 'serious' || (severity === 'warning' && signs[measure] !== 'serious')) signs[measure] = severity;
    }
    return counts.map((count, index) => ({
        height: Math.min(1, count / FULL),
        look: count === 0 ? 'clear' : count < 3 ? 'veiled' : 'cloudy',
        sign: signs[index] ?? null,
        says: count === 0 ? 'nothing to mend' : `${count} to look at`,
    }));
}

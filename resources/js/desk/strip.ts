/** A part of the form above the strip. */
export interface StripSection {
    letter: string;
    /** Indexes of bars; `to` is past the last. */
    from: number;
    to: number;
}

/** A bar of the form strip, as the craft in front sees it. */
export interface StripColumn {
    /** 0 to 1. */
    height: number;
    look: 'clear' | 'veiled' | 'cloudy' | 'muddy';
    /** A sign above the column. */
    sign: 'warning' | 'serious' | null;
    /** What assistive technology says after the bar's number. */
    says: string;
}

/** So many findings fill a column. */
const FULL = 5;

/** How much there is to look at in each bar, and how grave the gravest of it is. */
export function findingsStrip(bars: number, findings: readonly { measure: number; severity: 'hint' | 'warning' | 'serious' }[]): StripColumn[] {
    const counts = Array.from({ length: bars }, () => 0);
    const signs = Array.from({ length: bars }, (): StripColumn['sign'] => null);
    for (const { measure, severity } of findings) {
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

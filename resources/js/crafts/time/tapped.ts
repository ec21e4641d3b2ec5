/** What was tapped of a passage. */
export interface Tapped {
    /** How long each beat is, times its strict length, smoothed. */
    beats: number[];
    /** ms that the beats take more than the strict ones; below 0 for less. */
    owed: number;
    /** Times the tempo of the passage at which it was tapped. */
    speed: number;
}

/** Share of a beat's neighbours in what is kept of it: a finger is less even than what it means. */
const NEIGHBOUR = 0.25;

/**
 * Beats out of taps: one on each beat and one on the beat after the last.
 *
 * @param taps ms
 * @param strict ms of each beat by the tempo alone
 */
export function beatsOf(taps: readonly number[], strict: readonly number[]): Tapped | null {
    if (taps.length !== strict.length + 1 || strict.length < 2) return null;
    const shares = strict.map((ms, index) => (taps[index + 1]! - taps[index]!) / ms);
    const smooth = shares.map((share, index) => {
        const [before, after] = [shares[index - 1] ?? share, shares[index + 1] ?? share];
        return Math.exp((1 - 2 * NEIGHBOUR) * Math.log(share) + NEIGHBOUR * (Math.log(before) + Math.log(after)));
    });
    const all = strict.reduce((sum, ms) => sum + ms, 0);
    const played = smooth.reduce((sum, share, index) => sum + share * strict[index]!, 0);
    return { beats: smooth, owed: played - all, speed: all / played };
}

/** The same shape at the tempo of the passage: what is owed is left out of every beat alike. */
export const atTempo = ({ beats, speed }: Tapped): number[] => beats.map((share) => share * speed);

/** Beats a minute by ear: the middle of what lies between taps; null for fewer than three. */
export function tempoOf(taps: readonly number[]): number | null {
    const gaps = taps.slice(1).map((tap, index) => tap - taps[index]!);
    if (gaps.length < 2) return null;
    const sorted = [...gaps].sort((a, b) => a - b);
    const middle = sorted.length >> 1;
    const median = sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
    return 60000 / median;
}

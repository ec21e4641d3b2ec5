import type { StripColumn, StripSection } from '../../desk/strip';
import type { ReadAnswer } from '@generated/read';
import { fractionValue } from '../../support/fraction';
import { twins } from '../../desk/twins';

/** How full each bar is; a bar like the current one has a sign. */
export function readStrip(bars: number, reading: ReadAnswer, current: number): StripColumn[] {
    const counts = Array.from({ length: bars }, () => 0);
    for (const { measure } of reading.notes) counts[measure] = (counts[measure] ?? 0) + 1;
    const most = Math.max(1, ...counts);
    const alike = new Set(twins(reading.likenesses, current).map((twin) => twin.measure));
    return counts.map((count, index) => ({
        height: count / most,
        look: alike.has(index) ? 'veiled' : 'clear',
        sign: alike.has(index) ? 'warning' : null,
        says: `${reading.textures[index] ?? ''}${alike.has(index) ? ', like the current bar' : ''}`,
    }));
}

/**
 * The sections by bar; an up-beat belongs to the bar after it.
 *
 * @param starts quarters at the beginning of each bar
 */
export function stripSections(starts: readonly number[], reading: ReadAnswer): StripSection[] {
    const firsts = reading.sections.map(({ from }) => {
        const found = starts.findIndex((start) => start >= fractionValue(from) - 1e-9);
        return found < 0 ? starts.length - 1 : found;
    });
    return reading.sections.map(({ letter }, index) => ({ letter, from: firsts[index]!, to: firsts[index + 1] ?? starts.length }));
}

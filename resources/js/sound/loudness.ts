import type { Damping } from './damping';

/** One stretch of the level of a string: from a second on it is so high, and falls with a time constant; null: as the string itself has it. */
export interface LevelStep {
    at: number;
    value: number;
    seconds: number | null;
}

/**
 * How the level of a tone goes on from a second at which it begins to be heard, by when its dampers fall and rise. What is over by then
 * has taken its part of the level and is skipped; decay runs from the tone's own time, however late the tone is heard. The level never
 * rises.
 *
 * @param damping in order
 * @param at from ms to seconds
 * @param begin second at which it begins to be heard
 * @param full level of its stroke
 */
export function levelSteps(damping: readonly Damping[], at: (ms: number) => number, begin: number, full: number): LevelStep[] {
    const steps: LevelStep[] = [{ at: begin, value: full, seconds: null }];
    let value = full;
    let from = begin;
    damping.forEach(({ ms, seconds }, index) => {
        const starts = Math.max(index === 0 ? -Infinity : from, at(ms));
        const next = damping[index + 1];
        const ends = next ? Math.max(starts, at(next.ms)) : Infinity;
        from = ends;
        // Before the tone is heard nothing is scheduled; what it has lost is lost.
        const heard = Math.max(starts, begin);
        if (ends <= begin) {
            if (seconds !== null) value *= Math.exp(-(ends - starts) / seconds);
            return;
        }
        if (seconds !== null) value *= Math.exp(-(heard - starts) / seconds);
        steps.push({ at: heard, value, seconds });
        if (seconds !== null && next) value *= Math.exp(-(ends - heard) / seconds);
    });
    return steps;
}

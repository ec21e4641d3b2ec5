import { fractionValue } from '../../support/fraction';
import type { BarCount } from '@generated/count';

/** A bar as it is tapped along with. */
export interface TapBar {
    index: number;
    number: string;
    /** Quarters from the beginning of the score. */
    start: number;
    length: number;
    beat: number;
    /** Quarters that a pickup lacks before its first note. */
    origin: number;
}

/** A place at which a tap is expected. */
export interface Target {
    /** ms from the first click of the count-in. */
    ms: number;
    label: string;
    bar: string;
}

export interface Click {
    ms: number;
    accent: boolean;
    /** The beat as counted aloud. */
    label: string;
    countIn: boolean;
}

export interface Schedule {
    clicks: Click[];
    targets: Target[];
    /** ms until the last bar has ended. */
    end: number;
}

/** A target with the tap that was meant for it. */
export interface Tapped {
    target: Target;
    /** ms after the target, negative for early; null if nothing was tapped. */
    late: number | null;
}

export interface TapResult {
    taps: Tapped[];
    /** Taps that were meant for nothing. */
    extra: number;
    /** ms after the targets on the whole; null if nothing was tapped. */
    mean: number | null;
    /** Standard deviation of the taps in ms. */
    spread: number | null;
}

/** What is tapped: the beats, every syllable of the count, or what the notes strike. */
export type TapWhat = 'beats' | 'count' | 'notes' | 'right' | 'left';

/**
 * Clicks and expected taps: a bar counted in, then the bars in their order of playing.
 *
 * @param qpm quarters a minute at a place in quarters
 * @param places quarters at which a tap is expected, for a bar of the score
 * @param played where a written place is played, in quarters
 */
export function schedule(
    bars: readonly TapBar[],
    qpm: (quarters: number) => number,
    places: (bar: TapBar) => { at: number; label: string }[],
    played: (quarters: number) => number = (quarters) => quarters,
): Schedule {
    const first = bars[0];
    if (!first) return { clicks: [], targets: [], end: 0 };
    const clicks: Click[] = [];
    const targets: Target[] = [];
    const tempo = qpm(first.start);
    const beatMs = (60_000 * first.beat) / tempo;
    // A whole bar is counted in; before a pickup also the beats it lacks.
    const beats = Math.round((first.length + first.origin) / first.beat) + Math.round(first.origin / first.beat);
    for (let beat = 0; beat < beats; beat++) {
        const number = (beat % Math.max(1, Math.round((first.length + first.origin) / first.beat))) + 1;
        clicks.push({ ms: beat * beatMs, accent: number === 1, label: String(number), countIn: true });
    }
    let ms = beats * beatMs;
    for (const bar of bars) {
        const perQuarter = 60_000 / qpm(bar.start);
        const offset = bar.origin / bar.beat;
        for (let beat = 0; beat * bar.beat < bar.length - 1e-6; beat++) {
            const number = Math.round(beat + offset) + 1;
            clicks.push({
                ms: ms + (played(bar.start + beat * bar.beat) - bar.start) * perQuarter,
                accent: number === 1,
                label: String(number),
                countIn: false,
            });
        }
        for (const { at, label } of places(bar)) targets.push({ ms: ms + (played(at) - bar.start) * perQuarter, label, bar: bar.number });
        ms += bar.length * perQuarter;
    }
    return { clicks, targets, end: ms };
}

/** In a beat that swings its second half comes after two thirds of it; the beats are the core's. */
const LATE = 2 / 3;

/**
 * Where written places are played when some beats swing.
 *
 * @param beats quarters at which they begin
 */
export function swinging(beats: readonly number[]): (quarters: number) => number {
    return (quarters) => {
        const beat = beats.findLast((start) => start <= quarters + 1e-9);
        const part = beat === undefined ? 0 : quarters - beat;
        if (beat === undefined || part <= 0 || part >= 1) return quarters;
        return beat + (part < 0.5 ? 2 * LATE * part : LATE + 2 * (1 - LATE) * (part - 0.5));
    };
}

/** The places of a bar to tap at. */
export function placesOf(
    what: TapWhat,
    counts: readonly BarCount[],
    struck: (bar: number, hand: 'left' | 'right' | null) => number[],
): (bar: TapBar) => { at: number; label: string }[] {
    return (bar) => {
        const syllables = counts[bar.index]?.syllables ?? [];
        const label = (at: number): string => syllables.find((syllable) => Math.abs(fractionValue(syllable.at) - at) < 1e-6)?.text ?? '·';
        if (what === 'beats') {
            const beats: { at: number; label: string }[] = [];
            for (let at = bar.start; at < bar.start + bar.length - 1e-6; at += bar.beat) beats.push({ at, label: label(at) });
            return beats;
        }
        if (what === 'count') return syllables.map((syllable) => ({ at: fractionValue(syllable.at), label: syllable.text }));
        return struck(bar.index, what === 'notes' ? null : what).map((at) => ({ at, label: label(at) }));
    };
}

/** The part of the distance to its neighbours within which a tap still belongs to a target, and the most ms. */
const WINDOW = 0.5;
const MOST = 400;

/** Pairs taps with what they were meant for, each with the nearest free one in order. */
export function match(targets: readonly Target[], taps: readonly number[]): TapResult {
    const left = [...taps].sort((a, b) => a - b);
    const tapped = targets.map((target, index): Tapped => {
        const before = target.ms - (targets[index - 1]?.ms ?? -Infinity);
        const after = (targets[index + 1]?.ms ?? Infinity) - target.ms;
        const near = left
            .map((ms, place) => ({ place, late: ms - target.ms }))
            .filter(({ late }) => late >= -Math.min(MOST, before * WINDOW) && late < Math.min(MOST, after * WINDOW))
            .sort((a, b) => Math.abs(a.late) - Math.abs(b.late))[0];
        if (near) left.splice(near.place, 1);
        return { target, late: near ? near.late : null };
    });
    const lates = tapped.flatMap(({ late }) => (late === null ? [] : [late]));
    const mean = lates.length > 0 ? lates.reduce((sum, late) => sum + late, 0) / lates.length : null;
    const spread = mean === null ? null : Math.sqrt(lates.reduce((sum, late) => sum + (late - mean) ** 2, 0) / lates.length);
    return { taps: tapped, extra: left.length, mean, spread };
}

/**
 * Unevenness in ms that is noticed: about 2.5 % of the interval between 0.24 and 1 s (Friberg & Sundberg, JASA 98, 1995;
 * from memory), 20 ms at 75 beats a minute.
 */
export const NOTICED = 20;

export function inWords({ taps, extra, mean, spread }: TapResult): string {
    if (mean === null || spread === null) return 'Nothing was tapped.';
    const missed = taps.filter(({ late }) => late === null).length;
    const whole = Math.abs(mean) < NOTICED ? 'On the whole in time' : `On the whole ${Math.round(Math.abs(mean))} ms ${mean < 0 ? 'early' : 'late'}`;
    const parts = [whole, `even within ${Math.round(spread)} ms`];
    if (missed > 0) parts.push(`${missed} missed`);
    if (extra > 0) parts.push(`${extra} too many`);
    return `${parts.join(', ')}.`;
}

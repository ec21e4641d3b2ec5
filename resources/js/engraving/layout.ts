import { fractionValue } from '../support/fraction';
import type { System } from './geometry';

/** A moment's place on a system. */
export interface Spot {
    moment: number;
    /** Quarters from the beginning. */
    time: number;
    /** px from the left edge of the system. */
    x: number;
}

/** One system with the places of all moments on it. */
export interface Laid {
    system: System;
    spots: Spot[];
    /** Where the staves begin and end, px. */
    left: number;
    right: number;
    /** Quarters at the beginning and end. */
    from: number;
    to: number;
}

export interface Bar {
    from: number;
    to: number;
    moments: TimedMoment[];
}

export interface TimedMoment {
    moment: number;
    time: number;
    notes: string[];
}

/** The bars of a score with their moments, by id. */
export function barsOf(
    score: { measures: readonly { id: string; start: string; length: string }[]; moments: readonly { measure: number; notes: string[] }[] },
    times: readonly number[],
): ReadonlyMap<string, Bar> {
    const moments: TimedMoment[][] = score.measures.map(() => []);
    score.moments.forEach(({ measure, notes }, moment) => moments[measure]?.push({ moment, time: times[moment] ?? 0, notes }));
    return new Map(
        score.measures.map(({ id, start, length }, index) => {
            const from = fractionValue(start);
            return [id, { from, to: from + fractionValue(length), moments: moments[index]! }];
        }),
    );
}

/** Half the width of a note head at the usual size. */
const HALF_HEAD = 4.5;

/**
 * Finds where every moment of a system stands: at its notes, else between its neighbours in time.
 */
export function layMoments(system: System, bars: ReadonlyMap<string, Bar>): Laid {
    const spots: Spot[] = [];
    let from = Infinity;
    let to = 0;
    for (const measure of system.measures) {
        const bar = bars.get(measure.id);
        if (!bar) continue;
        from = Math.min(from, bar.from);
        to = Math.max(to, bar.to);
        const known: { time: number; x: number }[] = [];
        const inside: { moment: number; time: number; x: number | null }[] = [];
        for (const { moment, time, notes } of bar.moments) {
            const heads = notes.map((id) => system.notes[id]?.x).filter((x) => x !== undefined);
            const x = heads.length > 0 ? Math.min(...heads) + HALF_HEAD : null;
            inside.push({ moment, time, x });
            if (x !== null) known.push({ time, x });
        }
        const frame = [{ time: bar.from, x: measure.left }, ...known, { time: bar.to, x: measure.right }];
        for (const { moment, time, x } of inside) spots.push({ moment, time, x: x ?? between(frame, time) });
    }
    return { system, spots, left: system.measures[0]?.left ?? 0, right: system.measures.at(-1)?.right ?? system.width, from, to };
}

/** The place of a time on a system; clipped to the system's edges. */
export function xAt(laid: Laid, time: number): number {
    if (time <= laid.from) return laid.spots[0]?.x ?? laid.left;
    if (time >= laid.to) return laid.right;
    return between([...laid.spots, { time: laid.to, x: laid.right }], time);
}

export function nearestSpot(laid: Laid, x: number): Spot | null {
    let best: Spot | null = null;
    for (const spot of laid.spots) if (!best || Math.abs(spot.x - x) < Math.abs(best.x - x)) best = spot;
    return best;
}

/** px around the middle of a note head that belong to it. */
const NEAR_HEAD = 7;

/** The note whose head is at a place of a system, px; null beside all of them. */
export function headAt(laid: Laid, x: number, y: number): string | null {
    let [best, least] = [null as string | null, NEAR_HEAD];
    for (const [id, head] of Object.entries(laid.system.notes)) {
        const distance = Math.hypot(head.x + HALF_HEAD - x, head.y - y);
        if (distance < least) [best, least] = [id, distance];
    }
    return best;
}

function between(frame: readonly { time: number; x: number }[], time: number): number {
    const after = frame.findIndex((point) => point.time > time);
    const end = after < 0 ? frame.at(-1) : frame[after];
    const start = after < 0 ? end : frame[Math.max(0, after - 1)];
    if (!start || !end) return 0;
    return end.time === start.time ? start.x : start.x + ((end.x - start.x) * (time - start.time)) / (end.time - start.time);
}

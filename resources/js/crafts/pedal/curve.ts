import { shareOf } from './depth';
import type { PlacedMark } from './edits';

/** Heights in the foot line: the pedal up, and all the way down. */
export const UP = 12;
export const DOWN = 30;

/** How far a notch leans. */
const LEAN = 5;

/** Of a notch between two pedals so much is left open. */
const NOTCH = 6;

/** Px of one wave of a flutter. */
const WAVE = 7;

export const heightOf = (share: number): number => UP + share * (DOWN - UP);

/** How a pedal meets its neighbours on one line of music, in px. */
export interface Ends {
    left: number;
    right: number;
    /** Whether it begins and ends on this line. */
    begins: boolean;
    ends: boolean;
    /** How deep the pedal before is that ends here; null where none does. */
    before: number | null;
    /** Whether another begins as it ends. */
    changed: boolean;
}

/** The way of the foot under one pedal, as a path. */
export function pathOf({ mark, lowered, lifting }: Pick<PlacedMark, 'mark' | 'lowered' | 'lifting'>, ends: Ends, x: (quarters: number) => number): string {
    const { left, right, begins, before } = ends;
    const bottom = heightOf(shareOf(mark.depth));
    const manner = mark.kind === 'span' ? (mark.manner ?? 'after') : 'after';
    const points: [number, number][] = [];
    if (!begins) points.push([left, bottom]);
    else if (before !== null && manner === 'on') points.push([left, heightOf(before)], [left, bottom]);
    else {
        const top = before === null ? UP : UP + NOTCH;
        const lean = manner === 'before' ? -LEAN : before !== null && manner === 'after' ? LEAN : 0;
        points.push([left + Math.min(lean, 0), top], [left + Math.max(lean, 0), lowered === null ? bottom : top]);
    }
    if (lowered !== null && x(lowered) > left) points.push([Math.min(x(lowered), right), bottom]);
    const until = lifting === null ? right : Math.max(left, Math.min(x(lifting), right));
    if (mark.kind === 'span' && mark.flutter) points.push(...wave(points.at(-1)![0], until, bottom));
    points.push([until, bottom]);
    if (ends.ends && lifting !== null) points.push([right, UP]);
    else if (ends.ends)
        points.push(
            ...(ends.changed
                ? ([
                      [right - LEAN, bottom],
                      [right, UP + NOTCH],
                  ] as [number, number][])
                : ([
                      [right, bottom],
                      [right, UP],
                  ] as [number, number][])),
        );
    return points.map(([px, py], index) => `${index === 0 ? 'M' : 'L'}${round(px)} ${round(py)}`).join(' ');
}

function wave(from: number, to: number, bottom: number): [number, number][] {
    const points: [number, number][] = [];
    for (let at = from + WAVE; at + WAVE / 2 < to; at += WAVE) points.push([at - WAVE / 2, bottom - NOTCH / 2], [at, bottom]);
    return points;
}

const round = (value: number): number => Math.round(value * 10) / 10;

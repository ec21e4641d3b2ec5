import type { Exercise } from './foot';
import { DAMPERS_OFF } from './messages';

/** A move of the foot: ms from the beginning of a round, and how far down it is, 0 to 1. */
export type FootMove = [number, number];

/** Seconds that are seen before and after now. */
export const BEHIND = 2500;
export const AHEAD = 4500;

/** Where a moment stands, as a share of the width: now stands still, the rest goes by. */
export const placeOf = (at: number, now: number): number => (at - now + BEHIND) / (BEHIND + AHEAD);

/** How far down the foot is at a time. */
export const depthAt = (moves: readonly FootMove[], at: number): number => moves.findLast(([ms]) => ms <= at)?.[1] ?? 0;

/** The way of the foot up to now, as points of share of the width and depth. */
export function trace(moves: readonly FootMove[], now: number): [number, number][] {
    const from = now - BEHIND;
    let depth = depthAt(moves, from);
    const points: [number, number][] = [[0, depth]];
    for (const [ms, next] of moves) {
        if (ms <= from || ms > now) continue;
        points.push([placeOf(ms, now), depth], [placeOf(ms, now), next]);
        depth = next;
    }
    return [...points, [placeOf(now, now), depth]];
}

/** How far up it must come to count as up again, once it was down: as the core has it. */
const UP = 0.22;

/** When the foot went down and came up. */
export function changesOf(moves: readonly FootMove[]): { ms: number; goes: 'down' | 'up' }[] {
    let isDown = false;
    return moves.flatMap(([ms, depth]) => {
        if (isDown ? depth > UP : depth < DAMPERS_OFF) return [];
        isDown = !isDown;
        return [{ ms, goes: isDown ? ('down' as const) : ('up' as const) }];
    });
}

/** What a move is against the target it is nearest to: shown at once, before the round is judged. */
export function against(exercise: Exercise, { ms, goes }: { ms: number; goes: 'down' | 'up' }): { ms: number; met: boolean } | null {
    const near = exercise.targets
        .map((target) => ({ target, off: ms - target.at, window: goes === 'up' ? target.up : target.down }))
        .filter(({ window }) => window !== null)
        .sort((a, b) => Math.abs(a.off) - Math.abs(b.off))[0];
    return near?.window ? { ms: Math.round(near.off), met: near.off >= near.window[0] && near.off <= near.window[1] } : null;
}

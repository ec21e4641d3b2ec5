import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { NoteLevel, Phrase } from '@generated/shape';

/** An arch over a line, px. */
export interface Arch {
    phrase: Phrase;
    path: string;
    /** Where its goal stands; null if that is on another line. */
    goal: { x: number; y: number } | null;
    /** Where it begins; null if that is on another line. */
    foot: number | null;
}

/** px for each dB of a rise, and of an arch that does not rise. */
export const PX_A_DECIBEL = 3;
const LEAST = 5;

/**
 * Arches from the beginning of each phrase up to its goal and down to its end, as far as they lie on a line.
 *
 * @param base px from above, where they begin
 */
export function layArches(laid: Laid, phrases: readonly Phrase[], base: number, room: number): Arch[] {
    return phrases.flatMap((phrase): Arch[] => {
        const [from, to, at] = [fractionValue(phrase.from), fractionValue(phrase.to), fractionValue(phrase.goalAt)];
        if (from >= laid.to - 1e-9 || to <= laid.from + 1e-9) return [];
        const height = (decibels: number): number => Math.min(room, LEAST + PX_A_DECIBEL * decibels);
        const top = base - height(phrase.rise);
        const end = Math.min(base, top + height(phrase.fall));
        const begins = from >= laid.from - 1e-9;
        const isHere = at >= laid.from - 1e-9 && at < laid.to - 1e-9;
        const a = begins ? xAt(laid, from) - 4 : laid.left;
        const b = to > laid.to + 1e-9 ? laid.right : (to >= laid.to - 1e-9 ? laid.right : xAt(laid, to)) - 12;
        const share = (time: number): number => (time < at ? (time - from) / Math.max(1e-6, at - from) : 1 - (time - at) / Math.max(1e-6, to - at));
        const y = (time: number): number => (time < at ? base + (top - base) * share(time) : end + (top - end) * share(time));
        const [first, last] = [begins ? base : y(laid.from), to > laid.to + 1e-9 ? y(laid.to) : end];
        if (!isHere) return [{ phrase, path: `M${a} ${first} L${b} ${last}`, goal: null, foot: begins ? a : null }];
        const x = xAt(laid, at);
        const rise = x - a > 1 ? `M${a} ${first} Q${a + (x - a) * 0.55} ${top} ${x} ${top}` : `M${x} ${top}`;
        const fall = b > x ? ` Q${x + (b - x) * 0.45} ${top} ${b} ${last}` : '';
        return [{ phrase, path: rise + fall, goal: { x, y: top }, foot: begins ? a : null }];
    });
}

/** A point of a curve, px, with the note it stands for. */
export interface Point {
    level: NoteLevel;
    x: number;
    y: number;
}

/** Velocities at the bottom and the top of a lane: dynamics are even steps of them. */
const SOFTEST = 16;
const LOUDEST = 127;

/** Height of a velocity in a lane, px from above. */
export function levelY(velocity: number, height: number): number {
    return 3 + (height - 6) * (1 - (Math.max(SOFTEST, Math.min(LOUDEST, velocity)) - SOFTEST) / (LOUDEST - SOFTEST));
}

/** The loudest note of each moment of some notes, as points on a line. */
export function layLevels(laid: Laid, levels: readonly NoteLevel[], height: number, of: (level: NoteLevel) => number = ({ velocity }) => velocity): Point[] {
    const loudest = new Map<number, NoteLevel>();
    for (const level of levels) {
        const other = loudest.get(level.at);
        if (level.at >= laid.from - 1e-6 && level.at < laid.to - 1e-6 && (!other || of(other) < of(level))) loudest.set(level.at, level);
    }
    return [...loudest.values()].sort((a, b) => a.at - b.at).map((level) => ({ level, x: xAt(laid, level.at), y: levelY(of(level), height) }));
}

/** A line through points that go on until the next one. */
export const steps = (points: readonly Point[], right: number): string =>
    points.map(({ x, y }, index) => `${index === 0 ? `M${x} ${y}` : `V${y}`} H${points[index + 1]?.x ?? right}`).join(' ');

/** A line from point to point. */
export const lineThrough = (points: readonly Point[]): string => points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');

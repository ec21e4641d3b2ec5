import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { KeyLength, Slur } from '@generated/touch';

/** A slur as it is drawn on one line, px of the system. */
export interface Arc {
    slur: Slur;
    path: string;
    /** Where its ends are; null for an end on another line. */
    from: { x: number; y: number } | null;
    to: { x: number; y: number } | null;
}

/** px between a note head and its slur. */
const GAP = 11;

/** px beyond its ends to which a slur goes around notes on its way. */
const FAR = 24;

/**
 * Places slurs on a line: above the notes of the right hand, below those of the left; of two voices in one hand the
 * upper one's above, the lower one's below. One that goes on over the edge of the line is drawn to the edge.
 */
export function layArcs(laid: Laid, slurs: readonly Slur[], lengths: ReadonlyMap<string, KeyLength>): Arc[] {
    const { from: begin, to: end, left, right, system } = laid;
    return slurs.flatMap((slur) => {
        const first = lengths.get(slur.from);
        const last = lengths.get(slur.to);
        if (!first || !last) return graceArc(laid, slur);
        if (first.at >= end - 1e-6 || last.at < begin - 1e-6) return [];
        const up = isAbove(slur, slurs, lengths);
        const inside = [...lengths.values()].filter((one) => one.hand === first.hand && one.at >= first.at - 1e-6 && one.at <= last.at + 1e-6);
        const heights = inside.map(({ note }) => system.notes[note]?.y).filter((y) => y !== undefined);
        if (heights.length === 0) return [];
        const farthest = up ? Math.min(...heights) - GAP : Math.max(...heights) + GAP;
        const at = (note: string): { x: number; y: number } | null => {
            const head = system.notes[note];
            return head ? { x: head.x + 4.5, y: up ? head.y - GAP : head.y + GAP } : null;
        };
        const [a, b] = [at(slur.from), at(slur.to)];
        // A note of another voice far away is not gone around.
        const near = [a, b].flatMap((end) => (end ? [end.y] : []));
        const extreme = near.length === 0 ? farthest : up ? Math.max(farthest, Math.min(...near) - FAR) : Math.min(farthest, Math.max(...near) + FAR);
        const start = a ?? { x: left, y: extreme };
        const stop = b ?? { x: right, y: extreme };
        const rise = Math.min(18, 6 + Math.abs(stop.x - start.x) / 12);
        const peak = up ? Math.min(start.y, stop.y, extreme) - rise : Math.max(start.y, stop.y, extreme) + rise;
        const bend = (stop.x - start.x) / 4;
        return [{ slur, path: `M${start.x} ${start.y} C${start.x + bend} ${peak} ${stop.x - bend} ${peak} ${stop.x} ${stop.y}`, from: a, to: b }];
    });
}

function isAbove(slur: Slur, slurs: readonly Slur[], lengths: ReadonlyMap<string, KeyLength>): boolean {
    const [first, last] = [lengths.get(slur.from)!, lengths.get(slur.to)!];
    const pitches = slurs.flatMap((other) => {
        const [from, to] = [lengths.get(other.from), lengths.get(other.to)];
        const isBeside = from && to && from.hand === first.hand && from.at < last.at - 1e-6 && to.at > first.at + 1e-6;
        return isBeside ? [from.midi + to.midi] : [];
    });
    const own = first.midi + last.midi;
    return first.hand === 'right' ? !pitches.some((pitch) => pitch > own) : pitches.some((pitch) => pitch < own);
}

/** A slur from or to a grace note, which has no length to be drawn by: from head to head, and not to be moved. */
function graceArc({ system }: Laid, slur: Slur): Arc[] {
    const [a, b] = [system.notes[slur.from], system.notes[slur.to]];
    if (!a || !b) return [];
    const y = Math.max(a.y, b.y) + GAP;
    const middle = (a.x + b.x) / 2 + 4.5;
    return [{ slur, path: `M${a.x + 4.5} ${a.y + GAP - 4} Q${middle} ${y + 4} ${b.x + 4.5} ${b.y + GAP - 4}`, from: null, to: null }];
}

/** Where the commas of a line stand: over what comes after their notes, or at the end of the line. */
export function layCommas(laid: Laid, notes: readonly string[], lengths: ReadonlyMap<string, KeyLength>): { note: string; x: number; y: number }[] {
    return notes.flatMap((note) => {
        const length = lengths.get(note);
        const head = laid.system.notes[note];
        if (!length || !head || length.at < laid.from - 1e-6 || length.at >= laid.to - 1e-6) return [];
        const end = fractionValue(length.end);
        return [{ note, x: (end >= laid.to - 1e-6 ? laid.right : xAt(laid, end)) - 10, y: head.y - (length.hand === 'right' ? 22 : 12) }];
    });
}

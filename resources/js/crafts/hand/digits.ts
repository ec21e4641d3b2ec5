import type { Laid } from '../../engraving/layout';
import type { FingeredNote } from '@generated/hand';

/** A finger as it stands over or under its note, px of the system. */
export interface Digit {
    finger: FingeredNote;
    x: number;
    y: number;
}

/** Size of a digit, and how far it stands from the outermost note head of its hand. */
const LINE = 13;
const ABOVE = 9;
const BELOW = 20;
/** Half the width of a note head. */
const HALF_HEAD = 4.5;

/**
 * Places the fingers of a system: the right hand's over its notes, the left hand's under them, those of a chord in a
 * column with the outermost note's nearest to it.
 */
export function layDigits(laid: Laid, fingers: ReadonlyMap<string, FingeredNote>): Digit[] {
    const columns = new Map<string, { finger: FingeredNote; x: number; y: number }[]>();
    for (const [note, { x, y }] of Object.entries(laid.system.notes)) {
        const finger = fingers.get(note);
        if (!finger) continue;
        const key = `${finger.hand} ${Math.round(x / 6)}`;
        columns.set(key, [...(columns.get(key) ?? []), { finger, x, y }]);
    }
    return [...columns.values()].flatMap((column) => {
        const isRight = column[0]?.finger.hand === 'right';
        const ordered = [...column].sort((a, b) => (isRight ? b.finger.midi - a.finger.midi : a.finger.midi - b.finger.midi));
        const outer = isRight ? Math.min(...column.map(({ y }) => y)) : Math.max(...column.map(({ y }) => y));
        // In the column digits stand as the notes do: the highest on top.
        return ordered.map(({ finger, x }, place) => ({
            finger,
            x: x + HALF_HEAD,
            y: isRight ? outer - ABOVE - LINE * (ordered.length - 1 - place) : outer + BELOW + LINE * (ordered.length - 1 - place),
        }));
    });
}

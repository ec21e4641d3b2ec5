import { xAt, type Laid } from '../../engraving/layout';
import type { KeyLength } from '@generated/touch';

/** A held key as it is drawn, px of the system. */
export interface Held {
    length: KeyLength;
    x: number;
    /** Where the key is left, and where its sound is let go. */
    left: number;
    heard: number;
    y: number;
}

/**
 * Places the keys of one hand on a system: along time as the notes stand, in height as the keys lie.
 *
 * @param height px for all of them
 */
export function layLengths(laid: Laid, lengths: readonly KeyLength[], hand: KeyLength['hand'], height: number): Held[] {
    const here = lengths.filter((one) => one.hand === hand && one.at < laid.to - 1e-6 && Math.max(one.left, one.heard) > laid.from + 1e-6);
    if (here.length === 0) return [];
    const low = Math.min(...here.map(({ midi }) => midi));
    const range = Math.max(6, Math.max(...here.map(({ midi }) => midi)) - low);
    /** Where a time within the line is drawn: a little before what begins there, or at the line's edge. */
    const end = (time: number): number => (time >= laid.to - 1e-6 ? laid.right : time <= laid.from + 1e-6 ? laid.left : xAt(laid, time) - 5);
    return here.map((length) => {
        const x = length.at < laid.from - 1e-6 ? laid.left : xAt(laid, length.at) - 4;
        const left = length.at < laid.from - 1e-6 ? end(length.left) : Math.max(x + 2, end(length.left));
        return { length, x, left, heard: Math.max(left, end(length.heard)), y: height - 4 - ((height - 8) * (length.midi - low)) / range };
    });
}

import { xAt, type Laid } from '../../engraving/layout';
import type { AudibleNote } from '@generated/balance';

/** A note of the melody or an inner line as it is heard, px. */
export interface Band {
    note: AudibleNote;
    x: number;
    end: number;
    /** Where it goes under; its end if it does not. */
    lost: number;
}

/** dB over all else from which a note is well heard; from which it sounds as if alone. */
const WELL = 6;
const ALONE = 40;

/** How well a note is heard when it is struck and half way, in words. */
export function heardAs({ name, first, middle }: Pick<AudibleNote, 'name' | 'first' | 'middle'>): string {
    if (first >= ALONE) return `${name} is struck alone.`;
    const stands = first >= WELL ? 'well over' : first >= 0 ? 'just over' : 'under';
    const later =
        middle >= ALONE ? '' : middle >= 0 ? `, and half way it is still ${middle >= WELL ? 'well' : 'just'} over it` : '; half way it has gone under';

    return `${name} is struck ${stands} the rest${later}.`;
}

/** The notes of some layer on a line, from being struck to their ends. */
export function layBands(laid: Laid, audible: readonly AudibleNote[], layer: AudibleNote['layer']): Band[] {
    const end = (time: number): number => (time >= laid.to - 1e-6 ? laid.right : xAt(laid, time) - 3);
    return audible
        .filter((note) => note.layer === layer && note.at < laid.to - 1e-6 && note.end > laid.from + 1e-6)
        .map((note) => {
            const x = note.at < laid.from - 1e-6 ? laid.left : xAt(laid, note.at) - 3;
            const last = Math.max(x + 2, end(note.end));
            return { note, x, end: last, lost: note.lost === null || note.lost >= note.end - 1e-6 ? last : Math.max(x, Math.min(last, end(note.lost))) };
        });
}

/** The same in numbers. */
export const heardInDecibels = ({ first, middle }: Pick<AudibleNote, 'first' | 'middle'>): string =>
    `${first.toFixed(1)} dB over the rest when struck, ${middle.toFixed(1)} half way`;

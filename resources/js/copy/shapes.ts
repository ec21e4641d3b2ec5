import { xAt, type Laid } from '../engraving/layout';

/** What a sign on a copy means to the student; the key at its foot explains those that are used. */
export type Sign =
    | 'pedal'
    | 'change'
    | 'depth'
    | 'gradual'
    | 'flutter'
    | 'wash'
    | 'dry'
    | 'una-corda'
    | 'sostenuto'
    | 'phrase'
    | 'climax'
    | 'tune'
    | 'inner'
    | 'played'
    | 'takes'
    | 'gives'
    | 'count'
    | 'harmony';

/** A line or words, px of a row of one engraved line. */
export type Shape =
    { path: string; look?: 'bold' | 'dashed' | 'filled' } | { text: string; x: number; y: number; look?: 'italic' | 'bold' | 'small'; middle?: boolean };

/** What a layer draws on one engraved line. */
export interface Drawn {
    shapes: Shape[];
    signs: Sign[];
    /** px that it needs. */
    height: number;
}

export const NOTHING: Drawn = { shapes: [], signs: [], height: 0 };

/** Whether a moment lies on a line. */
export const isOn = (laid: Laid, at: number): boolean => at >= laid.from - 1e-6 && at < laid.to - 1e-6;

/** A stretch as far as it lies on a line: where it is seen, and whether it begins and ends there. */
export function clipped(laid: Laid, { from, to }: { from: number; to: number }): { left: number; right: number; begins: boolean; ends: boolean } | null {
    if (from >= laid.to - 1e-6 || to <= laid.from + 1e-6) return null;
    const begins = from >= laid.from - 1e-6;
    const ends = to <= laid.to + 1e-6;
    return {
        left: begins ? xAt(laid, from) : laid.left - 4,
        right: to >= laid.to - 1e-6 ? laid.right : xAt(laid, to),
        begins,
        ends,
    };
}

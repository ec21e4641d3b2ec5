import { freshId } from '../../desk/marks';
import type { MarkOf } from '../../desk/bearing';
import type { Place } from '@generated/plan';
import type { ReadHarmony, ReadNote } from '@generated/read';

/** The kinds of marks that say what the teacher reads otherwise. */
export const READ_MARKS = ['read/harmony', 'read/boundary', 'read/layer', 'read/hand'] as const;

export type ReadingMark = MarkOf<(typeof READ_MARKS)[number]>;

type HarmonyMark = Extract<ReadingMark, { kind: 'harmony' }>;

/** What a chord is called. */
export type ChordName = Pick<ReadHarmony, 'root' | 'quality' | 'bass'>;

function same(a: Place, b: Place): boolean {
    return a.measure === b.measure && a.offset === b.offset;
}

/** Names the chord of a stretch; an earlier name of the same stretch gives way. */
export function nameChord(marks: readonly ReadingMark[], from: Place, to: Place, chord: ChordName): ReadingMark[] {
    const others = forgetChord(marks, from);
    const mark: HarmonyMark = {
        id: freshId('chord', others),
        craft: 'read',
        kind: 'harmony',
        from,
        to,
        root: chord.root,
        quality: chord.quality,
        bass: chord.bass,
    };
    return [...others, mark];
}

/** Reads the chord that begins at a place by itself again. */
export function forgetChord(marks: readonly ReadingMark[], from: Place): ReadingMark[] {
    return marks.filter((mark) => mark.kind !== 'harmony' || !same(mark.from, from));
}

/**
 * Lets a phrase begin at a place, or not.
 *
 * @param read whether one is read there without the teacher's word
 */
export function setBoundary(marks: readonly ReadingMark[], at: Place, begins: boolean, read: boolean): ReadingMark[] {
    const others = marks.filter((mark) => mark.kind !== 'boundary' || !same(mark.at, at));
    return begins === read ? others : [...others, { id: freshId('phrase', others), craft: 'read', kind: 'boundary', at, begins }];
}

/** Whether the teacher has said that a phrase begins at a place, or that none does. */
export function hasBoundary(marks: readonly ReadingMark[], at: Place): boolean {
    return marks.some((mark) => mark.kind === 'boundary' && same(mark.at, at));
}

/** Gives notes to a layer. */
export function giveLayer(marks: readonly ReadingMark[], notes: readonly string[], layer: ReadNote['layer']): ReadingMark[] {
    const others = release(marks, notes, 'layer');
    return [...others, { id: freshId('layer', others), craft: 'read', kind: 'layer', notes: [...notes] as [string, ...string[]], layer }];
}

/** Gives notes to a hand. */
export function giveHand(marks: readonly ReadingMark[], notes: readonly string[], hand: ReadNote['hand']): ReadingMark[] {
    const others = release(marks, notes, 'hand');
    return [...others, { id: freshId('hand', others), craft: 'read', kind: 'hand', notes: [...notes] as [string, ...string[]], hand }];
}

/** Takes notes out of all marks of a kind; marks that are left empty go. */
export function release(marks: readonly ReadingMark[], notes: readonly string[], kind: 'layer' | 'hand'): ReadingMark[] {
    const taken = new Set(notes);
    return marks.flatMap((mark): ReadingMark[] => {
        if (mark.kind !== kind) return [mark];
        const rest = mark.notes.filter((note) => !taken.has(note));
        return rest.length === 0 ? [] : [{ ...mark, notes: rest as [string, ...string[]] }];
    });
}

/** What a note's own mark says of a kind, if there is one. */
export function isGiven(marks: readonly ReadingMark[], note: string, kind: 'layer' | 'hand'): boolean {
    return marks.some((mark) => mark.kind === kind && mark.notes.includes(note));
}

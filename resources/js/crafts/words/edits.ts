import type { BarNote, ExpressionMark, Place } from '@generated/plan';
import { freshId } from '../../desk/marks';

/** Writes a note at a bar in place of the one that stood there; an empty one is none. */
export function writeNote(notes: readonly BarNote[], measure: string, text: string): BarNote[] {
    const old = notes.find((note) => note.measure === measure);
    if ((old?.text ?? '') === text) return [...notes];
    const others = notes.filter((note) => note !== old);
    return text.trim() === '' ? others : [...others, { id: old?.id ?? `n-${measure}`.slice(0, 60), craft: 'words', kind: 'note', measure, text }];
}

const isSame = (a: Place | undefined, b: Place | undefined): boolean => a?.measure === b?.measure && a?.offset === b?.offset;

/** Puts words at a place or over a passage, or takes the same ones away there. */
export function express(marks: readonly ExpressionMark[], from: Place, to: Place | null, text: string): ExpressionMark[] {
    const others = marks.filter((mark) => mark.text !== text || !isSame(mark.from, from) || !isSame(mark.to, to ?? undefined));
    return others.length < marks.length
        ? others
        : [...others, { id: freshId('expression', others), craft: 'words', kind: 'expression', from, ...(to ? { to } : {}), text }];
}

import type { BarNote } from '@generated/plan';

/** Writes a note at a bar in place of the one that stood there; an empty one is none. */
export function writeNote(notes: readonly BarNote[], measure: string, text: string): BarNote[] {
    const old = notes.find((note) => note.measure === measure);
    if ((old?.text ?? '') === text) return [...notes];
    const others = notes.filter((note) => note !== old);
    return text.trim() === '' ? others : [...others, { id: old?.id ?? `n-${measure}`.slice(0, 60), craft: 'words', kind: 'note', measure, text }];
}

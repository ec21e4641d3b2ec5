import type { TouchMark } from '../../types/generated/plan';

export type Articulation = TouchMark['articulation'];

/** How a note can be left, each with its key. */
export const ARTICULATIONS: readonly { articulation: Articulation; label: string; key: string }[] = [
    { articulation: 'legato', label: 'Legato', key: 'G' },
    { articulation: 'tenuto', label: 'Tenuto', key: 'N' },
    { articulation: 'non-legato', label: 'Non-legato', key: 'O' },
    { articulation: 'portato', label: 'Portato', key: 'P' },
    { articulation: 'staccato', label: 'Staccato', key: 'S' },
    { articulation: 'staccatissimo', label: 'Staccatissimo', key: 'W' },
];

/** Leaves notes in a way; the same way again takes the mark back. */
export function articulate(marks: readonly TouchMark[], notes: readonly string[], articulation: Articulation): TouchMark[] {
    const others = clear(marks, notes);
    const already = notes.every((note) => marks.some((mark) => mark.articulation === articulation && mark.notes.includes(note)));
    if (already || notes.length === 0) return others;
    const used = new Set(others.map(({ id }) => id));
    let number = others.length + 1;
    while (used.has(`touch-${number}`)) number++;
    return [...others, { id: `touch-${number}`, craft: 'touch', kind: 'articulation', notes: [...notes] as [string, ...string[]], articulation }];
}

/** Takes notes out of all marks; marks that are left empty go. */
export function clear(marks: readonly TouchMark[], notes: readonly string[]): TouchMark[] {
    const taken = new Set(notes);
    return marks.flatMap((mark) => {
        const rest = mark.notes.filter((note) => !taken.has(note));
        return rest.length === mark.notes.length ? [mark] : rest.length === 0 ? [] : [{ ...mark, notes: rest as [string, ...string[]] }];
    });
}

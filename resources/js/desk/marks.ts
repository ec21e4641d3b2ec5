import type { DeskProps } from './useDesk';

/** An id that none of the marks has: "slur-3". */
export function freshId(prefix: string, marks: readonly { id: string }[]): string {
    const used = new Set(marks.map(({ id }) => id));
    let number = marks.length + 1;
    while (used.has(`${prefix}-${number}`)) number++;
    return `${prefix}-${number}`;
}

/** Takes notes out of all marks; marks that are left empty go. */
export function withoutNotes<Mark extends { notes: [string, ...string[]] }>(marks: readonly Mark[], notes: readonly string[]): Mark[] {
    const taken = new Set(notes);
    return marks.flatMap((mark) => {
        const rest = mark.notes.filter((note) => !taken.has(note));
        return rest.length === mark.notes.length ? [mark] : rest.length === 0 ? [] : [{ ...mark, notes: rest as [string, ...string[]] }];
    });
}

/** What is known of the notes struck at a moment, from the top down. */
export function struckAt<Known extends { midi: number }>(
    score: Pick<DeskProps['score'], 'moments'>,
    moment: number,
    byNote: ReadonlyMap<string, Known>,
): Known[] {
    const found = (score.moments[moment]?.notes ?? []).map((note) => byNote.get(note)).filter((one) => one !== undefined);
    return found.sort((a, b) => b.midi - a.midi);
}

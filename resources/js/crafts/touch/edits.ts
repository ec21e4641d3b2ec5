import type { CommaMark, GestureMark, HoldMark, Place, SlurMark, ArticulationMark } from '@generated/plan';
import type { Slur } from '@generated/touch';
import { freshId, withoutNotes } from '../../desk/marks';

export type Articulation = ArticulationMark['articulation'];

/** How a note can be left, each with its key. */
export const ARTICULATIONS: readonly { articulation: Articulation; label: string; key: string; what: string; rare?: boolean }[] = [
    { articulation: 'legato', label: 'Legato', key: 'G', what: 'joined' },
    { articulation: 'tenuto', label: 'Tenuto', key: 'N', what: 'held to its end, with weight' },
    { articulation: 'marcato', label: 'Marcato', key: 'M', what: 'marked, with a hair of air' },
    { articulation: 'non-legato', label: 'Non-legato', key: 'O', what: 'not joined', rare: true },
    { articulation: 'portato', label: 'Portato', key: 'P', what: 'carried', rare: true },
    { articulation: 'staccato', label: 'Staccato', key: 'S', what: 'short' },
    { articulation: 'staccatissimo', label: 'Staccatissimo', key: 'W', what: 'as short as can be', rare: true },
];

/** Leaves notes in a way; the same way again takes the mark back. */
export function articulate(marks: readonly ArticulationMark[], notes: readonly string[], articulation: Articulation): ArticulationMark[] {
    const others = clear(marks, notes);
    const already = notes.every((note) => marks.some((mark) => mark.articulation === articulation && mark.notes.includes(note)));
    if (already || notes.length === 0) return others;
    return [...others, { id: freshId('touch', others), craft: 'touch', kind: 'articulation', notes: [...notes] as [string, ...string[]], articulation }];
}

/** Takes articulations back. */
export const clear = (marks: readonly ArticulationMark[], notes: readonly string[]): ArticulationMark[] => withoutNotes(marks, notes);

type Ends = Pick<Slur, 'from' | 'to'>;

const isOn = (mark: Ends, slur: Ends): boolean => mark.from === slur.from && mark.to === slur.to;

/** Draws a slur; a printed one that was taken away comes back. */
export function drawSlur(marks: readonly SlurMark[], from: string, to: string, printed = false): SlurMark[] {
    const others = marks.filter((mark) => !isOn(mark, { from, to }));
    return printed ? others : [...others, { id: freshId('slur', others), craft: 'touch', kind: 'slur', from, to, drawn: true }];
}

/** Takes a slur away, printed or drawn. */
export function removeSlur(marks: readonly SlurMark[], slur: Slur): SlurMark[] {
    const others = marks.filter((mark) => !isOn(mark, slur));
    return slur.printed ? [...others, { id: freshId('slur', others), craft: 'touch', kind: 'slur', from: slur.from, to: slur.to, drawn: false }] : others;
}

/** Moves one end of a slur to another note. */
export function moveSlur(marks: readonly SlurMark[], slur: Slur, end: 'from' | 'to', note: string): SlurMark[] {
    const moved: Ends = { from: slur.from, to: slur.to, [end]: note };
    return moved.from === moved.to || isOn(moved, slur) ? [...marks] : drawSlur(removeSlur(marks, slur), moved.from, moved.to);
}

/** Holds a key on until a place; null for as long as it is written. */
export function hold(marks: readonly HoldMark[], note: string, until: Place | null): HoldMark[] {
    const others = marks.filter((mark) => mark.note !== note);
    return until === null ? others : [...others, { id: freshId('hold', others), craft: 'touch', kind: 'hold', note, until }];
}

/** Puts a gesture at a place, or takes the same one away there. */
export function gesture(marks: readonly GestureMark[], at: Place, text: string): GestureMark[] {
    const others = marks.filter((mark) => mark.text !== text || mark.at.measure !== at.measure || mark.at.offset !== at.offset);
    return others.length < marks.length ? others : [...others, { id: freshId('gesture', others), craft: 'touch', kind: 'gesture', at, text }];
}

/** Puts a comma after a note, or takes it away. */
export function comma(marks: readonly CommaMark[], note: string): CommaMark[] {
    const others = marks.filter((mark) => mark.note !== note);
    return others.length < marks.length ? others : [...others, { id: freshId('comma', others), craft: 'touch', kind: 'comma', note }];
}

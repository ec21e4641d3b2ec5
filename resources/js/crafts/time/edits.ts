import type { EndingMark, FermataMark, FreeMark, LeanMark, OrnamentMark, PaceMark, Place, RubatoMark, SilenceMark, TempoMark } from '@generated/plan';
import type { Ornaments, Rubato } from '@generated/time';
import { freshId, withoutNotes } from '../../desk/marks';

export type When = FermataMark['when'];

/** How long a beat may be made, times itself. */
const LEAST = 0.4;
const MOST = 3;

/** What still has a pulse: a beat stretched by a third, shortened by a fifth. */
const STRETCHED = 1.33;
const SHORTENED = 0.81;

/** Shares are kept in thousandths. */
const rounded = (value: number): number => Math.round(value * 1000) / 1000;
const within = (value: number, least: number, most: number): number => rounded(Math.max(least, Math.min(most, value)));
const isSame = (a: Place, b: Place): boolean => a.measure === b.measure && a.offset === b.offset;

/** A passage of rubato: where it stands and how many beats it has. */
export interface Passage {
    from: Place;
    to: Place;
    cells: number;
}

/** The rubato of a passage that has none yet. */
export const newRubato = (marks: readonly RubatoMark[], { from, to, cells }: Passage): RubatoMark => ({
    id: freshId('rubato', marks),
    craft: 'time',
    kind: 'rubato',
    from,
    to,
    beats: Array.from({ length: cells }, () => null),
    parts: 1,
    back: true,
});

/** A rubato with one beat of another length; as the tempo has it for null. */
export function withBeat(mark: RubatoMark, index: number, factor: number | null): RubatoMark {
    const beats = Array.from({ length: Math.max(mark.beats.length, index + 1) }, (_, place) => mark.beats[place] ?? null);
    beats[index] = factor === null ? null : within(factor, LEAST, MOST);
    return { ...mark, beats };
}

/** Puts a mark in place of the one with its id; one of a passage in which no beat has a length of its own goes. */
export function putRubato(marks: readonly RubatoMark[], next: RubatoMark): RubatoMark[] {
    const isEmpty = next.beats.every((beat) => beat === null);
    const others = marks.filter(({ id }) => id !== next.id);
    return isEmpty ? others : [...others, next];
}

/** A rubato that owes nothing: its open beats give back, or where it has none all of them by the same share. */
export function givenBack(mark: RubatoMark, { beats, owed }: Pick<Rubato, 'beats' | 'owed'>): RubatoMark {
    if (mark.back || beats.some(({ open }) => open)) return { ...mark, back: true };
    const played = beats.reduce((sum, beat) => sum + beat.ms + beat.taken, 0);
    const share = (played - owed) / played;
    const scaled = beats.map(({ ms, taken }) => ((ms + taken) * share) / ms);
    // The last beat takes up what rounding leaves.
    const exact = scaled.map((factor) => within(factor, LEAST, MOST));
    return { ...mark, beats: [...exact.slice(0, -1), null], back: true };
}

/** A rubato that keeps its pulse. What its open beats give back together is as much less as they give too much. */
export function withinLimits(mark: RubatoMark, { beats }: Pick<Rubato, 'beats'>): RubatoMark {
    const hardest = Math.max(1, ...beats.map(({ ms, taken }) => (taken > 0 ? taken / ms / (STRETCHED - 1) : -taken / ms / (1 - SHORTENED))));
    return { ...mark, beats: mark.beats.map((beat) => (beat === null ? null : rounded(1 + (beat - 1) / hardest))) };
}

/** Slows down or quickens from one place to another; the same again takes it away. */
export function pace(marks: readonly PaceMark[], from: Place, to: Place, end: number): PaceMark[] {
    const others = marks.filter((mark) => !isSame(mark.from, from));
    const isBack = marks.some((mark) => isSame(mark.from, from) && isSame(mark.to, to) && mark.end < 1 === end < 1);
    return isBack ? others : [...others, { id: freshId('pace', others), craft: 'time', kind: 'pace', from, to, end, shape: 3, stays: false }];
}

/** A mark with some of it otherwise. */
export const changed = <Mark extends { id: string }>(marks: readonly Mark[], id: string, change: Partial<Mark>): Mark[] =>
    marks.map((mark) => (mark.id === id ? { ...mark, ...change } : mark));

export const removed = <Mark extends { id: string }>(marks: readonly Mark[], id: string): Mark[] => marks.filter((mark) => mark.id !== id);

/** Another tempo from a place on; none for 1. */
export function tempo(marks: readonly TempoMark[], at: Place, ratio: number): TempoMark[] {
    const others = marks.filter((mark) => !isSame(mark.at, at));
    return Math.abs(ratio - 1) < 0.005 ? others : [...others, { id: freshId('tempo', others), craft: 'time', kind: 'tempo', at, ratio: within(ratio, 0.2, 5) }];
}

/** A passage that is not counted, or no longer. */
export function free(marks: readonly FreeMark[], from: Place, to: Place): FreeMark[] {
    const others = marks.filter((mark) => !isSame(mark.from, from) || !isSame(mark.to, to));
    return others.length < marks.length ? others : [...others, { id: freshId('free', others), craft: 'time', kind: 'free', from, to }];
}

/** What stands at a place is held for so many seconds; null for as the sound fades, 0 for not at all. */
export function fermata(marks: readonly FermataMark[], at: Place, seconds: number | null, when: When = 'every'): FermataMark[] {
    const others = noFermata(marks, at);
    return [...others, { id: freshId('fermata', others), craft: 'time', kind: 'fermata', at, seconds, when }];
}

/** As it is printed. */
export const noFermata = (marks: readonly FermataMark[], at: Place): FermataMark[] => marks.filter((mark) => !isSame(mark.at, at));

export const fermataAt = (marks: readonly FermataMark[], at: Place): FermataMark | undefined => marks.find((mark) => isSame(mark.at, at));

/** A silence before a place. */
export function silence(marks: readonly SilenceMark[], at: Place, ms: number, when: When = 'every'): SilenceMark[] {
    const others = noSilence(marks, at);
    return [...others, { id: freshId('silence', others), craft: 'time', kind: 'silence', at, ms: Math.max(0, Math.round(ms)), when }];
}

export const noSilence = (marks: readonly SilenceMark[], at: Place): SilenceMark[] => marks.filter((mark) => !isSame(mark.at, at));

export const silenceAt = (marks: readonly SilenceMark[], at: Place): SilenceMark | undefined => marks.find((mark) => isSame(mark.at, at));

/** Gives notes time, or takes it back where they have as much. */
export function lean(marks: readonly LeanMark[], notes: readonly string[], longer: number): LeanMark[] {
    const [first, ...rest] = notes;
    const others = withoutNotes(marks, notes);
    const isBack = marks.some((mark) => mark.longer === longer && notes.every((note) => mark.notes.includes(note)));
    return first === undefined || longer <= 0 || isBack
        ? others
        : [...others, { id: freshId('lean', others), craft: 'time', kind: 'lean', notes: [first, ...rest], longer: within(longer, 0.01, 2) }];
}

/** How much time the end of a phrase takes; null for as the school has it. */
export function ending(marks: readonly EndingMark[], at: Place, longer: number | null): EndingMark[] {
    const others = marks.filter((mark) => !isSame(mark.at, at));
    return longer === null ? others : [...others, { id: freshId('ending', others), craft: 'time', kind: 'ending', at, longer: within(longer, 0, 1) }];
}

export const endingAt = (marks: readonly EndingMark[], at: Place): EndingMark | undefined => marks.find((mark) => isSame(mark.at, at));

/** How the ornaments of some notes are played; null for as in the piece. */
export function ornament(marks: readonly OrnamentMark[], notes: readonly string[], how: Ornaments | null): OrnamentMark[] {
    const [first, ...rest] = notes;
    const others = withoutNotes(marks, notes);
    return first === undefined || how === null
        ? others
        : [...others, { id: freshId('ornament', others), craft: 'time', kind: 'ornament', notes: [first, ...rest], how: { ...how } }];
}

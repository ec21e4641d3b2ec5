import type { PlanDocument } from '../types/generated/plan';

/** Bars that follow each other, by index. */
export interface Bars {
    first: number;
    last: number;
}

type Mark = PlanDocument['marks'][number];

/** The bar in which a note or bar of an id stands. */
export type BarOf = (id: string) => number | undefined;

/** So many bars around an edit the server is told of; it looks at fewer. */
const TOLD = 24;

/**
 * What a mark says, one thing at a time, with the notes and bars it speaks of. Words, gestures, harmonies and phrases have
 * no bearing on hands and keys.
 */
function statements(mark: Mark): { text: string; ids: string[] }[] {
    switch (mark.kind) {
        case 'articulation':
            return mark.notes.map((note) => ({ text: `${note} ${mark.articulation}`, ids: [note] }));
        case 'octave':
            return mark.notes.map((note) => ({ text: `${note} ${mark.octaves}`, ids: [note] }));
        case 'layer':
            return mark.notes.map((note) => ({ text: `${note} ${mark.layer}`, ids: [note] }));
        case 'hand':
            return mark.notes.map((note) => ({ text: `${note} ${mark.hand}`, ids: [note] }));
        case 'finger':
            return [{ text: `${mark.note} ${mark.finger}`, ids: [mark.note] }];
        case 'hold':
            return [{ text: `${mark.note} until ${mark.until.measure} ${mark.until.offset}`, ids: [mark.note, mark.until.measure] }];
        case 'slur':
            return [{ text: `${mark.from} to ${mark.to} ${mark.drawn}`, ids: [mark.from, mark.to] }];
        case 'span':
        case 'dry':
            return [{ text: JSON.stringify([mark.kind, mark.from, mark.to, mark.depth]), ids: [mark.from.measure, mark.to.measure] }];
        default:
            return [];
    }
}

function barsOf(ids: readonly string[], barOf: BarOf): Bars | null {
    const bars = ids.map(barOf).filter((bar) => bar !== undefined);
    return bars.length < ids.length || bars.length === 0 ? null : { first: Math.min(...bars), last: Math.max(...bars) };
}

/** The bars in which two plans differ for hands and keys; 'none', or 'all' where it is more than some marks. */
export function changedBars(before: PlanDocument, after: PlanDocument, barOf: BarOf): Bars | 'all' | 'none' {
    const rules = ({ tempo, fingering, touch, lengths }: PlanDocument): string => JSON.stringify([tempo, fingering, touch, lengths]);
    if (rules(before) !== rules(after)) return 'all';
    const [old, now] = [new Set(before.marks), new Set(after.marks)];
    const said = (marks: readonly Mark[], others: ReadonlySet<Mark>) =>
        new Map(marks.filter((mark) => !others.has(mark)).flatMap((mark) => statements(mark).map(({ text, ids }) => [`${mark.kind} ${text}`, ids] as const)));
    const [gone, come] = [said(before.marks, now), said(after.marks, old)];
    const ids = [...[...gone].filter(([text]) => !come.has(text)), ...[...come].filter(([text]) => !gone.has(text))].flatMap(([, ids]) => ids);
    return ids.length === 0 ? 'none' : (barsOf(ids, barOf) ?? 'all');
}

/** A plan with only those marks that bear on some bars. */
export function near(plan: PlanDocument, { first, last }: Bars, barOf: BarOf): PlanDocument {
    const isNear = (ids: readonly string[]): boolean => {
        const bars = barsOf(ids, barOf);
        return bars !== null && bars.first <= last + TOLD && bars.last >= first - TOLD;
    };
    return {
        ...plan,
        marks: plan.marks.flatMap((mark): Mark[] => {
            if (!('notes' in mark)) return statements(mark).some(({ ids }) => isNear(ids)) ? [mark] : [];
            const [note, ...notes] = mark.notes.filter((note) => isNear([note]));
            return note === undefined ? [] : [{ ...mark, notes: [note, ...notes] }];
        }),
    };
}

/** What is new in some bars in place of what was known of them. */
export function renewed<Thing>(known: readonly Thing[], fresh: readonly Thing[], isRenewed: (thing: Thing) => boolean): Thing[] {
    return [...known.filter((thing) => !isRenewed(thing)), ...fresh];
}

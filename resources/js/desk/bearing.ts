import { ANSWERS_REST_ON, MARKS_BEAR_ON, SETTINGS_BEAR_ON, type AnswerDocuments } from '@generated/crafts';
import type { PlanDocument } from '@generated/plan';

export type Mark = PlanDocument['marks'][number];

/** A kind of mark: "touch/slur". */
export type MarkKey = Mark extends infer One ? (One extends { craft: infer C extends string; kind: infer K extends string } ? `${C}/${K}` : never) : never;

/** The marks of some kinds. */
export type MarkOf<Key extends MarkKey> = Key extends `${infer C}/${infer K}` ? Extract<Mark, { craft: C; kind: K }> : never;

export type AnswerName = keyof AnswerDocuments;

/** Bars that follow each other, by index. */
export interface Bars {
    first: number;
    last: number;
}

/** The bar in which a note or bar of an id stands. */
export type BarOf = (id: string) => number | undefined;

/** So many bars around an edit the server is told of; it looks at fewer. */
const TOLD = 24;

/** A kind that is forgotten on either side does not compile. */
const MARKS: Readonly<Record<MarkKey, readonly string[]>> = MARKS_BEAR_ON;
const SETTINGS: Readonly<Record<keyof PlanDocument['settings'], readonly string[]>> = SETTINGS_BEAR_ON;
const ANSWERS: Readonly<Record<AnswerName, { rests: readonly string[]; part: readonly string[] | null; excerpt: boolean; exact: boolean }>> = ANSWERS_REST_ON;

/** What an answer rests on, and how it can be asked for. */
export const restsOf = (answer: AnswerName) => ANSWERS[answer];

export function keyOf(mark: Mark): MarkKey {
    return `${mark.craft}/${mark.kind}` as MarkKey;
}

function meets(these: readonly string[], those: readonly string[]): boolean {
    return these.some((one) => those.includes(one));
}

function bears(mark: Mark, aspects: readonly string[]): boolean {
    return meets(MARKS[keyOf(mark)], aspects);
}

/** Whether a mark says something of what is played, and not only of how it is practised. */
export const isPlayed = (mark: Mark): boolean => MARKS[keyOf(mark)].some((aspect) => aspect !== 'practice');

/** Fields that say nothing of what is played. */
const SILENT = new Set(['id', 'words', 'origin']);

/** The ids of notes and bars that a mark names. */
function named(mark: Mark, barOf: BarOf): string[] {
    const ids: string[] = [];
    const walk = (value: unknown): void => {
        if (typeof value === 'string') {
            if (barOf(value) !== undefined) ids.push(value);
        } else if (typeof value === 'object' && value !== null) Object.values(value).forEach(walk);
    };
    for (const [field, value] of Object.entries(mark)) if (!SILENT.has(field) && field !== 'text') walk(value);
    return ids;
}

/** What a mark says, one thing at a time, each with the notes and bars it speaks of. */
function statements(mark: Mark, barOf: BarOf): { text: string; ids: string[] }[] {
    const said = Object.fromEntries(Object.entries(mark).filter(([field]) => !SILENT.has(field) && field !== 'notes'));
    const text = JSON.stringify(said);
    return 'notes' in mark ? mark.notes.map((note) => ({ text: `${note} ${text}`, ids: [note] })) : [{ text, ids: named(mark, barOf) }];
}

function barsOf(ids: readonly string[], barOf: BarOf): Bars | null {
    const bars = ids.map(barOf).filter((bar) => bar !== undefined);
    return bars.length < ids.length || bars.length === 0 ? null : { first: Math.min(...bars), last: Math.max(...bars) };
}

/** The bars a mark stands in; null for one that names none. */
export const namedBars = (mark: Mark, barOf: BarOf): Bars | null => barsOf(named(mark, barOf), barOf);

/** Settings and tempo, as far as an answer rests on them. */
function rules(plan: PlanDocument, aspects: readonly string[]): string {
    const settings = Object.entries(plan.settings).filter(([craft]) => meets(SETTINGS[craft as keyof typeof SETTINGS], aspects));
    return JSON.stringify([aspects.includes('time') ? plan.tempo : null, settings]);
}

/** The bars in which two plans differ for an answer; 'none', or 'all' where it is more than some marks. */
export function changedBars(before: PlanDocument, after: PlanDocument, answer: AnswerName, barOf: BarOf): Bars | 'all' | 'none' {
    const { rests, part } = ANSWERS[answer];
    if (before === after) return 'none';
    if (rules(before, rests) !== rules(after, rests)) return 'all';
    const [old, now] = [new Set(before.marks), new Set(after.marks)];
    const gone = before.marks.filter((mark) => !now.has(mark) && bears(mark, rests));
    const come = after.marks.filter((mark) => !old.has(mark) && bears(mark, rests));
    const said = (marks: readonly Mark[]) => new Map(marks.flatMap((mark) => statements(mark, barOf).map(({ text, ids }) => [text, { mark, ids }] as const)));
    const [left, right] = [said(gone), said(come)];
    const changes = [...[...left].filter(([text]) => !right.has(text)), ...[...right].filter(([text]) => !left.has(text))].map(([, change]) => change);
    if (changes.length === 0) return 'none';
    // What an answer is cut from has to be worked out anew as a whole.
    if (part !== null && changes.some(({ mark }) => bears(mark, part))) return 'all';
    const bars = changes.map(({ ids }) => barsOf(ids, barOf));
    return (
        bars.reduce<Bars | null>((all, one) => all && one && { first: Math.min(all.first, one.first), last: Math.max(all.last, one.last) }, bars[0]!) ?? 'all'
    );
}

/** A plan with only those marks that bear on some bars of an answer. */
export function near(plan: PlanDocument, { first, last }: Bars, answer: AnswerName, barOf: BarOf): PlanDocument {
    const { rests, part } = ANSWERS[answer];
    const isNear = (ids: readonly string[]): boolean => {
        const bars = barsOf(ids, barOf);
        return bars !== null && bars.first <= last + TOLD && bars.last >= first - TOLD;
    };
    return {
        ...plan,
        marks: plan.marks.flatMap((mark): Mark[] => {
            if (part !== null && bears(mark, part)) return [mark];
            if (!bears(mark, rests)) return [];
            // How loud and how fast it is holds on from a place to the next that says so.
            if (!('notes' in mark) && bears(mark, ['levels', 'time'])) return [mark];
            if (!('notes' in mark)) return isNear(named(mark, barOf)) ? [mark] : [];
            const [note, ...notes] = mark.notes.filter((one) => isNear([one]));
            return note === undefined ? [] : [{ ...mark, notes: [note, ...notes] }];
        }),
    };
}

/** A plan with only those marks that an answer rests on. */
export function relevant(plan: PlanDocument, answer: AnswerName): PlanDocument {
    return { ...plan, marks: plan.marks.filter((mark) => bears(mark, ANSWERS[answer].rests)) };
}

/** What is new in some bars in place of what was known of them. */
export function renewed<Thing>(known: readonly Thing[], fresh: readonly Thing[], isRenewed: (thing: Thing) => boolean): Thing[] {
    return [...known.filter((thing) => !isRenewed(thing)), ...fresh];
}

/** Whether something stands in some bars. */
export const isIn =
    ({ first, last }: Bars) =>
    ({ measure }: { measure: number }): boolean =>
        measure >= first && measure <= last;

import type { ArchMark, DynamicMark, GoalMark, HairpinMark, MannerMark, NudgeMark, Place } from '@generated/plan';
import type { Phrase } from '@generated/shape';
import { freshId, withoutNotes } from '../../desk/marks';

export type Dynamic = DynamicMark['dynamic'];
export type Staves = NonNullable<DynamicMark['staves']>;
export type Choices = Pick<MannerMark, 'repeated' | 'high' | 'metre'>;

/** From the softest to the loudest, each with its key. */
export const DYNAMICS: readonly Dynamic[] = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'];

/** How far an arch can be moved, dB. */
const MOST = 24;

/** dB as they are kept: what is dragged is no more exact than that. */
const kept = (decibels: number): number => Math.round(2 * decibels) / 2;

const isSame = (a: Place, b: Place): boolean => a.measure === b.measure && a.offset === b.offset;
const within = (value: number, least: number, most: number): number => Math.max(least, Math.min(most, value));

/** Makes a note the goal of its phrase, or takes that back; a phrase has one. */
export function goal(marks: readonly GoalMark[], note: string, inPhrase: ReadonlySet<string>): GoalMark[] {
    const others = marks.filter((mark) => !inPhrase.has(mark.note));
    const isBack = marks.some((mark) => mark.note === note);
    return isBack ? others : [...others, { id: freshId('goal', others), craft: 'shape', kind: 'goal', note }];
}

/** The goal of a phrase, and no other. */
export function onlyGoal(marks: readonly GoalMark[], note: string, inPhrase: ReadonlySet<string>): GoalMark[] {
    return marks.some((mark) => mark.note === note) ? [...marks] : goal(marks, note, inPhrase);
}

/** A phrase with another arch. */
export function arch(marks: readonly ArchMark[], at: Place, phrase: Pick<Phrase, 'rise' | 'fall' | 'level'>): ArchMark[] {
    const others = plainArch(marks, at);
    const { rise, fall, level } = phrase;
    return [
        ...others,
        {
            id: freshId('arch', others),
            craft: 'shape',
            kind: 'arch',
            at,
            rise: within(kept(rise), 0, MOST),
            fall: within(kept(fall), 0, MOST),
            level: within(kept(level), -MOST, MOST),
        },
    ];
}

/** What the teacher has for the phrase that begins at a place. */
export const archAt = (marks: readonly ArchMark[], at: Place): ArchMark | undefined => marks.find((mark) => isSame(mark.at, at));

/** The phrase that begins at a place as the school has it. */
export const plainArch = (marks: readonly ArchMark[], at: Place): ArchMark[] => marks.filter((mark) => !isSame(mark.at, at));

/** Puts a dynamic at a place, or takes the same one away there. */
export function dynamic(marks: readonly DynamicMark[], at: Place, letters: Dynamic, staves: Staves): DynamicMark[] {
    const here = (mark: DynamicMark): boolean => isSame(mark.at, at) && (staves === 'both' || (mark.staves ?? 'both') === 'both' || mark.staves === staves);
    const others = marks.filter((mark) => !here(mark));
    if (marks.some((mark) => here(mark) && mark.dynamic === letters && (mark.staves ?? 'both') === staves)) return others;
    return [...others, { id: freshId('dynamic', others), craft: 'shape', kind: 'dynamic', at, dynamic: letters, ...(staves === 'both' ? {} : { staves }) }];
}

/** What stands at a place without the teacher's dynamics. */
export const noDynamic = (marks: readonly DynamicMark[], at: Place): DynamicMark[] => marks.filter((mark) => !isSame(mark.at, at));

/** Grows or falls from one place to another; the same again takes it away. */
export function hairpin(marks: readonly HairpinMark[], from: Place, to: Place, grows: boolean): HairpinMark[] {
    const others = marks.filter((mark) => !isSame(mark.from, from) || !isSame(mark.to, to));
    const isBack = marks.some((mark) => isSame(mark.from, from) && isSame(mark.to, to) && mark.grows === grows);
    return isBack ? others : [...others, { id: freshId('hairpin', others), craft: 'shape', kind: 'hairpin', from, to, grows }];
}

/** Makes notes louder or softer by so much more. */
export function nudge(marks: readonly NudgeMark[], notes: readonly string[], change: number): NudgeMark[] {
    const before = new Map(marks.flatMap((mark) => mark.notes.map((note) => [note, mark.change] as const)));
    const groups = new Map<number, string[]>();
    for (const note of notes) {
        const sum = within(kept((before.get(note) ?? 0) + change), -MOST, MOST);
        if (sum !== 0) groups.set(sum, [...(groups.get(sum) ?? []), note]);
    }
    return [...groups].reduce<NudgeMark[]>(
        (others, [sum, [first, ...rest]]) =>
            first === undefined ? others : [...others, { id: freshId('nudge', others), craft: 'shape', kind: 'nudge', notes: [first, ...rest], change: sum }],
        withoutNotes(marks, notes),
    );
}

/** What a passage does otherwise; null for as the piece does. */
export function manner(marks: readonly MannerMark[], from: Place, to: Place, choices: Choices | null): MannerMark[] {
    const others = marks.filter((mark) => !isSame(mark.from, from) || !isSame(mark.to, to));
    return choices === null ? others : [...others, { id: freshId('manner', others), craft: 'shape', kind: 'manner', from, to, ...choices }];
}

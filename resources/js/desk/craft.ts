import type { Component, ComputedRef, Ref } from 'vue';
import type { Laid } from '../engraving/layout';
import type { CRAFT_NAMES, AnswerDocuments } from '@generated/crafts';
import type { AnswerName } from './bearing';
import type { Key } from './keys';
import type { StripColumn, StripSection } from './strip';
import type { Answers, Joining } from './useAnswers';
import type { Desk, DeskProps } from './useDesk';

export type CraftName = (typeof CRAFT_NAMES)[number];

/** The engraved lines, for whoever follows a pointer over them. */
export interface Lines {
    laid: Readonly<Ref<readonly Laid[]>>;
    /** The line under a pointer, and where on it, px of the system. */
    under(pointer: PointerEvent): { laid: Laid; x: number } | null;
}

/** What every craft works with. */
export interface Context {
    copy: DeskProps['copy'];
    desk: Desk;
    score: DeskProps['score'];
    student: DeskProps['student'];
    teacher: DeskProps['teacher'];
    answer: Answers;
    lines: Lines;
}

/** What a craft is while a desk is open. */
export interface CraftState {
    /** What can be done, each with its key; those with a label are tools. */
    keys: readonly Key[];
    /** The bars of the form strip as the craft sees them; null while nothing is known. */
    columns: ComputedRef<readonly StripColumn[] | null>;
    sections?: ComputedRef<readonly StripSection[]>;
    /** A name for note heads that are to be tinted, by id. */
    tints?: ComputedRef<ReadonlyMap<string, string> | null>;
    /** What went wrong, beyond its answers. */
    trouble?: Readonly<Ref<string>>;
    /** What is asked along with its answer. */
    asked?: ComputedRef<Readonly<Record<string, string | number>>>;
}

/**
 * A part of a teacher's work as it is shown: what the bar of tools, the lines, the lane under them and the inspector hold.
 * Every component gets `context` and `state`, those of a line `laid` too.
 */
export interface Craft<State extends CraftState = CraftState> {
    name: CraftName;
    title: string;
    /** The answers it rests on; the first is its own. */
    asks: readonly [AnswerName, ...AnswerName[]];
    joinings?: Partial<{ [N in AnswerName]: Joining<AnswerDocuments[N]> }>;
    use(context: Context): State;
    view: { tools?: Component; above?: Component; over?: Component; lane?: Component; inspector: Component };
    /** Whether it is in front when a desk is opened. */
    opens?: boolean;
    /** Class of the column of lines while it is in front. */
    look?: string;
}

/** A craft, with the type of its state checked and then forgotten. */
export function defineCraft<State extends CraftState>(craft: Craft<State>): Craft {
    return craft;
}

/** What the components of a craft get. */
export interface CraftProps<State> {
    context: Context;
    state: State;
}

/** What those of a line get. */
export interface LineProps<State> extends CraftProps<State> {
    laid: Laid;
}

/** One way to mend a finding for each of the actions a craft has: one that is forgotten does not compile. */
export type Remedies<Finding extends { remedy: { action: string } | null }> = {
    [Action in NonNullable<Finding['remedy']>['action']]: (remedy: NonNullable<Finding['remedy']>, finding: Finding) => void;
};

/** Mends a finding by its one action. */
export function mend<Finding extends { remedy: { action: string } | null }>(remedies: Remedies<Finding>, finding: Finding): void {
    const remedy = finding.remedy;
    if (remedy) remedies[remedy.action as keyof typeof remedies](remedy, finding);
}

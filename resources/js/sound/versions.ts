import type { ArchMark, PlanDocument } from '@generated/plan';
import type { Phrase } from '@generated/shape';
import { FAULTS, type Fault } from './faults';

/** Versions that are another plan; the others are faults in how this one is played. */
export type Replanned = 'planned' | 'printed' | 'earlier' | 'unshaped' | 'echo-alike';

export type Version = Replanned | Fault;

export const VERSIONS: readonly { value: Version; label: string }[] = [
    { value: 'planned', label: 'as planned' },
    { value: 'printed', label: 'as printed' },
    { value: 'earlier', label: 'as it was when you opened it' },
    { value: 'unshaped', label: 'a fault: phrases that go nowhere' },
    { value: 'echo-alike', label: 'a fault: echoes as loud' },
    ...FAULTS.map(({ value, label }) => ({ value, label: `a fault: ${label}` })),
];

/** A step of playing along: slow and plain first, then quicker and shaped. */
export const STEPS: readonly { label: string; version: Version; tempo: number }[] = [
    { label: 'slow and plain', version: 'printed', tempo: 60 },
    { label: 'slow, shaped', version: 'planned', tempo: 70 },
    { label: 'quicker, shaped', version: 'planned', tempo: 90 },
    { label: 'in tempo', version: 'planned', tempo: 100 },
];

export const isFault = (version: Version): version is Fault => FAULTS.some(({ value }) => value === version);

/** What a version is worked out from beside the plan. */
export interface Around {
    /** The plan as it was when the desk was opened, or as a version of it has it. */
    earlier: PlanDocument;
    phrases: readonly Phrase[];
    /** The place at which a phrase begins. */
    beginning: (phrase: Phrase) => ArchMark['at'] | null;
}

/** The plan that is played for a version. */
export function planOf(version: Version, plan: PlanDocument, around: Around): PlanDocument {
    switch (version) {
        case 'printed':
            return { format: plan.format, tempo: plan.tempo, settings: {}, marks: [] };
        case 'earlier':
            return around.earlier;
        case 'unshaped':
            return { ...plan, settings: { ...plan.settings, shape: { school: 'as-printed' } }, marks: plan.marks.filter(({ craft }) => craft !== 'shape') };
        case 'echo-alike':
            return { ...plan, marks: [...plan.marks.filter((mark) => mark.craft !== 'shape' || mark.kind !== 'arch'), ...alike(around)] };
        default:
            return plan;
    }
}

/** All arches as they are, but for echoes, which are as loud as what they repeat. */
function alike({ phrases, beginning }: Around): ArchMark[] {
    const levels = new Map<number, number>();
    return phrases.flatMap((phrase): ArchMark[] => {
        const level = phrase.repeats === null ? phrase.level : (levels.get(phrase.repeats) ?? phrase.level);
        levels.set(phrase.index, level);
        const at = beginning(phrase);
        return at ? [{ id: `heard-${phrase.index}`, craft: 'shape', kind: 'arch', at, rise: phrase.rise, fall: phrase.fall, level }] : [];
    });
}

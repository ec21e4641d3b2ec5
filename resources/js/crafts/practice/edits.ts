import { freshId } from '../../desk/marks';
import type { ChunkMark, ExampleMark, PlanDocument, StepMark } from '@generated/plan';

export type Kind = StepMark['step'];

/** The bars something is practised in, by their ids. */
export interface Ends {
    first: string;
    last: string;
}

/** Chunks with one more of the teacher's, in place of those it meets. */
export function cut(marks: readonly ChunkMark[], ends: Ends, place: (id: string) => number): ChunkMark[] {
    const [from, to] = [place(ends.first), place(ends.last)];
    const others = marks.filter((mark) => place(mark.last) < from || place(mark.first) > to);
    return [...others, { id: freshId('chunk', others), craft: 'practice', kind: 'chunk', ...ends }];
}

const isAt =
    ({ first, last }: Ends) =>
    (mark: Ends): boolean =>
        mark.first === first && mark.last === last;

export function release(marks: readonly ChunkMark[], ends: Ends): ChunkMark[] {
    const here = isAt(ends);
    return marks.filter((mark) => !here(mark));
}

export function stepMark(marks: readonly StepMark[], ends: Ends, step: Kind): StepMark | null {
    const here = isAt(ends);
    return marks.find((mark) => mark.step === step && here(mark)) ?? null;
}

/** Steps with one of them otherwise; what says nothing beyond the usual is no mark. */
export function setStep(
    marks: readonly StepMark[],
    ends: Ends,
    step: Kind,
    change: Partial<Pick<StepMark, 'wanted' | 'minutes' | 'text'>>,
    isUsual: boolean,
): StepMark[] {
    const before = stepMark(marks, ends, step);
    const others = marks.filter((mark) => mark !== before);
    const { minutes, text, wanted } = { wanted: true, ...before, ...change };
    if (wanted && isUsual && minutes === undefined && !text) return others;
    return [
        ...others,
        {
            id: before?.id ?? freshId('step', others),
            craft: 'practice',
            kind: 'step',
            ...ends,
            step,
            wanted,
            ...(minutes === undefined ? {} : { minutes }),
            ...(text ? { text } : {}),
        },
    ];
}

export type Settings = NonNullable<PlanDocument['settings']['practice']>;

/** Examples with one more, of these bars. */
export function addExample(marks: readonly ExampleMark[], ends: Ends, fault: ExampleMark['fault']): ExampleMark[] {
    return [...marks, { id: freshId('example', marks), craft: 'practice', kind: 'example', ...ends, fault }];
}

export function sayExample(marks: readonly ExampleMark[], id: string, words: string): ExampleMark[] {
    return marks.map((mark) => {
        if (mark.id !== id) return mark;
        const { words: before, ...rest } = mark;
        return words === '' ? rest : before === words ? mark : { ...rest, words };
    });
}

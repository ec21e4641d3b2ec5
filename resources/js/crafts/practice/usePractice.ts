import { computed } from 'vue';
import type { Context, CraftState } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import type { Chain, Chunk, PracticeStep } from '@generated/practice';
import type { ExampleMark, StepMark } from '@generated/plan';
import { addExample, cut, release, sayExample, setStep, stepMark, type Ends, type Kind } from './edits';
import { practiceStrip } from './strip';

/** Chunks, their steps, and what the teacher has otherwise. */
export function usePractice({ desk, score, answer }: Context) {
    const { known: practice } = answer('practice');
    const place = new Map(score.measures.map(({ id }, index) => [id, index]));
    const at = (id: string): number => place.get(id) ?? -1;
    const chunkMarks = computed(() => desk.marks('practice/chunk'));
    const stepMarks = computed(() => desk.marks('practice/step'));

    const chunks = computed(() => practice.value?.chunks ?? []);
    /** The chunk at the cursor. */
    const chunk = computed<Chunk | null>(() => chunks.value.find(({ bars }) => bars.first <= desk.measure.value && bars.last >= desk.measure.value) ?? null);
    const chainOf = (one: Ends): Chain | null => practice.value?.chains.find(({ key }) => key === `${one.first}..${one.last}`) ?? null;
    const chain = computed(() => chunk.value && chainOf(chunk.value));
    /** What else the bar at the cursor is practised in: its line, the whole. */
    const wider = computed(
        () =>
            practice.value?.chains.filter(
                ({ key, bars }) => key !== chain.value?.key && / |^listen$/.test(key) && bars.first <= desk.measure.value && bars.last >= desk.measure.value,
            ) ?? [],
    );
    /** Places in the order of work, by the first bar of a chunk: 1 comes first. */
    const ranks = computed(() => {
        const learnt = chunks.value.filter((one) => chainOf(one) !== null);
        const sorted = practice.value?.order === 'first' ? learnt : [...learnt].sort((a, b) => b.hardness - a.hardness);
        return new Map(sorted.map((one, index) => [one.first, index + 1]));
    });

    /** Makes the selected bars, or the bar at the cursor, one chunk. */
    function cutHere(): void {
        const { first, last } = desk.selection.value.bars;
        const [from, to] = [score.measures[first], score.measures[last]];
        if (from && to) desk.setMarks(['practice/chunk'], cut(chunkMarks.value, { first: from.id, last: to.id }, at));
    }

    function releaseHere(): void {
        if (chunk.value) desk.setMarks(['practice/chunk'], release(chunkMarks.value, chunk.value));
    }

    /** Steps the teacher has left out of a chunk. */
    const leftOut = computed(() => stepMarks.value.filter((mark) => !mark.wanted && mark.first === chunk.value?.first && mark.last === chunk.value.last));
    /** Steps she has left out of what is wider than a chunk. */
    const leftOutWider = computed(() => stepMarks.value.filter(({ wanted, step }) => !wanted && (step === 'listen' || step === 'line' || step === 'whole')));

    /** @param at another chain than that of the chunk at the cursor */
    function change(step: Kind, what: { wanted?: boolean; minutes?: number; text?: string }, at: Chain | null = null): void {
        const bars = at?.bars;
        const [from, to] = [score.measures[bars?.first ?? -1], score.measures[bars?.last ?? -1]];
        const ends = from && to ? { first: from.id, last: to.id } : chunk.value;
        if (!ends) return;
        const before = stepMark(stepMarks.value, ends, step);
        const shown: PracticeStep | undefined = (at ?? chain.value)?.steps.find(({ kind }) => kind === step);
        // A step that stands there without a mark, or was left out of what stands there, is a usual one.
        const isUsual = before ? !before.wanted : shown !== undefined;
        desk.setMarks(['practice/step'], setStep(stepMarks.value, { first: ends.first, last: ends.last }, step, what, isUsual));
    }

    const examples = computed(() => desk.marks('practice/example'));
    const setExamples = (next: readonly ExampleMark[]): void => desk.setMarks(['practice/example'], next);

    /** The selected bars, or those of the chunk at the cursor, with a fault: to be heard at home beside what is planned. */
    function exemplify(fault: ExampleMark['fault']): void {
        const { isRange, bars } = desk.selection.value;
        const [from, to] = [score.measures[bars.first], score.measures[bars.last]];
        const ends = isRange && from && to ? { first: from.id, last: to.id } : chunk.value;
        if (ends) setExamples(addExample(examples.value, { first: ends.first, last: ends.last }, fault));
    }

    const keys: Key[] = [
        { keys: ['c'], what: 'the selected bars are one chunk', label: 'One chunk', run: cutHere },
        { keys: ['x'], what: 'this chunk as it is proposed', label: 'As proposed', when: () => chunk.value?.own === true, run: releaseHere },
    ];
    const columns = computed(() => (practice.value ? practiceStrip(practice.value, score.measures.length, ranks.value) : null));

    return {
        practice,
        chunks,
        chunk,
        chain,
        wider,
        ranks,
        leftOut,
        leftOutWider,
        change,
        putBack: (mark: StepMark): void =>
            desk.setMarks(
                ['practice/step'],
                stepMarks.value.filter((one) => one !== mark),
            ),
        examples,
        exemplify,
        sayOfExample: (id: string, words: string): void => setExamples(sayExample(examples.value, id, words)),
        forgetExample: (id: string): void => setExamples(examples.value.filter((mark) => mark.id !== id)),
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

export type PracticeState = ReturnType<typeof usePractice>;

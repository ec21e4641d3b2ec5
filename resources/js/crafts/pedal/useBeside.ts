import { computed, shallowRef, watch } from 'vue';
import { keyOf } from '../../desk/bearing';
import type { Context } from '../../desk/craft';
import { sendJson } from '../../support/http';
import type { PedalAnswer } from '@generated/pedal';
import type { PedalSettings, PlanDocument } from '@generated/plan';
import { differences, placed, PEDAL_MARKS, type PedalMark, type PlacedMark } from './edits';

/** Another pedalling that is laid beside the planned one. */
export type Beside = NonNullable<PedalSettings['school']> | 'earlier';

const BESIDE: readonly { value: Beside | 'none'; label: string }[] = [
    { value: 'none', label: 'nothing' },
    { value: 'as-printed', label: 'the print' },
    { value: 'singing', label: 'singing' },
    { value: 'clean', label: 'clean' },
    { value: 'haze', label: 'haze' },
    { value: 'dampers-off', label: 'dampers off' },
];

/** A second pedalling under the planned one, and where they differ. */
export function useBeside({ desk, copy }: Context, planned: () => readonly PlacedMark[]) {
    const name = shallowRef<Beside | 'none'>('none');
    const answer = shallowRef<PedalAnswer | null>(null);
    const marks = shallowRef<readonly PedalMark[]>([]);
    const trouble = shallowRef('');

    async function lay(wanted: Beside | 'none'): Promise<void> {
        [name.value, marks.value, answer.value, trouble.value] = [wanted, [], null, ''];
        if (wanted === 'none') return;
        try {
            const other = wanted === 'earlier' ? await asEarlier() : await bySchool(wanted);
            if (name.value !== wanted) return;
            marks.value = other.plan.marks.filter((mark): mark is PedalMark => (PEDAL_MARKS as readonly string[]).includes(keyOf(mark)));
            answer.value = other.answer;
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
            name.value = 'none';
        }
    }

    /** What a school would do with the whole piece, the teacher's own pedals and passages left out. */
    async function bySchool(school: NonNullable<PedalSettings['school']>): Promise<{ plan: PlanDocument; answer: PedalAnswer }> {
        const plan = desk.plan.value;
        const rest = plan.marks.filter((mark) => mark.craft !== 'pedal');
        return sendJson('POST', `/copies/${copy.id}/suggestions/pedal`, { plan: { ...plan, settings: { ...plan.settings, pedal: { school } }, marks: rest } });
    }

    async function asEarlier(): Promise<{ plan: PlanDocument; answer: PedalAnswer }> {
        const { plan } = desk.earlier.value;
        return { plan, answer: await sendJson<PedalAnswer>('POST', `/copies/${copy.id}/answers/pedal`, { plan }) };
    }

    const others = computed(() => placed(marks.value, desk.line));
    const differ = computed(() => (name.value === 'none' || answer.value === null ? [] : differences(planned(), others.value)));

    const options = computed<typeof BESIDE>(() => [
        ...BESIDE,
        { value: 'earlier', label: desk.earlier.value.name === null ? 'as you opened it' : `“${desk.earlier.value.name}”` },
    ]);
    watch(desk.earlier, () => name.value === 'earlier' && lay('earlier'));

    return { name, options, answer, marks, others, differ, trouble, lay };
}

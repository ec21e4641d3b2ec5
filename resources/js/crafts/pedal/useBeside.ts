import { computed, shallowRef } from 'vue';
import { keyOf } from '../../desk/bearing';
import type { Context } from '../../desk/craft';
import { sendJson } from '../../support/http';
import type { PedalAnswer } from '@generated/pedal';
import type { PedalSettings, PlanDocument } from '@generated/plan';
import { differences, placed, PEDAL_MARKS, type PedalMark, type PlacedMark } from './edits';

/** Another pedalling that is laid beside the planned one. */
export type Beside = NonNullable<PedalSettings['school']> | 'opened';

export const BESIDE: readonly { value: Beside | 'none'; label: string }[] = [
    { value: 'none', label: 'nothing' },
    { value: 'as-printed', label: 'the print' },
    { value: 'singing', label: 'singing' },
    { value: 'clean', label: 'clean' },
    { value: 'haze', label: 'haze' },
    { value: 'dampers-off', label: 'dampers off' },
    { value: 'opened', label: 'as you opened it' },
];

/** A second pedalling under the planned one, and where they differ. */
export function useBeside({ desk, copy }: Context, opened: PlanDocument, planned: () => readonly PlacedMark[]) {
    const name = shallowRef<Beside | 'none'>('none');
    const answer = shallowRef<PedalAnswer | null>(null);
    const marks = shallowRef<readonly PedalMark[]>([]);
    const trouble = shallowRef('');

    async function lay(wanted: Beside | 'none'): Promise<void> {
        [name.value, marks.value, answer.value, trouble.value] = [wanted, [], null, ''];
        if (wanted === 'none') return;
        try {
            const other = wanted === 'opened' ? await asOpened() : await bySchool(wanted);
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

    async function asOpened(): Promise<{ plan: PlanDocument; answer: PedalAnswer }> {
        return { plan: opened, answer: await sendJson<PedalAnswer>('POST', `/copies/${copy.id}/answers/pedal`, { plan: opened }) };
    }

    const others = computed(() => placed(marks.value, desk.line));
    const differ = computed(() => (name.value === 'none' || answer.value === null ? [] : differences(planned(), others.value)));

    return { name, answer, marks, others, differ, trouble, lay };
}

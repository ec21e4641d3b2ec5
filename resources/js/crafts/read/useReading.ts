import { shallowRef } from 'vue';
import { sendJson } from '../../support/http';
import type { PlanDocument } from '../../types/generated/plan';
import type { ReadingDocument } from '../../types/generated/reading';

/** What the score means; asked for when it is first looked at, and again when the teacher reads something otherwise. */
export function useReading(copy: number) {
    const reading = shallowRef<ReadingDocument | null>(null);
    const busy = shallowRef(false);
    const trouble = shallowRef('');
    let asked = '';

    async function ask(plan: PlanDocument): Promise<void> {
        const question = JSON.stringify(plan.marks.filter((mark) => mark.craft === 'reading'));
        if (question === asked) return;
        asked = question;
        busy.value = true;
        try {
            // Nothing else of the plan bears on the reading.
            const marks = plan.marks.filter((mark) => mark.craft === 'reading');
            const answer = await sendJson<ReadingDocument>('POST', `/copies/${copy}/reading`, { plan: { ...plan, tempo: null, marks } });
            if (question === asked) reading.value = answer;
            trouble.value = '';
        } catch (error) {
            if (question === asked) asked = '';
            trouble.value = error instanceof Error ? error.message : '';
        } finally {
            if (question === asked || asked === '') busy.value = false;
        }
    }

    return { reading, busy, trouble, ask };
}

export type ReadingState = ReturnType<typeof useReading>;

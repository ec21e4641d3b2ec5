import { computed, shallowRef } from 'vue';
import { sendJson } from '../../support/http';
import { latestOnly } from '../../support/latest';
import type { FingeredNote, HandDocument } from '../../types/generated/hand';
import type { FingerMark, PlanDocument } from '../../types/generated/plan';

/** Another finger for a note, with the effort it costs beyond the planned one and the fingers that follow. */
export interface Alternative {
    finger: number;
    extra: number;
    words: string;
    follows: string[];
}

/** The fingers of a copy; asked for when they are first looked at, and again when what they rest on changes. */
export function useHands(copy: number, own: () => readonly FingerMark[]) {
    const hands = shallowRef<HandDocument | null>(null);
    const trouble = shallowRef('');
    let asked = '';

    /** What of a plan bears on the fingers: all but words and gestures. */
    const bearing = (plan: PlanDocument): PlanDocument => ({ ...plan, marks: plan.marks.filter((mark) => mark.craft !== 'words' && mark.kind !== 'gesture') });

    const ask = latestOnly<PlanDocument>(async (plan) => {
        const question = bearing(plan);
        const key = JSON.stringify([question.tempo, question.fingering, question.touch, question.marks]);
        if (key === asked) return;
        try {
            hands.value = await sendJson<HandDocument>('POST', `/copies/${copy}/hand`, { plan: question });
            asked = key;
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    });

    /** What was answered last, with the teacher's own fingers as they are now: those need no answer. */
    const byNote = computed<ReadonlyMap<string, FingeredNote>>(() => {
        const fingers = new Map(hands.value?.fingers.map((one) => [one.note, one]));
        for (const { note, finger } of own()) {
            const one = fingers.get(note);
            if (one) fingers.set(note, { ...one, finger, source: 'teacher' });
        }
        return fingers;
    });

    const alternatives = shallowRef<{ note: string; list: Alternative[] } | null>(null);

    /** What each finger would cost at a note. */
    async function compare(plan: PlanDocument, note: string): Promise<void> {
        try {
            const list = await sendJson<Alternative[]>('POST', `/copies/${copy}/hand/alternatives`, { plan: bearing(plan), note });
            alternatives.value = { note, list };
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    return { hands, byNote, trouble, ask, alternatives, compare };
}

export type HandsState = ReturnType<typeof useHands>;

import { computed, shallowRef } from 'vue';
import { sendJson } from '../../support/http';
import type { FingeredNote, HandDocument } from '../../types/generated/hand';
import type { PlanDocument } from '../../types/generated/plan';

/** Another finger for a note, with the effort it costs beyond the planned one and the fingers that follow. */
export interface Alternative {
    finger: number;
    extra: number;
    words: string;
    follows: string[];
}

/** The fingers of a copy; asked for when they are first looked at, and again when what they rest on changes. */
export function useHands(copy: number) {
    const hands = shallowRef<HandDocument | null>(null);
    const trouble = shallowRef('');
    let asked = '';
    let asking = false;
    let next: PlanDocument | null = null;

    /** Of questions that come while one is under way only the last is asked. */
    async function ask(plan: PlanDocument): Promise<void> {
        const marks = plan.marks.filter((mark) => mark.craft === 'hand' || mark.craft === 'reading');
        const question = JSON.stringify([plan.tempo, plan.fingering, marks]);
        if (question === asked) return;
        next = plan;
        if (asking) return;
        asking = true;
        while (next) {
            const now: PlanDocument = next;
            next = null;
            const bearing = now.marks.filter((mark) => mark.craft === 'hand' || mark.craft === 'reading');
            try {
                hands.value = await sendJson<HandDocument>('POST', `/copies/${copy}/hand`, { plan: { ...now, marks: bearing } });
                asked = JSON.stringify([now.tempo, now.fingering, bearing]);
                trouble.value = '';
            } catch (error) {
                trouble.value = error instanceof Error ? error.message : '';
            }
        }
        asking = false;
    }

    const byNote = computed<ReadonlyMap<string, FingeredNote>>(() => new Map(hands.value?.fingers.map((one) => [one.note, one])));

    const alternatives = shallowRef<{ note: string; list: Alternative[] } | null>(null);

    /** What each finger would cost at a note. */
    async function compare(plan: PlanDocument, note: string): Promise<void> {
        const marks = plan.marks.filter((mark) => mark.craft === 'hand' || mark.craft === 'reading');
        try {
            const list = await sendJson<Alternative[]>('POST', `/copies/${copy}/hand/alternatives`, { plan: { ...plan, marks }, note });
            alternatives.value = { note, list };
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    return { hands, byNote, trouble, ask, alternatives, compare };
}

export type HandsState = ReturnType<typeof useHands>;

import { computed, ref, shallowRef, watch } from 'vue';
import type { Desk, DeskProps } from '../../desk/useDesk';
import { sendJson } from '../../support/http';
import { latestOnly } from '../../support/latest';
import type { PlanDocument } from '../../types/generated/plan';
import type { KeyLength, TouchDocument } from '../../types/generated/touch';
import { ARTICULATIONS, articulate, clear, type Articulation } from './edits';

/** How long each key is held and what is heard of it; and what the teacher does about it at the cursor. */
export function useTouch(copy: number, desk: Desk, score: DeskProps['score']) {
    const touch = shallowRef<TouchDocument | null>(null);
    const trouble = shallowRef('');
    let asked: PlanDocument | null = null;

    const ask = latestOnly<PlanDocument>(async (plan) => {
        if (plan === asked) return;
        try {
            touch.value = await sendJson<TouchDocument>('POST', `/copies/${copy}/touch`, { plan });
            asked = plan;
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    });

    const byNote = computed<ReadonlyMap<string, KeyLength>>(() => new Map(touch.value?.lengths.map((one) => [one.note, one])));

    /** The keys struck at the cursor, from the top down; none is selected for all of them. */
    const now = computed(() => {
        const found = (score.moments[desk.cursor.value]?.notes ?? []).map((note) => byNote.value.get(note)).filter((one) => one !== undefined);
        return found.sort((a, b) => b.midi - a.midi);
    });
    const selected = ref<number | null>(null);
    watch(desk.cursor, () => (selected.value = null));

    function reach(): string[] {
        const one = selected.value === null ? null : now.value[selected.value];
        return one ? [one.note] : now.value.map(({ note }) => note);
    }

    const select = (index: number): void => void (selected.value = selected.value === index ? null : index);
    const leave = (articulation: Articulation): void => desk.setTouch(articulate(desk.touch.value, reach(), articulation));
    const restore = (): void => desk.setTouch(clear(desk.touch.value, reach()));

    /** The keys of the view. */
    const keys: Record<string, () => void> = {
        k: () =>
            (selected.value = now.value.length === 0 ? null : selected.value === null ? 0 : selected.value + 1 < now.value.length ? selected.value + 1 : null),
        '0': restore,
        Backspace: restore,
        ...Object.fromEntries(ARTICULATIONS.map(({ articulation, key }) => [key.toLowerCase(), () => leave(articulation)])),
    };

    return { touch, byNote, trouble, ask, now, selected, select, leave, restore, keys };
}

export type TouchState = ReturnType<typeof useTouch>;

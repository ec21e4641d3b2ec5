import { ref, watch, type Ref } from 'vue';
import type { Desk } from './useDesk';

/**
 * Which of the notes at the cursor is selected: the one whose head was clicked, else what a craft begins with.
 *
 * @param ids of the notes at the cursor, in the craft's order
 * @param otherwise an index, or null for all of them
 */
export function usePicked<None extends number | null>(
    desk: Pick<Desk, 'cursor' | 'picked'>,
    ids: () => readonly string[],
    otherwise: None,
): Ref<number | None> {
    const selected = ref(otherwise) as Ref<number | None>;
    watch([desk.cursor, desk.picked], () => {
        const index = desk.picked.value === null ? -1 : ids().indexOf(desk.picked.value);
        selected.value = index < 0 ? otherwise : index;
    });
    return selected;
}

import { computed, ref } from 'vue';
import type { Context, CraftState } from '../../desk/craft';
import { countStrip } from './strip';
import { useTapAlong } from './useTapAlong';

/** How the piece is counted, at the chosen number of syllables to a beat. */
export function useCount(context: Context) {
    const { known: counting } = context.answer('count');
    /** 0 for what each bar needs. */
    const subdivision = ref(0);
    const subdivide = (syllables: number): void => void (subdivision.value = syllables);
    const tapping = useTapAlong(context, counting, context.answer('read').known);

    const asked = computed(() => (subdivision.value > 0 ? { subdivision: subdivision.value } : {}));
    const columns = computed(() => counting.value && countStrip(context.score.measures.length, counting.value));

    return { counting, subdivision, subdivide, tapping, asked, columns, keys: tapping.keys } satisfies CraftState & Record<string, unknown>;
}

export type CountState = ReturnType<typeof useCount>;

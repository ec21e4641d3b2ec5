import { computed, ref } from 'vue';
import type { Context, CraftState } from '../../desk/craft';
import type { Naming } from '../../desk/naming';
import { fractionValue } from '../../support/fraction';
import { twins } from '../../desk/twins';
import { readStrip, stripSections } from './strip';
import { useCorrections } from './useCorrections';

/** What the score means, and what the teacher reads otherwise. */
export function useRead(context: Context) {
    const { desk, score, answer } = context;
    const { known: reading } = answer('read');
    const corrections = useCorrections(context, reading);
    const naming = ref<Naming>('both');
    const name = (value: Naming): void => void (naming.value = value);

    const starts = score.measures.map((measure) => fractionValue(measure.start));
    const columns = computed(() => reading.value && readStrip(starts.length, reading.value, desk.measure.value));
    const sections = computed(() => (reading.value ? stripSections(starts, reading.value) : []));
    /** Layers by the ids of all note heads. */
    const tints = computed(() => reading.value && new Map(reading.value.notes.flatMap(({ pieces, layer }) => pieces.map((id) => [id, layer] as const))));
    const alike = computed(() => new Set(twins(reading.value?.likenesses ?? [], desk.measure.value).map(({ measure }) => score.measures[measure]?.id ?? '')));

    return { reading, corrections, naming, name, alike, columns, sections, tints, keys: corrections.keys } satisfies CraftState & Record<string, unknown>;
}

export type ReadState = ReturnType<typeof useRead>;

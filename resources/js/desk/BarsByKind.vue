<script setup lang="ts" generic="Kind extends string">
import { computed } from 'vue';
import type { MeasureData } from './useDesk';

/** All places of a piece to look at, by kind, each with its bars to jump to. */
const props = defineProps<{ places: readonly { kind: Kind; measure: number }[]; names: Readonly<Record<Kind, string>>; measures: MeasureData[] }>();
const emit = defineEmits<{ jump: [measure: number] }>();

const rows = computed(() => {
    const kinds = new Map<Kind, number[]>();
    for (const { kind, measure } of props.places) {
        const bars = kinds.get(kind) ?? [];
        if (bars.at(-1) !== measure) bars.push(measure);
        kinds.set(kind, bars);
    }
    return [...kinds].map(([kind, bars]) => ({ kind, name: props.names[kind], bars }));
});
</script>

<template>
    <p v-if="rows.length === 0" class="quiet">Nothing found.</p>
    <dl>
        <template v-for="row in rows" :key="row.kind">
            <dt>{{ row.name }}</dt>
            <dd>
                <button
                    v-for="index in row.bars"
                    :key="index"
                    type="button"
                    :aria-label="`${row.name}: go to bar ${measures[index]?.number}`"
                    @click="emit('jump', index)"
                >
                    {{ measures[index]?.number }}
                </button>
            </dd>
        </template>
    </dl>
</template>

<style scoped>
p,
dl,
dd {
    margin: 0;
}

dt {
    margin-top: 6px;
    color: var(--quiet);
}

dd {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
}

button {
    min-width: 30px;
    padding: 2px 6px;
    font: inherit;
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}
</style>

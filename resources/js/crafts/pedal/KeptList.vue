<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import { depthName } from './depth';
import type { PedalState } from './usePedal';

/** Other pedallings of the passage at the cursor that the teacher has kept, each with its reason. */
const props = defineProps<CraftProps<PedalState>>();

const { desk, score } = props.context;
const here = computed(() => {
    const time = desk.times[desk.cursor.value] ?? 0;
    return props.state.kept.value.filter(({ from, to }) => from <= time && time < to);
});

function what({ pedals }: (typeof here.value)[number]['mark']): string {
    const spans = pedals.filter(({ kind }) => kind === 'span');
    const depths = [...new Set(spans.map(({ depth }) => depthName(depth)))];
    return spans.length === 0
        ? 'no pedal'
        : `${spans.length} ${spans.length === 1 ? 'pedal' : 'pedals'}${depths.some((depth) => depth !== 'full') ? `, ${depths.join(' and ')}` : ''}`;
}

function bars({ from, to }: (typeof here.value)[number]): string {
    const numbers = score.moments
        .filter((_, index) => desk.times[index]! >= from && desk.times[index]! < to)
        .map(({ measure }) => score.measures[measure]!.number);
    return numbers[0] === numbers.at(-1) ? `bar ${numbers[0]}` : `bars ${numbers[0]} to ${numbers.at(-1)}`;
}
</script>

<template>
    <section v-if="here.length > 0" aria-label="Kept beside">
        <h3>Kept beside</h3>
        <article v-for="one in here" :key="one.mark.id">
            <p>{{ what(one.mark) }}, {{ bars(one) }}</p>
            <a-input
                size="small"
                placeholder="Why it may be good"
                aria-label="Reason for this pedalling"
                :value="one.mark.words"
                :maxlength="500"
                @change="(event: Event) => state.setKept(one.mark, (event.target as HTMLInputElement).value)"
            />
            <a-button size="small" @click="state.choose(one.mark)">Use this</a-button>
            <a-button size="small" type="text" @click="state.setKept(one.mark, null)">Forget</a-button>
        </article>
    </section>
</template>

<style scoped>
h3 {
    margin-bottom: 2px;
}

article {
    margin-bottom: 6px;
    padding-left: 10px;
    border-left: 2px solid var(--line);
}

p {
    margin: 0 0 2px;
}
</style>

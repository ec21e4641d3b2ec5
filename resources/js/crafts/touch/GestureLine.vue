<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import type { TouchState } from './useTouch';

/** The gestures of a line, in the teacher's words, above it. */
const props = defineProps<LineProps<TouchState>>();

const here = computed(() => {
    const last: number[] = [];
    return props.state.placedGestures.value
        .filter(({ time }) => time >= props.laid.from - 1e-6 && time < props.laid.to - 1e-6)
        .map(({ mark, time }) => ({ mark, x: xAt(props.laid, time) - 4 }))
        .sort((a, b) => a.x - b.x)
        .map((one) => {
            // Words that would run into each other go to a row of their own.
            const free = last.findIndex((end) => end < one.x - 8);
            const row = free < 0 ? last.length : free;
            last[row] = one.x + 6.6 * one.mark.text.length;
            return { ...one, y: 13 + 15 * row };
        });
});
const height = computed(() => Math.max(...here.value.map(({ y }) => y), 0) + 5);
</script>

<template>
    <svg v-if="here.length > 0" class="gestures" :viewBox="`0 0 ${laid.system.width} ${height}`" role="img" aria-label="Gestures of this line">
        <text v-for="{ mark, x, y } in here" :key="mark.id" :x="x" :y="y">{{ mark.text }}</text>
    </svg>
</template>

<style scoped>
.gestures {
    display: block;
    width: 100%;
}

text {
    font: italic 13.5px var(--serif);
    fill: var(--lake);
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import type { CrossRhythm } from '@generated/count';

const props = defineProps<{ cross: CrossRhythm }>();

const WIDTH = 270;
const places = computed(() => props.cross.upper * props.cross.lower);
const inOneHand = computed(() => props.cross.hand !== null);
const x = (place: number): number => 8 + (place / places.value) * (WIDTH - 16);
</script>

<template>
    <figure>
        <svg :viewBox="`0 0 ${WIDTH} 64`" role="img" :aria-label="`${cross.words}: ${cross.spoken}`">
            <line v-for="place in places" :key="place" :x1="x(place - 1)" :x2="x(place - 1)" y1="8" y2="56" class="grid" />
            <g v-for="stroke in cross.grid" :key="stroke.place">
                <circle v-if="stroke.hand !== 'left' && stroke.hand !== 'lower'" :cx="x(stroke.place)" cy="16" r="6" class="right" />
                <rect v-if="stroke.hand !== 'right' && stroke.hand !== 'upper'" :x="x(stroke.place) - 5.5" y="42" width="11" height="11" class="left" />
                <line v-if="stroke.hand === 'together'" :x1="x(stroke.place)" :x2="x(stroke.place)" y1="16" y2="48" class="together" />
            </g>
        </svg>
        <figcaption>
            <template v-if="inOneHand">{{ cross.words }}, upper against lower voice: {{ cross.spoken }}.</template>
            <template v-else>{{ cross.upper }} right against {{ cross.lower }} left: {{ cross.spoken }}.</template>
        </figcaption>
    </figure>
</template>

<style scoped>
figure {
    margin: 4px 0 10px;
}

.grid {
    stroke: var(--line);
}

.right {
    fill: var(--lake);
}

.left {
    fill: var(--heather);
}

.together {
    stroke: var(--ink);
    stroke-width: 1.5;
}

figcaption {
    color: var(--quiet);
    font-size: 0.93em;
}
</style>

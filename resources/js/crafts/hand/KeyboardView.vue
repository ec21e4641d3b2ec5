<script setup lang="ts">
import { computed } from 'vue';
import type { FingeredNote } from '@generated/hand';
import { keysAround } from './keyboard';

/** Where the fingers stand on the keys now, and where they go next. */
const props = defineProps<{ now: FingeredNote[]; next: FingeredNote[] }>();

const keys = computed(() => keysAround([...props.now, ...props.next].map(({ midi }) => midi)));
const whites = computed(() => keys.value.filter(({ black }) => !black).length);
const place = computed(() => new Map(keys.value.map((key) => [key.midi, key])));

const HEIGHT = 4.2;

function at({ midi }: FingeredNote, next: boolean): { x: number; y: number } {
    const key = place.value.get(midi);
    return { x: (key?.x ?? 0) + (key?.black ? 0.32 : 0.5), y: (key?.black ? 1.5 : 3.1) + (next ? 0.62 : 0) };
}
</script>

<template>
    <svg :viewBox="`0 0 ${whites} ${HEIGHT + 0.1}`" role="img" :aria-label="`Fingers now: ${now.map(({ name, finger }) => `${name} ${finger}`).join(', ')}`">
        <rect v-for="key in keys.filter(({ black }) => !black)" :key="key.midi" :x="key.x" y="0.05" width="1" :height="HEIGHT" class="white" />
        <rect v-for="key in keys.filter(({ black }) => black)" :key="key.midi" :x="key.x" y="0.05" width="0.64" :height="HEIGHT * 0.6" class="black" />
        <g v-for="one in next" :key="`next ${one.note}`" :class="['next', one.hand]">
            <circle :cx="at(one, true).x" :cy="at(one, true).y" r="0.3" />
        </g>
        <g v-for="one in now" :key="one.note" :class="one.hand">
            <circle :cx="at(one, false).x" :cy="at(one, false).y" r="0.42" />
            <text :x="at(one, false).x" :y="at(one, false).y + 0.22">{{ one.finger.charAt(0) }}</text>
        </g>
    </svg>
</template>

<style scoped>
svg {
    display: block;
    width: 100%;
    max-height: 92px;
}

.white {
    fill: #fff;
    stroke: #8d9499;
    stroke-width: 0.04;
}

.black {
    fill: #3a444a;
}

.right circle {
    fill: var(--lake);
}

.left circle {
    fill: var(--heather);
}

.next circle {
    fill: none;
    stroke-width: 0.09;
    stroke-dasharray: 0.2 0.12;
}

.next.right circle {
    stroke: var(--lake);
}

.next.left circle {
    stroke: var(--heather);
}

text {
    font: 600 0.6px var(--sans);
    text-anchor: middle;
    fill: #fff;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import { xAt, type Laid } from '../engraving/layout';

/** The teacher's words over a line, those of a passage with a rule to its end. Times are quarters from the beginning. */
const props = defineProps<{ laid: Laid; words: readonly { id: string; text: string; time: number; to?: number | null }[]; title: string }>();

/** px of a letter, about. */
const LETTER = 6.6;

const here = computed(() => {
    const { from, to, right, left } = props.laid;
    const last: number[] = [];
    return props.words
        .filter((word) => word.time < to - 1e-6 && (word.to ?? word.time + 1e-3) > from + 1e-6)
        .map((word) => {
            const begins = word.time >= from - 1e-6;
            const x = begins ? xAt(props.laid, word.time) - 4 : left;
            const text = begins ? word.text : `(${word.text})`;
            const end = x + LETTER * text.length;
            const rule = word.to == null ? null : word.to >= to - 1e-6 ? right : xAt(props.laid, word.to) - 8;
            return { id: word.id, text, x, end, rule: rule !== null && rule > end + 8 ? rule : null };
        })
        .sort((a, b) => a.x - b.x)
        .map((one) => {
            // Words that would run into each other go to a row of their own.
            const free = last.findIndex((end) => end < one.x - 8);
            const row = free < 0 ? last.length : free;
            last[row] = one.rule ?? one.end;
            return { ...one, y: 13 + 15 * row };
        });
});
const height = computed(() => Math.max(...here.value.map(({ y }) => y), 0) + 5);
</script>

<template>
    <svg v-if="here.length > 0" class="words" :viewBox="`0 0 ${laid.system.width} ${height}`" role="img" :aria-label="title">
        <g v-for="{ id, text, x, y, end, rule } in here" :key="id">
            <text :x="x" :y="y">{{ text }}</text>
            <path v-if="rule !== null" :d="`M${end + 5} ${y - 4} H${rule} v5`" />
        </g>
    </svg>
</template>

<style scoped>
.words {
    display: block;
    width: 100%;
}

text {
    font: italic 13.5px var(--serif);
    fill: var(--lake);
}

path {
    fill: none;
    stroke: var(--lake);
    stroke-dasharray: 4 4;
}
</style>

<script setup lang="ts">
import { computed, onMounted, useTemplateRef, watch } from 'vue';
import { svgElement } from '../engraving/engraver';
import type { System } from '../engraving/geometry';
import type { CopyLine } from './lines';
import CopyRow from './CopyRow.vue';

/** One engraved line of a copy with what is drawn over and under it, and the notes to its bars. */
const props = defineProps<{ system: System; line: CopyLine | null; number: string; left: number; notes: { bar: string; text: string }[] }>();

const engraved = useTemplateRef<HTMLElement>('engraved');
const draw = (): void => engraved.value?.replaceChildren(svgElement(props.system.svg));
onMounted(draw);
watch(() => props.system, draw);

const box = (height: number): string => `0 0 ${props.system.width} ${height}`;
const above = computed(() => Math.max(11, props.line?.aboveHeight ?? 11));
</script>

<template>
    <div class="line">
        <svg class="row" :viewBox="box(above)" aria-hidden="true">
            <CopyRow v-for="(row, index) in line?.above ?? []" :key="index" :drawn="row.drawn" :transform="`translate(0 ${row.top})`" />
            <text class="number" :x="left" :y="above - 2">{{ number }}</text>
        </svg>
        <div class="stack">
            <div ref="engraved" class="engraving page" />
            <svg v-if="line && line.over.shapes.length > 0" class="over" :viewBox="box(system.height)" aria-hidden="true"><CopyRow :drawn="line.over" /></svg>
        </div>
        <svg v-if="line && line.below.length > 0" class="row" :viewBox="box(line.belowHeight)" role="img" aria-label="Pedal and count of this line">
            <CopyRow v-for="(row, index) in line.below" :key="index" :drawn="row.drawn" :transform="`translate(0 ${row.top})`" />
        </svg>
        <p v-for="note in notes" :key="note.bar + note.text" class="note">
            <b>Bar {{ note.bar }}</b> {{ note.text }}
        </p>
    </div>
</template>

<style scoped>
.line {
    break-inside: avoid;
    margin-bottom: 6px;
    color: #000;
}

.row,
.over {
    display: block;
    width: 100%;
    overflow: visible;
}

.stack {
    position: relative;
}

.over {
    position: absolute;
    inset: 0;
    height: 100%;
}

.engraving :deep(svg) {
    display: block;
    width: 100%;
    height: auto;
}

.engraving :deep(.mNum) {
    display: none;
}

.number {
    font: italic 8.5px var(--serif);
}

.note {
    margin: 2px 0 0 18px;
    font: 0.95rem var(--serif);
    white-space: pre-line;
}

@media screen {
    .row,
    .over {
        color: #22505a;
    }
}
</style>

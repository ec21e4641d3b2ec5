<script setup lang="ts">
import { computed } from 'vue';
import type { StripColumn, StripSection } from './strip';
import type { Desk, MeasureData } from './useDesk';

const props = withDefaults(defineProps<{ measures: MeasureData[]; columns: StripColumn[]; desk: Desk; sections?: StripSection[] }>(), {
    sections: () => [],
});

const HEIGHT = 26;

const current = computed(() => props.desk.measure.value);
const selection = computed(() => props.desk.selection.value);
const every = computed(() => Math.max(1, Math.ceil(props.measures.length / 24)));
</script>

<template>
    <nav class="strip" aria-label="The whole piece, bar by bar">
        <div v-if="sections.length > 0" class="sections">
            <button
                v-for="section in sections"
                :key="section.from"
                type="button"
                :style="{ flexGrow: section.to - section.from }"
                :aria-label="`Section ${section.letter}`"
                tabindex="-1"
                @click="desk.moveToMeasure(section.from)"
            >
                {{ section.letter }}
            </button>
        </div>
        <div class="bars">
            <button
                v-for="(column, index) in columns"
                :key="index"
                type="button"
                :class="['bar', { current: index === current, selected: selection.isRange && index >= selection.bars.first && index <= selection.bars.last }]"
                :aria-label="`Bar ${measures[index]?.number}: ${column.says}`"
                :aria-current="index === current"
                tabindex="-1"
                @click="desk.moveToMeasure(index)"
            >
                <span v-if="column.sign" :class="['sign', column.sign]" />
                <span :class="['column', `tint-${column.look}`]" :style="{ height: `${Math.max(3, column.height * HEIGHT)}px` }" />
                <span class="number">{{ index % every === 0 || index === current ? measures[index]?.number : '' }}</span>
            </button>
        </div>
    </nav>
</template>

<style scoped>
.strip {
    padding: 6px 16px 2px;
    background: var(--sheet);
    border-top: 1px solid var(--line);
}

.sections {
    display: flex;
    gap: 2px;
}

.bars {
    display: flex;
    align-items: flex-end;
    gap: 1px;
}

.sections button {
    flex: 1 1 0;
    min-width: 0;
    padding: 0;
    font: 600 13px/17px var(--serif);
    color: var(--lake);
    background: var(--lake-pale);
    border: 0;
    border-radius: 3px;
    cursor: pointer;
}

.bar {
    position: relative;
    flex: 1 1 0;
    min-width: 0;
    height: 58px;
    padding: 0;
    display: flex;
    flex-direction: column;
    justify-content: flex-end;
    border: 0;
    background: none;
    cursor: pointer;
}

.column {
    border-radius: 2px 2px 0 0;
    border-bottom: 1px solid var(--quiet);
}

.current {
    background: var(--lake-pale);
    border-radius: 4px;
}

.selected {
    box-shadow: inset 0 2px 0 var(--heather);
}

.number {
    height: 17px;
    font: 11px/17px var(--sans);
    color: var(--quiet);
    text-align: center;
    white-space: nowrap;
}

.current .number {
    color: var(--ink);
    font-weight: 600;
}

.sign {
    position: absolute;
    top: 2px;
    left: calc(50% - 4px);
    width: 8px;
    height: 8px;
    background: var(--amber);
    clip-path: polygon(50% 0, 100% 100%, 0 100%);
}

.sign.serious {
    background: var(--rust);
    clip-path: none;
}
</style>

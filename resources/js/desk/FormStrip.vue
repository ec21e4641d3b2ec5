<script setup lang="ts">
import { computed } from 'vue';
import { blurHeight, blurName } from '../crafts/pedal/blur';
import { fractionValue } from '../support/fraction';
import type { Examination } from '../types/generated/examination';
import type { MeasureData } from './useDesk';

const props = defineProps<{ measures: MeasureData[]; examination: Examination; current: number }>();
const emit = defineEmits<{ jump: [measure: number] }>();

const HEIGHT = 34;

const columns = computed(() => {
    const worst = props.measures.map(() => 0);
    let bar = 0;
    for (const { onset, value } of props.examination.blur) {
        const time = fractionValue(onset);
        while (bar + 1 < props.measures.length && fractionValue(props.measures[bar + 1]!.start) <= time) bar++;
        worst[bar] = Math.max(worst[bar] ?? 0, value);
    }
    const severe = new Map<number, string>();
    for (const { measure, severity } of props.examination.findings) {
        if (severity !== 'hint' && severe.get(measure) !== 'serious') severe.set(measure, severity);
    }
    return props.measures.map((measure, index) => {
        const value = worst[index] ?? 0;
        return {
            index,
            number: measure.number,
            value,
            name: blurName(value),
            height: Math.max(3, blurHeight(value) * (HEIGHT - 8)),
            severity: severe.get(index),
        };
    });
});

const every = computed(() => Math.max(1, Math.ceil(props.measures.length / 24)));
</script>

<template>
    <nav class="strip" aria-label="The whole piece, bar by bar">
        <button
            v-for="column in columns"
            :key="column.index"
            type="button"
            :class="['bar', column.name, { current: column.index === current }]"
            :aria-label="`Bar ${column.number}: blur ${column.value.toFixed(2)}, ${column.name}${column.severity ? ', with findings' : ''}`"
            :aria-current="column.index === current"
            tabindex="-1"
            @click="emit('jump', column.index)"
        >
            <span v-if="column.severity" :class="['sign', column.severity]" />
            <span class="column" :style="{ height: `${column.height}px` }" />
            <span class="number">{{ column.index % every === 0 || column.index === current ? column.number : '' }}</span>
        </button>
    </nav>
</template>

<style scoped>
.strip {
    display: flex;
    align-items: flex-end;
    gap: 1px;
    padding: 6px 16px 2px;
    background: var(--sheet);
    border-top: 1px solid var(--line);
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
    background: var(--clear);
    border-radius: 2px 2px 0 0;
    border-bottom: 1px solid var(--quiet);
}

.veiled .column {
    background: var(--veiled);
}

.cloudy .column {
    background: var(--cloudy);
}

.muddy .column {
    background: repeating-linear-gradient(45deg, var(--muddy) 0 4px, #b98c76 4px 5px);
}

.current {
    background: var(--lake-pale);
    border-radius: 4px;
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

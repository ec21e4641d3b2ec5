<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { ReadState } from './useRead';

/** Phrases as arches above a line; the stronger a beginning, the bolder the arch's foot. */
const props = defineProps<LineProps<ReadState>>();

const reading = props.state.reading;

const HEIGHT = 30;
const FOOT = 27;

const starts = computed(() => (reading.value?.boundaries ?? []).map((boundary) => ({ boundary, time: fractionValue(boundary.at) })));

const arches = computed(() => {
    const { from, to, left, right } = props.laid;
    return starts.value.flatMap(({ boundary, time }, index) => {
        const end = starts.value[index + 1]?.time ?? Infinity;
        if (time >= to - 1e-9 || end <= from + 1e-9) return [];
        const begins = time >= from - 1e-9;
        const closes = end <= to + 1e-9;
        const a = begins ? xAt(props.laid, time) - 5 : left;
        const b = closes ? (end >= to - 1e-9 ? right : xAt(props.laid, end)) - 9 : right;
        const top = 9;
        const bend = Math.min(26, (b - a) / 3);
        const rise = begins ? `M${a} ${FOOT} C${a} ${top} ${a + bend * 0.4} ${top} ${a + bend} ${top}` : `M${a} ${top}`;
        const fall = closes ? `H${b - bend} C${b - bend * 0.4} ${top} ${b} ${top} ${b} ${FOOT}` : `H${b}`;
        return [{ boundary, path: `${rise} ${fall}`, foot: begins ? a : null }];
    });
});

const sections = computed(() =>
    (reading.value?.sections ?? []).flatMap((section) => {
        const time = fractionValue(section.from);
        return time >= props.laid.from - 1e-9 && time < props.laid.to - 1e-9 ? [{ section, x: xAt(props.laid, time) + 8 }] : [];
    }),
);
</script>

<template>
    <svg v-if="reading" class="arches" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Phrases of this line">
        <g v-for="arch in arches" :key="arch.boundary.at" :class="{ fixed: arch.boundary.fixed }">
            <path class="arch" :d="arch.path" />
            <path v-if="arch.foot !== null" class="foot" :d="`M${arch.foot} ${FOOT} v-9`" :style="{ strokeWidth: 1.2 + 3.2 * arch.boundary.strength }" />
            <title>{{ arch.boundary.reasons.join(', ') }}</title>
        </g>
        <text v-for="{ section, x } in sections" :key="section.from" :x="x" y="25">{{ section.letter }}</text>
    </svg>
</template>

<style scoped>
.arches {
    display: block;
    width: 100%;
    margin-bottom: -4px;
}

path {
    fill: none;
    stroke: #4d7a80;
}

.arch {
    stroke-width: 1.5;
}

.fixed path {
    stroke: var(--ink);
}

text {
    font: 600 15px var(--serif);
    fill: var(--lake);
}
</style>

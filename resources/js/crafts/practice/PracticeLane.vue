<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Chunk } from '@generated/practice';
import type { PracticeState } from './usePractice';

/** Under a line: what is practised as one, how hard it is, and where it comes in the order of work. */
const props = defineProps<LineProps<PracticeState>>();

const HEIGHT = 30;
const most = computed(() => Math.max(0.01, ...props.state.chunks.value.map(({ hardness }) => hardness)));
const number = (bar: number): string => props.context.score.measures[bar]?.number ?? '';

const shown = computed(() =>
    props.state.chunks.value.flatMap((chunk) => {
        const [from, to] = [fractionValue(chunk.from), fractionValue(chunk.to)];
        if (from >= props.laid.to || to <= props.laid.from) return [];
        const left = from < props.laid.from ? props.laid.left : xAt(props.laid, from) - 7;
        const right = (to >= props.laid.to ? props.laid.right : xAt(props.laid, to) - 7) - 5;
        return [{ chunk, left, right, begins: from >= props.laid.from, ends: to <= props.laid.to, words: words(chunk, right - left) }];
    }),
);

function words(chunk: Chunk, width: number): string {
    const rank = props.state.ranks.value.get(chunk.first);
    const twin = chunk.twin && `${chunk.twin.differences.length > 0 ? '≈' : '='} ${number(chunk.twin.bars.first)}–${number(chunk.twin.bars.last)}`;
    const all = [rank === undefined ? '' : `${rank}.`, twin ?? '', chunk.reasons[0] ?? ''].filter((part) => part !== '').join('  ');
    const room = Math.max(3, Math.floor((width - 10) / 6));
    return all.length <= room ? all : `${all.slice(0, room - 1)}…`;
}
</script>

<template>
    <svg v-if="state.practice.value" class="practice" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="group" aria-label="Chunks of this line">
        <g
            v-for="{ chunk, left, right, begins, ends, words: label } in shown"
            :key="chunk.first"
            :class="['chunk', { here: chunk.first === state.chunk.value?.first, own: chunk.own, known: !state.ranks.value.has(chunk.first) }]"
            role="button"
            :aria-label="`Chunk of bars ${number(chunk.bars.first)} to ${number(chunk.bars.last)}`"
            @click="context.desk.moveToMeasure(chunk.bars.first)"
        >
            <rect class="area" :x="left" y="0" :width="Math.max(0, right - left)" :height="HEIGHT" />
            <rect class="hard" :x="left" y="3" :width="Math.max(0, right - left)" height="5" :style="{ opacity: 0.2 + (0.8 * chunk.hardness) / most }" />
            <path class="bracket" :d="`${begins ? `M${left} 14 v-12` : `M${left} 2`} H${right} ${ends ? 'v12' : ''}`" />
            <text :x="left + 5" y="22">{{ label }}</text>
            <title>{{ [`Bars ${number(chunk.bars.first)}–${number(chunk.bars.last)}`, ...chunk.reasons].join('; ') }}</title>
        </g>
    </svg>
</template>

<style scoped>
.practice {
    display: block;
    width: 100%;
    overflow: visible;
}

.chunk {
    cursor: pointer;
}

.area {
    fill: transparent;
}

.here .area {
    fill: #e4ecea;
}

.hard {
    fill: #b9814a;
}

.known .hard {
    fill: #9aa8a4;
}

.bracket {
    fill: none;
    stroke: #6f8a8e;
    stroke-width: 1.3;
}

.own .bracket {
    stroke: var(--ink);
    stroke-width: 2.2;
}

text {
    font: 600 11px var(--serif);
    fill: var(--ink);
}

.known text {
    fill: var(--quiet);
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { layLevels, lineThrough, steps } from './curves';
import LevelRules from './LevelRules.vue';
import type { ShapeState } from './useShape';

/** Under a line: how loud the melody is note by note, against what is printed, with the teacher's dynamics and hairpins. */
const props = defineProps<LineProps<ShapeState>>();

const HEIGHT = 84;

const line = computed(() => {
    const levels = props.state.shape.value?.levels ?? [];
    const sung = levels.filter(({ layer }) => layer === 'melody');
    return sung.length > 0 ? sung : levels;
});
const planned = computed(() => layLevels(props.laid, line.value, HEIGHT));
const printed = computed(() => layLevels(props.laid, line.value, HEIGHT, (level) => level.printed));

const flagged = computed(() => new Map((props.state.shape.value?.findings ?? []).flatMap((finding) => finding.notes.map((note) => [note, finding] as const))));

const isHere = (time: number): boolean => time >= props.laid.from - 1e-6 && time < props.laid.to - 1e-6;
const quarters = (place: { measure: string; offset: string }): number => props.context.desk.line.quarters(place) ?? -1;

const dynamics = computed(() =>
    props.state.dynamics.value
        .map((mark) => ({ mark, time: quarters(mark.at) }))
        .filter(({ time }) => isHere(time))
        .map(({ mark, time }) => ({ mark, x: xAt(props.laid, time) })),
);

const hairpins = computed(() =>
    props.state.hairpins.value
        .map((mark) => ({ mark, from: quarters(mark.from), to: quarters(mark.to) }))
        .filter(({ from, to }) => from >= 0 && from < props.laid.to - 1e-6 && to > props.laid.from + 1e-6)
        .map(({ mark, from, to }) => {
            const [a, b] = [xAt(props.laid, from), xAt(props.laid, to)];
            const [thin, wide] = mark.grows ? [a, b] : [b, a];
            return { mark, path: `M${wide} ${HEIGHT - 18} L${thin} ${HEIGHT - 12} L${wide} ${HEIGHT - 6}` };
        }),
);
</script>

<template>
    <svg v-if="state.shape.value" class="shape" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Dynamics of this line">
        <LevelRules :laid="laid" :height="HEIGHT" />
        <path class="printed" :d="steps(printed, laid.right)" />
        <path class="planned" :d="lineThrough(planned)" />
        <g v-for="{ level, x, y } in planned" :key="level.note" :class="{ flagged: flagged.has(level.note) }">
            <circle :cx="x" :cy="y" r="3" />
            <path v-if="flagged.has(level.note)" class="flag" :d="`M${x} ${y - 14} l5 8 h-10 z`" />
            <title>
                {{ `${level.name}: ${level.grade}` + (flagged.has(level.note) ? `. ${flagged.get(level.note)!.reason}` : '') }}
            </title>
        </g>
        <path v-for="{ mark, path } in hairpins" :key="mark.id" class="hairpin" :d="path" />
        <text v-for="{ mark, x } in dynamics" :key="mark.id" class="own" :x="x - 4" :y="HEIGHT - 6">
            {{ mark.dynamic }}
            <tspan v-if="mark.staves" class="staff">{{ mark.staves === 'upper' ? ' right' : ' left' }}</tspan>
        </text>
    </svg>
</template>

<style scoped>
.shape {
    display: block;
    width: 100%;
    overflow: visible;
}

.printed {
    fill: none;
    stroke: #a79f8b;
    stroke-width: 1.2;
    stroke-dasharray: 5 3;
}

.planned {
    fill: none;
    stroke: var(--lake);
    stroke-width: 2;
    stroke-linejoin: round;
}

circle {
    fill: var(--lake);
}

.flag,
.flagged circle {
    fill: var(--amber);
}

.hairpin {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
}

.own {
    font: italic bold 17px var(--serif);
    fill: var(--ink);
    paint-order: stroke;
    stroke: #fbf9f3;
    stroke-width: 4px;
}

.staff {
    font: 11px var(--sans);
}
</style>

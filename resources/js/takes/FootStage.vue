<script setup lang="ts">
import { computed } from 'vue';
import type { Exercise } from './foot';
import { AHEAD, BEHIND, placeOf, trace, type FootMove } from './footTrace';

/** The way of the foot going by, with the windows in which it is to move. */
const props = defineProps<{ exercise: Exercise; moves: readonly FootMove[]; now: number }>();

const WIDTH = 900;
const TOP = 40;
const BOTTOM = 150;
const HEIGHT = 190;

const x = (at: number): number => placeOf(at, props.now) * WIDTH;
const seen = (at: number): boolean => at > props.now - BEHIND - 1500 && at < props.now + AHEAD + 1500;
const width = (ms: number): number => (ms / (BEHIND + AHEAD)) * WIDTH;

const targets = computed(() => props.exercise.targets.filter(({ at }) => seen(at)));
const strokes = computed(() => props.exercise.strokes.filter(({ at }) => seen(at)));
const path = computed(() =>
    trace(props.moves, props.now)
        .map(([share, depth], index) => `${index === 0 ? 'M' : 'L'}${(share * WIDTH).toFixed(1)} ${(TOP + depth * (BOTTOM - TOP)).toFixed(1)}`)
        .join(' '),
);
/** Where a depth is to be held, or followed; from and to in ms, depths at both. */
const band = computed(() => {
    const beat = 60_000 / props.exercise.tempo;
    if (props.exercise.kind === 'half') return { from: 2 * beat, to: props.exercise.lasts, high: [0.35, 0.35], low: [0.7, 0.7] };
    if (props.exercise.kind === 'release') return { from: 3 * beat, to: 5 * beat, high: [0.85, 0], low: [1, 0.15] };
    if (props.exercise.kind === 'flutter') return { from: 2 * beat, to: 6 * beat, high: [0.3, 0.3], low: [1, 1] };
    return null;
});
const y = (depth: number): number => TOP + depth * (BOTTOM - TOP);
const area = computed(() => {
    const one = band.value;
    if (!one) return '';
    return `M${x(one.from)} ${y(one.high[0]!)} L${x(one.to)} ${y(one.high[1]!)} L${x(one.to)} ${y(one.low[1]!)} L${x(one.from)} ${y(one.low[0]!)} Z`;
});
</script>

<template>
    <svg class="stage" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" aria-label="The foot, and when it is to move">
        <rect class="ground" x="0" :y="TOP - 8" :width="WIDTH" :height="BOTTOM - TOP + 16" />
        <text :x="WIDTH - 8" :y="TOP + 4">up</text>
        <text :x="WIDTH - 8" :y="BOTTOM + 4">down</text>
        <path v-if="area" class="band" :d="area" />
        <g v-for="stroke in strokes" :key="stroke.at + stroke.midi.join()" class="stroke">
            <path :d="`M${x(stroke.at)} ${TOP - 12} v-14`" />
            <circle :cx="x(stroke.at)" :cy="TOP - 28" r="4" />
        </g>
        <g v-for="target in targets" :key="target.at">
            <line class="sound" :x1="x(target.at)" :x2="x(target.at)" :y1="TOP - 8" :y2="BOTTOM + 8" />
            <g v-if="target.up" class="window up">
                <rect :x="x(target.at + target.up[0])" :y="TOP - 6" :width="width(target.up[1] - target.up[0])" height="26" />
                <path :d="`M${x(target.at + (target.up[0] + target.up[1]) / 2)} ${TOP + 16} v-16 m-4 5 l4 -5 l4 5`" />
            </g>
            <g v-if="target.down" class="window down">
                <rect
                    :x="x(target.at + Math.max(-400, target.down[0]))"
                    :y="BOTTOM - 20"
                    :width="width(target.down[1] - Math.max(-400, target.down[0]))"
                    height="26"
                />
                <path :d="`M${x(target.at + (Math.max(-400, target.down[0]) + target.down[1]) / 2)} ${BOTTOM - 16} v16 m-4 -5 l4 5 l4 -5`" />
            </g>
        </g>
        <line class="now" :x1="x(now)" :x2="x(now)" y1="6" :y2="HEIGHT - 10" />
        <path class="foot" :d="path" />
        <circle class="foot" :cx="x(now)" :cy="y(moves.at(-1)?.[1] ?? 0)" r="6" />
    </svg>
</template>

<style scoped>
.stage {
    display: block;
    width: 100%;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 10px;
}

.ground {
    fill: #fbf9f3;
}

text {
    text-anchor: end;
    font: 13px var(--sans);
    fill: var(--quiet);
}

.stroke path,
.sound {
    stroke: #8d8573;
}

.stroke circle {
    fill: var(--ink);
}

.sound {
    stroke-dasharray: 3 4;
}

.window rect {
    fill: #dcebec;
    stroke: #7f9fa4;
}

.window.down rect {
    fill: #efe6cf;
    stroke: #b9a36a;
}

.window path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
}

.band {
    fill: #efe6cf;
    stroke: #b9a36a;
}

.now {
    stroke: var(--lake);
    stroke-width: 1.5;
}

path.foot {
    fill: none;
    stroke: var(--lake);
    stroke-width: 3;
    stroke-linejoin: round;
}

circle.foot {
    fill: var(--lake);
}
</style>

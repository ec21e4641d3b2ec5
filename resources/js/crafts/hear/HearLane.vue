<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import { FOOT, footPath, HEIGHT, keyBars, KEYS, levelDots, LEVELS, levelScale, rateHeight, TIME, timePath } from './lanes';
import type { HearState } from './useHear';

/** Under a line: what foot, levels and time really did, beside the plan's; and what became of every change of the pedal. */
const props = defineProps<LineProps<HearState>>();

const document = computed(() => props.state.document.value);
const other = computed(() => props.state.beside.value?.document ?? null);
const here = (at: number): boolean => at >= props.laid.from - 1e-6 && at < props.laid.to - 1e-6;

const planned = computed(() => footPath(document.value?.lanes.planned_foot ?? props.state.hear.value?.foot ?? [], props.laid));
const played = computed(() => (document.value && document.value.tells.pedal !== 'nothing' ? footPath(document.value.lanes.foot, props.laid) : ''));
const before = computed(() => (other.value && other.value.tells.pedal !== 'nothing' ? footPath(other.value.lanes.foot, props.laid) : ''));

const y = computed(() => levelScale(document.value?.lanes.notes ?? []));
const melody = computed(() => levelDots(document.value?.lanes.notes ?? [], props.laid, y.value, 'melody'));
const filling = computed(() => levelDots(document.value?.lanes.notes ?? [], props.laid, y.value, 'filling'));
const bass = computed(() => levelDots(document.value?.lanes.notes ?? [], props.laid, y.value, 'bass'));
const line = (dots: readonly { x: number; played: number; planned: number }[], which: 'played' | 'planned'): string =>
    dots.map((dot, index) => `${index === 0 ? 'M' : 'L'}${dot.x} ${dot[which]}`).join(' ');

const keys = computed(() => keyBars(document.value?.lanes.notes ?? [], props.laid));
const time = computed(() => (document.value ? timePath(document.value.lanes.time, props.laid, document.value.passage.rate) : ''));

const SAYS = {
    clean: 'clean',
    gap: 'a gap',
    smear: 'the old sound runs into the new one',
    missed: 'not changed, or not down',
    extra: 'not planned',
    'late-lift': 'up too late',
} as const;

const moves = computed(() =>
    (document.value?.pedal ?? [])
        .map((move) => ({ ...move, time: fractionValue(move.at) }))
        .filter((move) => here(move.time))
        .map((move) => ({
            ...move,
            x: xAt(props.laid, move.time),
            says: [
                SAYS[move.kind],
                move.release_ms === null ? '' : `up ${Math.round(move.release_ms)} ms after the sound`,
                move.press_ms === null ? '' : `down ${Math.round(move.press_ms)} ms after it`,
                move.bass_caught === false ? 'the bass is not caught' : '',
            ]
                .filter(Boolean)
                .join(', '),
        })),
);

const flagged = computed(() =>
    props.state.findings.value
        .map((finding) => ({ ...finding, time: fractionValue(finding.at) }))
        .filter((finding) => here(finding.time))
        .map((finding) => ({ ...finding, x: xAt(props.laid, finding.time) })),
);

/** Narrow margins have no room for the lanes' names: there they stand in the corner of the lane. */
const MARGIN = 36;
const inside = computed(() => props.laid.left < MARGIN);
const names = computed(() =>
    (
        [
            ['foot', FOOT],
            ['level', LEVELS],
            ['keys', KEYS],
            ['time', TIME],
        ] as const
    ).map(([words, lane]) => ({ words, y: inside.value ? lane.top + 7 : (lane.top + lane.bottom) / 2 + 4 })),
);
</script>

<template>
    <svg class="hear" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="group" aria-label="What was heard on this line">
        <g v-for="lane in [FOOT, LEVELS, KEYS, TIME]" :key="lane.top" class="ground">
            <rect :x="laid.left" :y="lane.top - 3" :width="laid.right - laid.left" :height="lane.bottom - lane.top + 6" />
        </g>
        <path class="planned" :d="planned" />
        <path v-if="before" class="before" :d="before" />
        <path v-if="played" class="played" :d="played" />
        <text v-if="document && document.tells.pedal === 'nothing'" class="untold" :x="laid.left + 8" :y="FOOT.top + 18">
            no pedal came from this instrument
        </text>

        <g v-for="move in moves" :key="move.at + move.kind" :class="['move', move.kind]" :transform="`translate(${move.x} ${FOOT.bottom + 5})`">
            <circle v-if="move.kind === 'clean'" r="2.4" />
            <path v-else-if="move.kind === 'gap'" d="M-4.5 -4 h3 v8 h-3 M4.5 -4 h-3 v8 h3" />
            <path v-else-if="move.kind === 'smear'" d="M-5 4 L5 -4 V4 Z" />
            <path v-else-if="move.kind === 'missed'" d="M-4 -4 L4 4 M4 -4 L-4 4" />
            <path v-else-if="move.kind === 'extra'" d="M0 -5 V5 M-5 0 H5" />
            <path v-else d="M-5 0 H5 L1 -4 M5 0 L1 4" />
            <title>{{ move.says }}</title>
        </g>

        <template v-if="document?.tells.velocity">
            <path class="planned melody" :d="line(melody, 'planned')" />
            <path class="level melody" :d="line(melody, 'played')" />
            <circle v-for="dot in melody" :key="dot.note" class="dot melody" :cx="dot.x" :cy="dot.played" r="2.6">
                <title>{{ `${dot.off > 0 ? '+' : ''}${dot.off.toFixed(1)} dB against the plan` }}</title>
            </circle>
            <path v-for="dot in filling" :key="`planned ${dot.note}`" class="meant" :d="`M${dot.x - 3.5} ${dot.planned} h7`" />
            <rect v-for="dot in filling" :key="dot.note" class="dot filling" :x="dot.x - 2" :y="dot.played - 2" width="4" height="4" />
            <path v-for="dot in bass" :key="dot.note" class="dot bass" :d="`M${dot.x} ${dot.played - 3.4} l3 5.4 h-6 z`" />
        </template>

        <g v-for="key in keys" :key="key.note" class="held">
            <path class="to-be" :d="`M${key.left} ${key.y + 3} H${Math.max(key.left + 1, key.planned)} v-6`" />
            <path class="was" :d="`M${key.left} ${key.y} H${Math.max(key.left + 1, key.right)}`" />
        </g>

        <line class="rule" :x1="laid.left" :x2="laid.right" :y1="rateHeight(1)" :y2="rateHeight(1)" />
        <path class="level time" :d="time" />

        <path
            v-for="finding in flagged"
            :key="finding.kind + finding.at"
            :class="['flag', finding.severity]"
            :d="`M${finding.x} ${LEVELS.top - 8} l5 8 h-10 z`"
            role="button"
            :aria-label="finding.reason"
            @click.stop="state.goTo(finding.time)"
        >
            <title>{{ finding.reason }}</title>
        </path>

        <text v-for="name in names" :key="name.words" :class="['name', { inside }]" :x="inside ? laid.left + 3 : laid.left - 4" :y="name.y">
            {{ name.words }}
        </text>
    </svg>
</template>

<style scoped>
.hear {
    display: block;
    width: 100%;
    overflow: visible;
}

.ground rect {
    fill: #fbf9f3;
    stroke: var(--line);
}

text {
    font: 12px var(--sans);
    fill: var(--quiet);
}

.name {
    text-anchor: end;
}

.name.inside {
    font-size: 10px;
    text-anchor: start;
    stroke: #fbf9f3;
    stroke-width: 3;
    paint-order: stroke;
}

.untold {
    font-style: italic;
}

.planned {
    fill: none;
    stroke: #8d8573;
    stroke-width: 1.4;
    stroke-dasharray: 4 3;
}

.before {
    fill: none;
    stroke: var(--heather);
    stroke-width: 1.2;
    stroke-dasharray: 1 3;
}

.played {
    fill: none;
    stroke: var(--lake);
    stroke-width: 2;
    stroke-linejoin: round;
}

.level {
    fill: none;
    stroke-width: 1.5;
}

.level.melody {
    stroke: var(--layer-melody);
}

.level.time {
    stroke: var(--ink);
}

.dot.melody {
    fill: var(--layer-melody);
}

.dot.filling {
    fill: var(--layer-filling);
}

.dot.bass {
    fill: var(--layer-bass);
}

.meant {
    stroke: var(--layer-filling);
    stroke-width: 1.2;
}

.held path {
    fill: none;
}

.to-be {
    stroke: #8d8573;
}

.was {
    stroke: var(--lake);
    stroke-width: 3;
}

.rule {
    stroke: #8d8573;
    stroke-dasharray: 4 3;
}

.move {
    fill: none;
    stroke: var(--rust);
    stroke-width: 1.8;
}

.move.clean circle {
    fill: #5f8f5f;
    stroke: none;
}

.move.smear path {
    fill: var(--rust);
}

.move.extra {
    stroke: var(--amber);
}

.flag {
    fill: var(--amber);
    cursor: pointer;
}

.flag.serious {
    fill: var(--rust);
}
</style>

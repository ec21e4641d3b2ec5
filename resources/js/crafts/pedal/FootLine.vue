<script setup lang="ts">
import { computed } from 'vue';
import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Finding, PedalAnswer } from '@generated/pedal';
import { blurHeight, blurName } from './blur';
import type { PedalMark, PlacedMark } from './edits';
import { between } from './within';

const props = defineProps<{
    laid: Laid;
    marks: PlacedMark[];
    examination: PedalAnswer | null;
    quartersPerMinute: number;
    current: PedalMark | null;
}>();

const emit = defineEmits<{
    drag: [mark: PedalMark, end: 'from' | 'to', event: PointerEvent];
    open: [finding: Finding];
}>();

const UP = 12;
const DEPTH = { full: 30, half: 21 } as const;
const WINDOW = 36;
const BLUR_TOP = 42;
const BLUR_HEIGHT = 18;
const HEIGHT = BLUR_TOP + BLUR_HEIGHT;

/** Less time than this to catch what is struck is tight; the limit is the core's. */
const TIGHT_MS = 150;

/** The marks of this line; they stand in order and do not overlap. */
const here = computed(() =>
    between(
        props.marks,
        ({ to }) => to > props.laid.from,
        ({ from }) => from < props.laid.to,
        1,
    ),
);

/** A mark as it shows on this system; the last end of a line lies at its right edge. */
const shapes = computed(() =>
    here.value.flatMap(({ mark, from, to }, index, all) => {
        if (from >= props.laid.to || to <= props.laid.from) return [];
        const [before, after] = [all[index - 1], all[index + 1]];
        const changes = from >= props.laid.from && before?.to === from && before.mark.kind === 'span';
        const changed = after?.from === to && after.mark.kind === 'span';
        const begins = from >= props.laid.from;
        const ends = to < props.laid.to || (to === props.laid.to && !changed);
        const left = begins ? xAt(props.laid, from) : props.laid.left - 6;
        const right = to >= props.laid.to ? props.laid.right : xAt(props.laid, to);
        const bottom = DEPTH[mark.depth];
        const start = begins ? (changes ? `M${left} ${UP + 6} L${left + 5} ${bottom}` : `M${left} ${UP} L${left} ${bottom}`) : `M${left} ${bottom}`;
        const end = ends ? (changed ? `L${right - 5} ${bottom} L${right} ${UP + 6}` : `L${right} ${bottom} L${right} ${UP}`) : `L${right} ${bottom}`;
        return [{ mark, from, to, left, right, begins, ends, changes, bottom, path: `${start} ${end}` }];
    }),
);

const windows = computed(() =>
    between(
        props.examination?.spans ?? [],
        ({ down }) => fractionValue(down) >= props.laid.from,
        ({ down }) => fractionValue(down) < props.laid.to,
    ).flatMap((span) => {
        if (span.catch_window_ms === null) return [];
        const from = fractionValue(span.down);
        const left = xAt(props.laid, from);
        const until = from + ((span.catch_window_ms / 1000) * props.quartersPerMinute) / 60;
        const right = Math.max(left + 3, Math.min(xAt(props.laid, Math.min(until, fractionValue(span.up))), props.laid.right));
        return [{ key: span.down, left, right, tight: span.catch_window_ms < TIGHT_MS, label: `${span.catch_window_ms} ms to catch` }];
    }),
);

const bands = computed(() => {
    const points = between(
        props.examination?.blur ?? [],
        ({ onset }) => fractionValue(onset) >= props.laid.from,
        ({ onset }) => fractionValue(onset) < props.laid.to,
        1,
    ).map((point) => ({ time: fractionValue(point.onset), value: point.value }));
    return points.flatMap(({ time, value }, index) => {
        const next = points[index + 1]?.time ?? props.laid.to;
        if (time >= props.laid.to || next <= props.laid.from || value < 0.005) return [];
        const left = xAt(props.laid, Math.max(time, props.laid.from));
        const right = next >= props.laid.to ? props.laid.right : xAt(props.laid, next);
        const height = Math.max(1.5, blurHeight(value) * BLUR_HEIGHT);
        return [{ key: time, left, width: right - left, y: HEIGHT - height, height, name: blurName(value), value }];
    });
});

const flags = computed(() =>
    between(
        props.examination?.findings ?? [],
        ({ at }) => fractionValue(at) >= props.laid.from,
        ({ at }) => fractionValue(at) < props.laid.to,
    ).map((finding, index) => ({ key: `${finding.kind}-${finding.at}-${index}`, finding, x: xAt(props.laid, fractionValue(finding.at)) })),
);
</script>

<template>
    <svg class="foot" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Pedal and blur of this line">
        <defs>
            <pattern id="mud" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="5" height="5" fill="var(--muddy)" />
                <line x1="0" y1="0" x2="0" y2="5" stroke="#f7f4ec" stroke-width="1.4" />
            </pattern>
            <pattern id="dry" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
                <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" stroke-width="1" />
            </pattern>
        </defs>
        <line class="rest-level" :x1="laid.left" :x2="laid.right" :y1="UP" :y2="UP" />
        <line class="ground" :x1="laid.left" :x2="laid.right" :y1="HEIGHT - 0.5" :y2="HEIGHT - 0.5" />
        <rect v-for="band in bands" :key="band.key" :class="['band', band.name]" :x="band.left" :y="band.y" :width="band.width" :height="band.height">
            <title>Blur {{ band.value.toFixed(2) }}, {{ band.name }}</title>
        </rect>
        <g
            v-for="shape in shapes"
            :key="shape.mark.id + shape.from"
            :class="['mark', shape.mark.origin, { current: shape.mark === current }]"
            :data-mark="shape.mark.id"
        >
            <template v-if="shape.mark.kind === 'span'">
                <rect class="depth" :x="shape.left" :y="UP" :width="Math.max(1, shape.right - shape.left)" :height="shape.bottom - UP" />
                <path class="line" :d="shape.path" />
                <circle
                    v-if="shape.begins && shape.mark.origin === 'suggested'"
                    class="head"
                    :cx="shape.left + (shape.changes ? 5 : 0)"
                    :cy="shape.bottom"
                    r="2.6"
                />
                <rect
                    v-else-if="shape.begins && shape.mark.origin === 'printed'"
                    class="head"
                    :x="shape.left - 2.5"
                    :y="shape.bottom - 2.5"
                    width="5"
                    height="5"
                />
                <path
                    v-else-if="shape.begins"
                    class="head"
                    :d="`M${shape.left + (shape.changes ? 5 : 0)} ${shape.bottom - 4.5} l4.5 4.5 l-4.5 4.5 l-4.5 -4.5 z`"
                />
                <text v-if="shape.mark.depth === 'half'" class="half" :x="shape.left + 12" :y="shape.bottom - 2">half</text>
            </template>
            <template v-else>
                <rect class="dry" :x="shape.left" :y="UP - 5" :width="Math.max(2, shape.right - shape.left)" height="10" />
                <text class="half" :x="shape.left + 2" :y="UP + 17">dry</text>
            </template>
            <rect
                v-if="shape.begins"
                class="handle"
                data-end="from"
                :x="shape.left - 3"
                :y="UP - 4"
                width="15"
                height="34"
                @pointerdown.stop="emit('drag', shape.mark, 'from', $event)"
            />
            <rect
                v-if="shape.ends"
                class="handle"
                data-end="to"
                :x="shape.right - 12"
                :y="UP - 4"
                width="15"
                height="34"
                @pointerdown.stop="emit('drag', shape.mark, 'to', $event)"
            />
        </g>
        <path
            v-for="window in windows"
            :key="window.key"
            :class="['window', { tight: window.tight }]"
            :d="`M${window.left} ${WINDOW - 3} v4 H${window.right} v-4`"
        >
            <title>{{ window.label }}</title>
        </path>
        <g v-for="{ key, finding, x } in flags" :key="key" :class="['flag', finding.severity]" @click.stop="emit('open', finding)">
            <title>{{ finding.reason }}</title>
            <rect class="target" :x="x - 9" y="-8" width="18" height="19" />
            <circle v-if="finding.severity === 'hint'" :cx="x" cy="4" r="3.4" />
            <path v-else-if="finding.severity === 'warning'" :d="`M${x} -1 l5 9 h-10 z`" />
            <rect v-else :x="x - 4.5" y="-1" width="9" height="9" />
        </g>
    </svg>
</template>

<style scoped>
.foot {
    display: block;
    width: 100%;
    overflow: visible;
}

.rest-level {
    stroke: var(--line);
    stroke-dasharray: 1 4;
}

.ground {
    stroke: var(--line);
}

.band.clear {
    fill: var(--clear);
}

.band.veiled {
    fill: var(--veiled);
}

.band.cloudy {
    fill: var(--cloudy);
}

.band.muddy {
    fill: url('#mud');
}

.depth {
    fill: var(--lake);
    opacity: 0.07;
}

.line {
    fill: none;
    stroke: var(--lake);
    stroke-width: 1.6;
    stroke-linejoin: round;
}

.head {
    fill: var(--sheet);
    stroke: var(--lake);
    stroke-width: 1.5;
}

.teacher .line {
    stroke: var(--ink);
    stroke-width: 2.6;
}

.teacher .head {
    fill: var(--ink);
    stroke: var(--ink);
}

.printed .line {
    stroke: var(--quiet);
    stroke-dasharray: 5 3;
}

.printed .head {
    stroke: var(--quiet);
}

.current .depth {
    opacity: 0.2;
}

.half {
    font: italic 11px var(--serif);
    fill: var(--ink);
}

.dry {
    fill: url('#dry');
    stroke: var(--quiet);
    stroke-width: 0.8;
}

.handle {
    fill: transparent;
    cursor: ew-resize;
    touch-action: none;
}

/* A finger needs more room than a pointer. */
@media (pointer: coarse) {
    .handle {
        width: 32px;
        height: 48px;
        transform: translate(-9px, -8px);
    }
}

.window {
    fill: none;
    stroke: #7d8a8f;
    stroke-width: 1;
}

.window.tight {
    stroke: var(--rust);
    stroke-width: 1.8;
}

.flag {
    cursor: pointer;
    fill: var(--amber);
    stroke: var(--sheet);
    stroke-width: 1;
}

.flag .target {
    fill: transparent;
    stroke: none;
}

.flag.hint {
    fill: var(--sheet);
    stroke: var(--amber);
    stroke-width: 1.6;
}

.flag.serious {
    fill: var(--rust);
}
</style>

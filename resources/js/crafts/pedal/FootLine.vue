<script setup lang="ts">
import { computed } from 'vue';
import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Finding, PedalAnswer } from '@generated/pedal';
import { blurHeight, blurName } from './blur';
import { DOWN, heightOf, pathOf, UP } from './curve';
import { depthName, shareOf } from './depth';
import type { PassageMark, PedalMark, PlacedMark, PlacedStretch } from './edits';
import { between } from './within';

const props = defineProps<{
    laid: Laid;
    marks: PlacedMark[];
    stretches: PlacedStretch[];
    passages: PlacedStretch<PassageMark>[];
    examination: PedalAnswer | null;
    /** Less time than this to catch what is struck is tight. */
    tightMs: number;
    quartersPerMinute: number;
    current: PedalMark | null;
    /** Another pedalling that is laid under the planned one, and where they differ. */
    beside: { marks: PlacedMark[]; blur: PedalAnswer['blur']; differ: number[] } | null;
}>();

const emit = defineEmits<{
    drag: [mark: PedalMark, end: 'from' | 'to', event: PointerEvent];
    open: [finding: Finding];
}>();

const WINDOW = 36;
const BLUR_TOP = 42;
const BLUR_HEIGHT = 18;
const HEIGHT = BLUR_TOP + BLUR_HEIGHT;
/** Of the line of a left or middle pedal. */
const ROW = 15;

const px = (quarters: number): number => xAt(props.laid, quarters);

/** What lies on this line, in px; the last end of a line lies at its right edge. */
function clipped({ from, to }: { from: number; to: number }): { left: number; right: number; begins: boolean } | null {
    if (from >= props.laid.to || to <= props.laid.from) return null;
    const begins = from >= props.laid.from;
    return { left: begins ? px(from) : props.laid.left - 6, right: to >= props.laid.to ? props.laid.right : px(to), begins };
}

/** The marks of this line; they stand in order and do not overlap. */
const onLine = (marks: readonly PlacedMark[]): PlacedMark[] =>
    between(
        marks,
        ({ to }) => to > props.laid.from,
        ({ from }) => from < props.laid.to,
        1,
    );

/** Marks as they show on this system. */
const shapesOf = (marks: readonly PlacedMark[]) =>
    onLine(marks).flatMap((one, index, all) => {
        const place = clipped(one);
        if (!place) return [];
        const { mark, from, to } = one;
        const [before, after] = [all[index - 1], all[index + 1]];
        const changes = place.begins && before?.to === from && before.mark.kind === 'span';
        const changed = after?.from === to && after.mark.kind === 'span';
        const ends = to < props.laid.to || (to === props.laid.to && !changed);
        const bottom = heightOf(shareOf(mark.depth));
        const says =
            mark.kind === 'dry' ? 'dry' : [...(mark.depth === 'full' ? [] : [depthName(mark.depth)]), ...(mark.flutter ? ['flutter'] : [])].join(' · ');
        const path = pathOf(one, { ...place, ends, before: changes ? shareOf(before.mark.depth) : null, changed }, px);
        return [{ mark, from, to, ...place, ends, changes, bottom, path, says }];
    });
const shapes = computed(() => shapesOf(props.marks));
const others = computed(() => (props.beside ? shapesOf(props.beside.marks) : []));

const KINDS = { soft: 'una corda', sostenuto: 'middle pedal', wash: 'wash' } as const;
const stretched = computed(() =>
    props.stretches.flatMap((one) => {
        const place = clipped(one);
        return place ? [{ mark: one.mark, ...place, ends: one.to <= props.laid.to, name: KINDS[one.mark.kind] }] : [];
    }),
);
const washes = computed(() => stretched.value.filter(({ mark }) => mark.kind === 'wash'));
/** The lines of the left and the middle pedal, those that this system has. */
const rows = computed(() =>
    (['soft', 'sostenuto'] as const).map((kind) => stretched.value.filter(({ mark }) => mark.kind === kind)).filter((row) => row.length > 0),
);
/** Where another pedalling begins, and how high it is. */
const besideTop = computed(() => HEIGHT + ROW * rows.value.length);
const BESIDE = 34;
const height = computed(() => besideTop.value + (props.beside ? BESIDE : 0));
const differ = computed(() => (props.beside?.differ ?? []).filter((at) => at >= props.laid.from && at < props.laid.to).map((at) => px(at)));

const ways = computed(() =>
    props.passages.flatMap((one) => {
        const place = clipped(one);
        if (!place) return [];
        const { school, rate, depth } = one.mark;
        const words = [
            school.replace('-', ' '),
            ...(rate && rate !== 'free' ? [rate.replace('-', ' ')] : []),
            ...(depth === undefined ? [] : [depthName(depth)]),
        ];
        return [{ mark: one.mark, ...place, words: words.join(', ') }];
    }),
);

const windows = computed(() =>
    between(
        props.examination?.spans ?? [],
        ({ down }) => fractionValue(down) >= props.laid.from,
        ({ down }) => fractionValue(down) < props.laid.to,
    ).flatMap(({ down, up, timing: { window_ms: ms, closes } }) => {
        if (ms === null) return [];
        const from = fractionValue(down);
        const left = px(from);
        const until = from + ((ms / 1000) * props.quartersPerMinute) / 60;
        const right = Math.max(left + 3, Math.min(px(Math.min(until, fractionValue(up))), props.laid.right));
        return [{ key: down, left, right, tight: ms < props.tightMs, label: `${ms} ms to catch${closes === null ? '' : `, until ${closes} is left`}` }];
    }),
);

/** Blur as bands of some height over a ground. */
function bandsOf(blur: PedalAnswer['blur'], ground: number, most: number) {
    const points = between(
        blur,
        ({ onset }) => fractionValue(onset) >= props.laid.from,
        ({ onset }) => fractionValue(onset) < props.laid.to,
        1,
    ).map((point) => ({ time: fractionValue(point.onset), value: point.value }));
    return points.flatMap(({ time, value }, index) => {
        const next = points[index + 1]?.time ?? props.laid.to;
        if (time >= props.laid.to || next <= props.laid.from || value < 0.005) return [];
        const left = px(Math.max(time, props.laid.from));
        const right = next >= props.laid.to ? props.laid.right : px(next);
        const high = Math.max(1.5, blurHeight(value) * most);
        return [{ key: time, left, width: right - left, y: ground - high, height: high, name: blurName(value), value }];
    });
}
const bands = computed(() => bandsOf(props.examination?.blur ?? [], HEIGHT, BLUR_HEIGHT));
const otherBands = computed(() => bandsOf(props.beside?.blur ?? [], height.value, BLUR_HEIGHT / 2));

const flags = computed(() =>
    between(
        props.examination?.findings ?? [],
        ({ at }) => fractionValue(at) >= props.laid.from,
        ({ at }) => fractionValue(at) < props.laid.to,
    ).map((finding, index) => ({ key: `${finding.kind}-${finding.at}-${index}`, finding, x: xAt(props.laid, fractionValue(finding.at)) })),
);
</script>

<template>
    <svg class="foot" :viewBox="`0 0 ${laid.system.width} ${height}`" role="img" aria-label="Pedals and blur of this line">
        <defs>
            <pattern id="mud" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="5" height="5" fill="var(--muddy)" />
                <line x1="0" y1="0" x2="0" y2="5" stroke="#f7f4ec" stroke-width="1.4" />
            </pattern>
            <pattern id="dry" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
                <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" stroke-width="1" />
            </pattern>
            <pattern id="wash" width="16" height="7" patternUnits="userSpaceOnUse">
                <path d="M0 4 q4 -4 8 0 t8 0" fill="none" stroke="var(--lake)" stroke-width="0.8" opacity="0.5" />
            </pattern>
        </defs>
        <rect
            v-for="wash in washes"
            :key="wash.mark.id"
            class="wash"
            :x="wash.left"
            :y="UP"
            :width="Math.max(2, wash.right - wash.left)"
            :height="DOWN - UP + 4"
        >
            <title>A wash is wanted here{{ wash.mark.words ? `: ${wash.mark.words}` : '' }}</title>
        </rect>
        <line class="rest-level" :x1="laid.left" :x2="laid.right" :y1="UP" :y2="UP" />
        <line class="ground" :x1="laid.left" :x2="laid.right" :y1="HEIGHT - 0.5" :y2="HEIGHT - 0.5" />
        <g v-for="way in ways" :key="way.mark.id" class="way">
            <path :d="`M${way.left} 4 v-4 H${way.right} v4`" />
            <text v-if="way.begins" :x="way.left + 4" y="9">{{ way.words }}</text>
        </g>
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
                <text v-if="shape.says" class="says" :x="shape.left + 12" :y="shape.bottom - (shape.mark.kind === 'span' && shape.mark.flutter ? 6 : 2)">
                    {{ shape.says }}
                </text>
            </template>
            <template v-else>
                <rect class="dry" :x="shape.left" :y="UP - 5" :width="Math.max(2, shape.right - shape.left)" height="10" />
                <text class="says" :x="shape.left + 2" :y="UP + 17">dry</text>
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
        <g v-for="(row, index) in rows" :key="row[0]!.mark.kind" class="row">
            <g v-for="one in row" :key="one.mark.id" :data-mark="one.mark.id">
                <path
                    :d="`M${one.left} ${HEIGHT + ROW * index + (one.begins ? 4 : 10)} V${HEIGHT + ROW * index + 10} H${one.right} ${one.ends ? 'v-6' : ''}`"
                />
                <text :x="one.left + 5" :y="HEIGHT + ROW * index + 8">{{ one.name }}{{ one.mark.words ? ` · ${one.mark.words}` : '' }}</text>
            </g>
        </g>
        <g v-if="beside" class="beside">
            <rect v-for="band in otherBands" :key="band.key" :class="['band', band.name]" :x="band.left" :y="band.y" :width="band.width" :height="band.height">
                <title>Beside: blur {{ band.value.toFixed(2) }}, {{ band.name }}</title>
            </rect>
            <g :transform="`translate(0 ${besideTop - UP + 4})`">
                <path v-for="shape in others.filter(({ mark }) => mark.kind === 'span')" :key="shape.mark.id" class="line" :d="shape.path" />
            </g>
            <path v-for="at in differ" :key="at" class="differs" :d="`M${at} ${DOWN + 8} V${besideTop + 2}`"><title>Here the two differ</title></path>
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

.says,
.row text,
.way text {
    font: italic 11px var(--serif);
    fill: var(--ink);
}

.wash {
    fill: url('#wash');
}

.beside .line {
    stroke: var(--heather);
    stroke-width: 1.4;
    stroke-dasharray: 4 2;
}

.differs {
    stroke: var(--amber);
    stroke-width: 2;
}

.row path,
.way path {
    fill: none;
    stroke: var(--heather);
    stroke-width: 1.3;
}

.row text {
    paint-order: stroke;
    stroke: var(--sheet);
    stroke-width: 3px;
}

.way path {
    stroke: var(--quiet);
    stroke-dasharray: 2 2;
}

.way text {
    fill: var(--quiet);
    font-size: 10px;
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

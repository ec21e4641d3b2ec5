<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import { layBeats, moving, signedMs, stepsThrough, type BeatSpot } from './curve';
import { HEIGHT, type TimeState } from './useTime';

/** Under a line: the tempo from beat to beat against the printed one, what is taken and given, and what stands still. */
const props = defineProps<LineProps<TimeState>>();

const time = computed(() => props.state.time.value);
const spots = computed(() => layBeats(props.laid, props.state.beats.value, props.state.unitOf, props.state.scale.value));
const played = computed(() => stepsThrough(spots.value, ({ y }) => y));
const strict = computed(() => stepsThrough(spots.value, ({ strictY }) => strictY));

/** What lies between the tempo and what is played: held back below it, pushed on above. */
const areas = computed(() => spots.value.filter(({ y, strictY }) => Math.abs(y - strictY) >= 1));

const here = (at: number): boolean => at >= props.laid.from - 1e-6 && at < props.laid.to - 1e-6;
const name = (spot: BeatSpot): string => `♩ ${Math.round(spot.tempo)}`;

/** Tempos with a rule: round ones, four at the most. */
const rules = computed(() => {
    const { least, most, y } = props.state.scale.value;
    const step = [5, 10, 20, 40, 80].find((size) => (most - least) / size <= 4) ?? 100;
    const first = Math.ceil(least / step) * step;
    return Array.from({ length: Math.max(0, Math.floor((most - first) / step) + 1) }, (_, index) => first + index * step).map((tempo) => ({
        tempo,
        y: y(tempo),
    }));
});

/** Up to where the student's measured rates carry each bar. */
const ceilings = computed(() => {
    const byBar = new Map((time.value?.limits ?? []).map((limit) => [limit.measure, limit]));
    return props.laid.system.measures.flatMap(({ id, left, right }) => {
        const bar = props.context.desk.piece.barOf(id);
        const limit = bar === undefined ? undefined : byBar.get(bar);
        if (!limit || bar === undefined) return [];
        const tempo = limit.tempo / props.state.unitOf(bar);
        return tempo > props.state.scale.value.most ? [] : [{ id, left, right, y: props.state.scale.value.y(tempo), tempo }];
    });
});

const ownBeats = computed(() => {
    const own = new Set<string>();
    for (const { mark, beats } of time.value?.rubatos ?? []) for (const beat of beats) if (!beat.open) own.add(`${mark} ${beat.at}`);
    return own;
});
function isOwn({ beat }: BeatSpot): boolean {
    return beat.entries.some(({ mark }) => mark !== null && ownBeats.value.has(`${mark} ${beat.at}`));
}

const rubatos = computed(() =>
    (time.value?.rubatos ?? []).flatMap((rubato) => {
        const [from, to] = [fractionValue(rubato.from), fractionValue(rubato.to)];
        if (from >= props.laid.to - 1e-6 || to <= props.laid.from + 1e-6) return [];
        const beats = rubato.beats
            .filter(({ at, taken }) => here(fractionValue(at)) && Math.abs(taken) >= 0.5)
            .map((beat) => ({ ...beat, x: xAt(props.laid, fractionValue(beat.at)) }));
        return [
            {
                ...rubato,
                beats,
                left: xAt(props.laid, from),
                right: to >= props.laid.to - 1e-6 ? props.laid.right : xAt(props.laid, to),
                ends: to <= props.laid.to + 1e-6,
            },
        ];
    }),
);

const paces = computed(() =>
    (time.value?.paces ?? []).flatMap((pace) => {
        const [from, to] = [fractionValue(pace.at), fractionValue(pace.to)];
        if (from >= props.laid.to - 1e-6 || to <= props.laid.from + 1e-6) return [];
        const isSpan = pace.change === 'slowing' || pace.change === 'quickening' || pace.change === 'free';
        // The tempo of the beginning stands over the score.
        if (!isSpan && (!here(from) || from === 0)) return [];
        const left = xAt(props.laid, Math.max(from, props.laid.from));
        const right = to >= props.laid.to - 1e-6 ? props.laid.right : xAt(props.laid, to);
        return [
            {
                ...pace,
                isSpan,
                left,
                right,
                begins: here(from),
                ends: to <= props.laid.to + 1e-6,
                own: pace.mark === null ? null : props.state.paceOf(pace.mark),
            },
        ];
    }),
);

const standing = computed(() => [
    ...(time.value?.holds ?? [])
        .filter(({ at }) => here(fractionValue(at)))
        .map(({ at, seconds, computed: fades, mark, when }) => ({
            key: `hold ${at}`,
            x: xAt(props.laid, fractionValue(at)),
            isHold: true,
            isOwn: mark !== null,
            text: `${seconds.toFixed(1)} s`,
            says: `Held for ${seconds.toFixed(1)} s${when === 'every' ? '' : `, only the ${when} time`}; it has faded after ${fades.toFixed(1)} s`,
        })),
    ...(time.value?.silences ?? [])
        .filter(({ at }) => here(fractionValue(at)))
        .map(({ at, ms, mark, reason }) => ({
            key: `silence ${at}`,
            x: xAt(props.laid, fractionValue(at)) - 12,
            isHold: false,
            isOwn: mark !== null,
            text: `${Math.round(ms)}`,
            says: `${Math.round(ms)} ms of silence: ${reason}`,
        })),
]);

const flagged = computed(() =>
    (time.value?.findings ?? []).filter(({ at }) => here(fractionValue(at))).map((finding) => ({ ...finding, x: xAt(props.laid, fractionValue(finding.at)) })),
);

function says(spot: BeatSpot): string {
    const { beat } = spot;
    const entries = beat.entries.map(({ reason, ms }) => `${signedMs(ms)} ms, ${reason}`);
    return [`${name(spot)}, ${Math.round(moving(beat))} ms`, ...entries].join('; ');
}

/** px from above at which the word of a slowing stands, and how long it may be. */
const WORDS = 11;
const WIDEST = 190;
</script>

<template>
    <svg v-if="time" class="time" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Tempo of this line">
        <defs>
            <pattern id="time-held" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="5" height="5" fill="#efe0c4" />
                <rect width="1.6" height="5" fill="#a8762e" />
            </pattern>
            <pattern id="time-pushed" width="6" height="6" patternUnits="userSpaceOnUse">
                <rect width="6" height="6" fill="#dcebec" />
                <circle cx="3" cy="3" r="1.2" fill="#1f5f6b" />
            </pattern>
        </defs>
        <rect :x="laid.left" y="0" :width="laid.right - laid.left" :height="HEIGHT" class="ground" />
        <g v-for="rule in rules" :key="rule.tempo" class="rule">
            <line :x1="laid.left" :x2="laid.right" :y1="rule.y" :y2="rule.y" />
            <text :x="laid.left - 4" :y="rule.y + 4">{{ rule.tempo }}</text>
        </g>
        <g v-for="ceiling in ceilings" :key="ceiling.id" class="ceiling">
            <line :x1="ceiling.left + 3" :x2="ceiling.right - 3" :y1="ceiling.y" :y2="ceiling.y" />
            <title>{{ `This student's measured rate carries up to ${Math.round(ceiling.tempo)} a minute here` }}</title>
        </g>
        <rect
            v-for="{ beat, x, right, y, strictY } in areas"
            :key="beat.at"
            :x="x"
            :y="Math.min(y, strictY)"
            :width="Math.max(1, right - x)"
            :height="Math.abs(y - strictY)"
            :fill="y > strictY ? 'url(#time-held)' : 'url(#time-pushed)'"
        />
        <path class="strict" :d="strict" />
        <path class="played" :d="played" />
        <g v-for="pace in paces" :key="`${pace.at} ${pace.change}`" :class="['pace', { own: pace.mark !== null, printed: pace.printed }]">
            <line v-if="pace.isSpan" :x1="pace.left" :x2="pace.right" :y1="WORDS + 3" :y2="WORDS + 3" />
            <text v-if="pace.begins" :x="Math.min(pace.left, laid.right - WIDEST)" :y="WORDS">
                {{ pace.says }}{{ pace.isSpan && pace.change !== 'free' ? ` to ${Math.round(100 * pace.share)} %` : '' }}
            </text>
            <g
                v-if="pace.own && pace.ends && pace.change !== 'free'"
                class="end"
                :transform="`translate(${pace.right - 8} ${WORDS + 3})`"
                @pointerdown.stop="state.dragPace(pace.own, $event)"
                @click.stop
            >
                <circle class="grip" r="13" />
                <path d="M0 -5 L5 0 L0 5 L-5 0 Z" />
                <title>Drag up and down: how far it goes</title>
            </g>
        </g>
        <g
            v-for="spot in spots"
            :key="spot.beat.at"
            :class="['point', { own: isOwn(spot), current: spot.beat === state.beat.value }]"
            @pointerdown.stop="state.dragBeat(spot.beat, $event)"
            @click.stop
        >
            <circle class="grip" :cx="spot.x + 4" :cy="spot.y" r="11" />
            <path v-if="isOwn(spot)" class="knob" :d="`M${spot.x + 4} ${spot.y - 5.5} l5.5 5.5 l-5.5 5.5 l-5.5 -5.5 Z`" />
            <circle v-else class="ring" :cx="spot.x + 4" :cy="spot.y" r="3.2" />
            <title>{{ says(spot) }}</title>
        </g>
        <g v-for="rubato in rubatos" :key="rubato.mark" class="rubato">
            <path :d="`M${rubato.left} ${HEIGHT - 16} v4 H${rubato.right - 4} v-4`" />
            <text v-for="beat in rubato.beats" :key="beat.at" :x="beat.x + 4" :y="HEIGHT - 16">{{ signedMs(beat.taken) }}</text>
            <text v-if="rubato.ends" class="owed" :class="{ owes: Math.abs(rubato.owed) >= 0.5 }" :x="rubato.right - 8" :y="HEIGHT - 2">
                {{ Math.abs(rubato.owed) < 0.5 ? 'gives back: 0' : `owes ${signedMs(rubato.owed)} ms` }}
            </text>
        </g>
        <g v-for="one in standing" :key="one.key" :class="['standing', { own: one.isOwn }]" :transform="`translate(${one.x} ${HEIGHT - 29})`">
            <path v-if="one.isHold" d="M-8 0 A8 8 0 0 1 8 0 M0 -2.4 a1.4 1.4 0 1 1 0.01 0" />
            <path v-else d="M-3 4 L1 -8 M2 4 L6 -8" />
            <text :x="one.isHold ? 11 : 9" y="1">{{ one.text }}</text>
            <title>{{ one.says }}</title>
        </g>
        <path
            v-for="finding in flagged"
            :key="finding.kind + finding.at"
            :class="['flag', finding.severity]"
            :d="`M${finding.x + 4} ${HEIGHT - 44} l5 8 h-10 z`"
        >
            <title>{{ finding.reason }}</title>
        </path>
    </svg>
</template>

<style scoped>
.time {
    display: block;
    width: 100%;
    overflow: visible;
}

.ground {
    fill: #fbf9f3;
    stroke: var(--line);
}

.rule line {
    stroke: #e6e0d0;
    stroke-dasharray: 2 4;
}

text {
    font: 12px var(--sans);
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}

.rule text {
    text-anchor: end;
}

.ceiling line {
    stroke: var(--rust);
    stroke-width: 1.6;
    stroke-dasharray: 8 3 2 3;
}

.strict {
    fill: none;
    stroke: #8d8573;
    stroke-dasharray: 5 3;
}

.played {
    fill: none;
    stroke: var(--lake);
    stroke-width: 2;
    stroke-linejoin: round;
}

.pace line {
    stroke: #8d8573;
    stroke-dasharray: 4 3;
}

.pace text {
    font: italic 13px var(--serif);
}

.pace.own line {
    stroke: var(--lake);
    stroke-width: 1.6;
}

.pace.own text {
    fill: var(--ink);
    font-weight: 600;
}

.end,
.point {
    cursor: ns-resize;
    touch-action: none;
}

.grip {
    fill: transparent;
}

.end path,
.knob {
    fill: var(--lake);
}

.ring {
    fill: var(--sheet);
    stroke: var(--lake);
    stroke-width: 1.5;
}

.current .ring {
    stroke-width: 3;
}

.current .knob {
    stroke: var(--ink);
    stroke-width: 1.6;
}

.rubato path {
    fill: none;
    stroke: var(--lake);
    stroke-width: 1.4;
}

.rubato text {
    text-anchor: middle;
    fill: var(--ink);
}

.rubato .owed {
    text-anchor: end;
    fill: var(--quiet);
}

.rubato .owes {
    fill: var(--amber);
    font-weight: 600;
}

.standing path {
    fill: none;
    stroke: var(--quiet);
    stroke-width: 1.5;
}

.standing.own path {
    stroke: var(--ink);
    stroke-width: 2.2;
}

.standing.own text {
    fill: var(--ink);
    font-weight: 600;
}

.flag {
    fill: var(--amber);
}

.flag.serious {
    fill: var(--rust);
}
</style>

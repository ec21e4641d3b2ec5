<script setup lang="ts">
import { computed } from 'vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import TapPad from '../../support/TapPad.vue';
import { inWords, NOTICED, type TapWhat } from './tapping';
import type { TapAlong } from './useTapAlong';

/** A metronome to tap along with, and how early or late each tap was. */
const props = defineProps<{ tapping: TapAlong; hands: boolean }>();

const WHAT: { value: TapWhat; label: string }[] = [
    { value: 'beats', label: 'the beats' },
    { value: 'count', label: 'every syllable' },
    { value: 'notes', label: 'what is struck' },
    { value: 'right', label: 'the right hand' },
    { value: 'left', label: 'the left hand' },
];
const choices = computed(() => (props.hands ? WHAT : WHAT.slice(0, 3)));
const BARS = [1, 2, 4, 8].map((value) => ({ value, label: value === 1 ? '1 bar' : `${value} bars` }));

const range = computed(() => {
    const [first, last] = [props.tapping.range.value[0]?.number, props.tapping.range.value.at(-1)?.number];
    return first === last ? `bar ${first}` : `bars ${first}–${last}`;
});

const WIDTH = 280;
const MIDDLE = 52;
/** ms at the edge of the picture. */
const FULL = 160;

const dots = computed(() => {
    const { result } = props.tapping;
    const taps = result.value?.taps ?? [];
    return taps.map(({ target, late }, index) => ({
        key: index,
        x: 14 + ((index + 0.5) * (WIDTH - 20)) / taps.length,
        y: late === null ? MIDDLE : MIDDLE + (40 * Math.max(-FULL, Math.min(FULL, late))) / FULL,
        label: taps.length <= 18 ? target.label : '',
        kind: late === null ? 'missed' : Math.abs(late) <= NOTICED ? 'good' : late < 0 ? 'early' : 'late',
        says:
            late === null
                ? `${target.label}: nothing tapped`
                : `bar ${target.bar}, ${target.label}: ${Math.round(Math.abs(late))} ms ${late < 0 ? 'early' : 'late'}`,
    }));
});

function shape({ kind, x, y }: { kind: string; x: number; y: number }): string {
    if (kind === 'early') return `M${x} ${y - 5} l5 8 h-10 z`;
    if (kind === 'late') return `M${x} ${y + 5} l5 -8 h-10 z`;
    if (kind === 'missed') return `M${x - 4} ${y - 4} l8 8 m0 -8 l-8 8`;
    return `M${x - 4.5} ${y} a4.5 4.5 0 1 0 9 0 a4.5 4.5 0 1 0 -9 0`;
}
</script>

<template>
    <section aria-label="Tap along">
        <h3>Tap along</h3>
        <p class="quiet">{{ range }}, one bar counted in; tap with the space bar or a finger.</p>
        <div class="choices">
            <ChoiceSelect :value="tapping.what.value" :options="choices" label="What to tap" @choose="tapping.choose" />
            <ChoiceSelect :value="tapping.bars.value" :options="BARS" label="How many bars" @choose="tapping.chooseBars" />
            <label class="breathes"
                ><input type="checkbox" :checked="tapping.breathes.value" @change="tapping.breathe(($event.target as HTMLInputElement).checked)" /> breathes
                with the plan</label
            >
            <a-button v-if="!tapping.running.value" type="primary" @click="tapping.start()">Start <kbd>T</kbd></a-button>
            <a-button v-else @click="tapping.stop()">Stop</a-button>
        </div>
        <TapPad v-if="tapping.running.value" :waits="tapping.beat.value?.countIn ?? false" @tap="tapping.tap">
            <strong>{{ tapping.beat.value?.label ?? '' }}</strong>
            <span>{{ tapping.beat.value?.countIn ? 'counting in' : `${tapping.count.value} taps` }}</span>
        </TapPad>
        <figure v-else-if="tapping.result.value" class="result">
            <svg :viewBox="`0 0 ${WIDTH} 118`" role="img" :aria-label="inWords(tapping.result.value)">
                <rect x="10" :y="MIDDLE - (40 * NOTICED) / FULL" :width="WIDTH - 12" :height="(80 * NOTICED) / FULL" class="band" />
                <line x1="10" :x2="WIDTH - 2" :y1="MIDDLE" :y2="MIDDLE" class="middle" />
                <text x="0" y="10" class="edge">early</text>
                <text x="0" y="104" class="edge">late</text>
                <g v-for="dot in dots" :key="dot.key">
                    <path :d="shape(dot)" :class="dot.kind" />
                    <text :x="dot.x" y="116" class="syllable">{{ dot.label }}</text>
                    <title>{{ dot.says }}</title>
                </g>
            </svg>
            <figcaption>{{ inWords(tapping.result.value) }}</figcaption>
        </figure>
    </section>
</template>

<style scoped>
p {
    margin: 0;
}

.choices {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 6px 0;
}

.breathes {
    flex-basis: 100%;
}

.choices kbd {
    margin-left: 6px;
}

.result {
    margin: 4px 0 0;
}

svg {
    display: block;
    width: 100%;
}

.band {
    fill: var(--clear);
}

.middle {
    stroke: var(--quiet);
}

text {
    font: 11px var(--sans);
    fill: var(--quiet);
}

.syllable {
    font: 12px var(--serif);
    text-anchor: middle;
}

.good {
    fill: var(--lake);
}

.early,
.late {
    fill: var(--amber);
}

.missed {
    fill: none;
    stroke: var(--rust);
    stroke-width: 2;
}
</style>

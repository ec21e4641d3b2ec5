<script setup lang="ts">
import { computed } from 'vue';
import HarmonyLane from '../../desk/HarmonyLane.vue';
import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Likeness, ReadAnswer } from '@generated/read';
import { rows } from './likeness';
import type { Naming } from '../../desk/naming';

/** Under a line: the keys, the harmonies, cadences, and what the bars are like. */
const props = defineProps<{ laid: Laid; reading: ReadAnswer; naming: Naming; measures: { id: string; number: string }[] }>();
const emit = defineEmits<{ jump: [measure: number] }>();

const LETTER = 6.6;
const ROW = 17;
const MOST_ROWS = 2;

const keys = computed(() =>
    props.reading.keys.flatMap((area) => {
        const from = fractionValue(area.from);
        const to = fractionValue(area.to);
        if (from >= props.laid.to || to <= props.laid.from) return [];
        const begins = from >= props.laid.from;
        return [
            {
                ...area,
                begins: begins && from > 0,
                left: begins ? xAt(props.laid, from) - 6 : props.laid.left,
                right: to >= props.laid.to ? props.laid.right : xAt(props.laid, to) - 6,
            },
        ];
    }),
);

const cadences = computed(() =>
    props.reading.cadences.flatMap((cadence) => {
        const at = fractionValue(cadence.at);
        if (at < props.laid.from || at >= props.laid.to) return [];
        const words = `${cadence.kind} cadence`;
        // Not over the name of a key that stands there.
        const edge = Math.max(0, ...keys.value.filter(({ left }) => left <= xAt(props.laid, at)).map(({ left, name }) => left + 14 + name.length * LETTER));
        const half = (words.length * LETTER) / 2;
        return [{ cadence, words, x: Math.max(Math.min(xAt(props.laid, at), props.laid.system.width - half), edge + half) }];
    }),
);

const placed = computed(() => rows(props.reading.likenesses, MOST_ROWS));

/** Brackets of this line by row: from bar to bar, with what they are like. */
const likenesses = computed(() => {
    const index = new Map(props.measures.map(({ id }, place) => [id, place]));
    const here = props.laid.system.measures.map((measure) => ({ ...measure, index: index.get(measure.id) ?? -1 }));
    return placed.value.map((row) =>
        row.flatMap((likeness) => {
            const bars = here.filter((bar) => bar.index >= likeness.from && bar.index < likeness.from + likeness.length);
            const first = bars[0];
            const last = bars.at(-1);
            if (!first || !last) return [];
            const left = first.left + 4;
            const right = last.right - 6;
            const words = label(likeness, first.index - likeness.from, bars.length);
            return [
                {
                    likeness,
                    left,
                    right,
                    to: likeness.like + first.index - likeness.from,
                    words: words.length * LETTER < right - left - 12 ? words : words.split(' ').slice(0, 2).join(' '),
                },
            ];
        }),
    );
});

const SIGNS: Record<Likeness['kind'], string> = { exact: '=', near: '≈', transposed: 'as', theme: 'tune of' };

function label(likeness: Likeness, offset: number, length: number): string {
    const first = props.measures[likeness.like + offset]?.number ?? '';
    const last = props.measures[likeness.like + offset + length - 1]?.number ?? '';
    const bars = length === 1 ? first : `${first}–${last}`;
    const moved = likeness.kind === 'transposed' ? ', moved' : '';
    const hand = likeness.hand === null ? '' : likeness.hand === 'left' ? ' left hand' : ' right hand';
    return `${SIGNS[likeness.kind]} ${bars}${moved}${hand}`;
}

const top = 22;
const height = computed(() => top + ROW * likenesses.value.filter((row) => row.length > 0).length);
const drawn = computed(() => likenesses.value.filter((row) => row.length > 0));
</script>

<template>
    <div>
        <HarmonyLane :laid="laid" :harmonies="reading.harmonies" :naming="naming" />
        <svg class="form" :viewBox="`0 0 ${laid.system.width} ${height}`" role="group" aria-label="Keys, cadences and likenesses of this line">
            <g v-for="area in keys" :key="area.from">
                <line :x1="area.left" :x2="area.right" y1="4" y2="4" class="key" />
                <line v-if="area.begins" :x1="area.left" :x2="area.left" y1="0" y2="9" class="key" />
                <text :x="area.left + 6" y="17" class="key-name">{{ area.name }}</text>
            </g>
            <text v-for="{ cadence, words, x } in cadences" :key="cadence.at" :x="x" y="17" class="cadence">{{ words }}</text>
            <template v-for="(row, place) in drawn" :key="place">
                <g
                    v-for="one in row"
                    :key="one.likeness.words"
                    class="likeness"
                    role="button"
                    tabindex="0"
                    :aria-label="`${one.likeness.words}: go there`"
                    @click.stop="emit('jump', one.to)"
                    @keydown.enter.stop="emit('jump', one.to)"
                >
                    <rect :x="one.left" :y="top + place * ROW" :width="one.right - one.left" :height="ROW - 2" class="hit" />
                    <path :d="`M${one.left} ${top + place * ROW + 3} v5 H${one.right} v-5`" :class="['bracket', one.likeness.kind]" />
                    <text :x="one.left + 8" :y="top + place * ROW + 12">{{ one.words }}</text>
                    <title>{{ one.likeness.words }}</title>
                </g>
            </template>
        </svg>
    </div>
</template>

<style scoped>
.form {
    display: block;
    width: 100%;
    overflow: visible;
}

.key {
    stroke: #8fb0b5;
    stroke-width: 2;
}

text {
    font: 12px var(--sans);
    fill: var(--quiet);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
}

.key-name {
    font-weight: 600;
    fill: var(--lake);
}

.cadence {
    text-anchor: middle;
    font-style: italic;
}

.likeness {
    cursor: pointer;
}

.hit {
    fill: transparent;
}

.bracket {
    fill: none;
    stroke: #8b7390;
    stroke-width: 1.3;
}

.bracket.near {
    stroke-dasharray: 5 3;
}

.bracket.transposed {
    stroke-dasharray: 1 3;
    stroke-linecap: round;
    stroke-width: 2;
}

.likeness text {
    fill: var(--heather);
}

.likeness:hover .bracket,
.likeness:focus-visible .bracket {
    stroke: var(--ink);
    stroke-width: 2;
}
</style>

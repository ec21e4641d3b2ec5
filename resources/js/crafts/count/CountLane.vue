<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { xAt } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { CountState } from './useCount';

const props = defineProps<LineProps<CountState>>();

const counting = props.state.counting;

const HEIGHT = 46;
const LETTER = 7.5;

/** The bars of this line. */
const inLine = computed(() => {
    const index = props.laid.system.measures.map(({ id }) => props.context.desk.piece.barOf(id)).filter((bar) => bar !== undefined);
    return index.flatMap((bar) => counting.value?.bars[bar] ?? []);
});

/** Syllables of this line; where they stand too close, those on which nothing is struck give way. */
const syllables = computed(() => {
    const all = inLine.value.flatMap((bar) => bar.syllables.map((syllable) => ({ ...syllable, time: fractionValue(syllable.at) })));
    const here = all
        .filter(({ time }) => time >= props.laid.from - 1e-9 && time < props.laid.to - 1e-9)
        .map((syllable) => ({ ...syllable, x: xAt(props.laid, syllable.time), struck: syllable.notes.length > 0, isBeat: /^\d/.test(syllable.text) }));
    let edge = -Infinity;
    const taken: { from: number; to: number }[] = [];
    for (const syllable of here.filter(({ struck, isBeat }) => struck || isBeat))
        taken.push({ from: syllable.x - (syllable.text.length * LETTER) / 2, to: syllable.x + (syllable.text.length * LETTER) / 2 });
    return here.filter((syllable) => {
        const half = (syllable.text.length * LETTER) / 2;
        const fits =
            syllable.struck ||
            syllable.isBeat ||
            (syllable.x - half > edge && !taken.some(({ from, to }) => syllable.x + half > from && syllable.x - half < to));
        if (fits) edge = syllable.x + half;
        return fits;
    });
});

const crosses = computed(() =>
    (counting.value?.cross_rhythms ?? []).flatMap((cross) => {
        const from = fractionValue(cross.from);
        if (from < props.laid.from || from >= props.laid.to) return [];
        const to = fractionValue(cross.to);
        return [
            {
                cross,
                left: xAt(props.laid, from),
                right: to >= props.laid.to ? props.laid.right : xAt(props.laid, to),
                label: `${cross.hand === null ? '' : `${cross.hand} hand `}${cross.upper} : ${cross.lower}`,
            },
        ];
    }),
);
</script>

<template>
    <svg v-if="counting" class="count" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Count of this line">
        <g v-for="{ cross, left, right, label } in crosses" :key="cross.from + cross.words" class="cross">
            <path :d="`M${left - 3} 12 v-5 H${right - 8} v5`" />
            <text :x="(left + right) / 2 - 5" y="11">{{ label }}</text>
            <title>{{ cross.spoken }}</title>
        </g>
        <text v-for="syllable in syllables" :key="syllable.at" :class="{ struck: syllable.struck, beat: syllable.isBeat }" :x="syllable.x" y="32">
            {{ syllable.text }}
        </text>
    </svg>
</template>

<style scoped>
.count {
    display: block;
    width: 100%;
    overflow: visible;
}

text {
    font: 14px var(--serif);
    text-anchor: middle;
    fill: #68757c;
}

.struck {
    fill: var(--ink);
}

.beat {
    font-size: 15px;
}

.struck.beat {
    font-weight: 600;
}

.cross path {
    fill: none;
    stroke: var(--heather);
    stroke-width: 1.4;
}

.cross text {
    font: 600 12px var(--sans);
    fill: var(--heather);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 5px;
}
</style>

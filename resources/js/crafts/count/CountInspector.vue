<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import BarsByKind from '../../desk/BarsByKind.vue';
import type { CraftProps } from '../../desk/craft';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { Hazard } from '@generated/count';
import CrossGrid from './CrossGrid.vue';
import TapAlong from './TapAlong.vue';
import type { CountState } from './useCount';

const props = defineProps<CraftProps<CountState>>();

const { desk, score } = props.context;
const { measures } = score;
const current = desk.measure;
/** The inspector is shown where the piece has been counted. */
const counting = computed(() => props.state.counting.value!);

const bar = computed(() => measures[current.value]!);
const spoken = computed(() => counting.value.bars[current.value]?.spoken ?? '');
const crosses = computed(() => counting.value.cross_rhythms.filter((cross) => cross.measure === current.value));
const here = computed(() => counting.value.hazards.filter((hazard) => hazard.measure === current.value));

const limit = computed(() => counting.value.limits.find(({ measure }) => measure === current.value) ?? null);
const hardest = computed(() => (counting.value.limit?.tempo ? counting.value.limit : null));

const NAMES: Record<Hazard['kind'], string> = {
    'up-beat': 'Up-beat',
    'cross-rhythm': 'Cross-rhythm',
    'dotted-figure': 'Dotted figure',
    'long-note': 'Long note',
    'silent-first-beat': 'Silent first beat',
    'late-rest': 'Silence at the end',
    'fast-repetition': 'Quick repetition',
    'fast-run': 'Quick run',
    accidental: 'Accidental',
};

function where(hazard: Hazard): string {
    return beatName(bar.value, fractionValue(hazard.at) - fractionValue(bar.value.start));
}
</script>

<template>
    <InspectorFrame :bar="bar" :about="bar.time">
        <section>
            <h3>Count</h3>
            <p class="spoken">{{ spoken }}</p>
        </section>
        <section v-if="limit">
            <h3>Quickest here</h3>
            <p>
                {{ limit.rate }} {{ limit.kind === 'run' ? 'notes' : 'strokes of one key' }} a second.
                <template v-if="limit.tempo !== null">At the measured rate this bar goes up to ♩ = {{ limit.tempo }}.</template>
            </p>
            <p v-if="hardest" class="quiet">
                The whole piece goes up to ♩ = {{ hardest.tempo }}, limited by
                <button type="button" @click="desk.moveToMeasure(hardest.measure)">bar {{ measures[hardest.measure]?.number }}</button>
            </p>
        </section>
        <TapAlong :tapping="state.tapping" :hands="context.answer('read').known.value !== null" />
        <section v-if="crosses.length > 0">
            <h3>Cross-rhythm</h3>
            <CrossGrid v-for="cross in crosses" :key="cross.from + cross.words" :cross="cross" />
        </section>
        <section>
            <h3>Take care</h3>
            <p v-if="here.length === 0" class="quiet">Nothing that is easily miscounted.</p>
            <ul class="hazards">
                <li v-for="hazard in here" :key="hazard.kind + hazard.at + hazard.reason">
                    <strong>{{ NAMES[hazard.kind] }}</strong> <span class="quiet">{{ where(hazard) }}</span><br />{{ hazard.reason }}
                </li>
            </ul>
        </section>
        <section>
            <h3>In the whole piece</h3>
            <BarsByKind :places="counting.hazards" :names="NAMES" :measures="measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p,
ul {
    margin: 0;
}

.spoken {
    font: 1.15rem var(--serif);
}

.hazards {
    padding: 0;
    list-style: none;
}

.hazards li {
    margin: 4px 0 8px;
    padding-left: 10px;
    border-left: 3px solid var(--veiled);
}

button {
    min-width: 30px;
    padding: 2px 6px;
    font: inherit;
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}
</style>

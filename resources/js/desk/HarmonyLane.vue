<script setup lang="ts">
import { computed } from 'vue';
import { xAt, type Laid } from '../engraving/layout';
import { fractionValue } from '../support/fraction';
import type { Naming } from './naming';
import type { HarmonyData } from './useDesk';

const props = withDefaults(defineProps<{ laid: Laid; harmonies: HarmonyData[]; naming?: Naming }>(), { naming: 'both' });

const LETTER = 7;

const labels = computed(() => {
    const here = props.harmonies
        .map((harmony) => ({ harmony, from: fractionValue(harmony.from), to: fractionValue(harmony.to) }))
        .filter(({ from, to }) => from < props.laid.to && to > props.laid.from)
        .map(({ harmony, from }) => ({
            harmony,
            x: from < props.laid.from ? (props.laid.spots[0]?.x ?? props.laid.left) : xAt(props.laid, from),
            goesOn: from < props.laid.from,
        }));
    return here.map((label, index) => {
        const room = (here[index + 1]?.x ?? props.laid.right) - label.x;
        const fits = (text: string): string => (text.length * LETTER < room ? text : '');
        return { ...label, x: label.x - 4, name: fits(label.harmony.name), numeral: fits(label.harmony.numeral) };
    });
});
</script>

<template>
    <svg class="harmony" :viewBox="`0 0 ${laid.system.width} ${naming === 'both' ? 30 : 18}`" role="img" aria-label="Harmonies of this line">
        <g v-for="label in labels" :key="label.harmony.from" :class="{ continued: label.goesOn }">
            <text v-if="naming !== 'numerals'" :class="['name', { fixed: label.harmony.fixed }]" :x="label.x" y="12">{{ label.name }}</text>
            <text v-if="naming !== 'names'" class="numeral" :x="label.x" :y="naming === 'both' ? 26 : 13">{{ label.numeral }}</text>
        </g>
    </svg>
</template>

<style scoped>
.harmony {
    display: block;
    width: 100%;
}

.name {
    font: 600 12.5px var(--sans);
    fill: var(--ink);
}

.numeral {
    font: 12.5px var(--serif);
    fill: var(--heather);
}

.fixed {
    text-decoration: underline;
}

.continued {
    opacity: 0.55;
}
</style>

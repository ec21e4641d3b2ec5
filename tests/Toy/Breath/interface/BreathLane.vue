<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../../../resources/js/desk/craft';
import { xAt } from '../../../../resources/js/engraving/layout';
import { fractionValue } from '../../../../resources/js/support/fraction';
import type { BreathState } from './useBreath';

/** A comma under every place before which a breath is taken. */
const props = defineProps<LineProps<BreathState>>();

const commas = computed(() =>
    (props.state.breathing.value?.breaths ?? [])
        .map(fractionValue)
        .filter((time) => time >= props.laid.from && time < props.laid.to)
        .map((time) => xAt(props.laid, time) - 8),
);
</script>

<template>
    <svg :viewBox="`0 0 ${laid.system.width} 24`" role="img" aria-label="Breaths of this line">
        <text v-for="x in commas" :key="x" :x="x" y="18">’</text>
    </svg>
</template>

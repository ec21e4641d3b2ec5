<script setup lang="ts">
import type { LineProps } from '../../desk/craft';
import ReadLane from './ReadLane.vue';
import TwinBars from './TwinBars.vue';
import type { ReadState } from './useRead';

defineProps<LineProps<ReadState>>();
</script>

<template>
    <template v-if="state.reading.value">
        <TwinBars :laid="laid" :bars="state.alike.value" />
        <ReadLane
            :laid="laid"
            :reading="state.reading.value"
            :naming="state.naming.value"
            :measures="context.score.measures"
            @jump="context.desk.moveToMeasure"
        />
    </template>
</template>

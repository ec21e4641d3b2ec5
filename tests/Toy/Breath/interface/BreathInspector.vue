<script setup lang="ts">
import { computed } from 'vue';
import { mend, type CraftProps } from '../../../../resources/js/desk/craft';
import FindingList from '../../../../resources/js/desk/FindingList.vue';
import InspectorFrame from '../../../../resources/js/desk/InspectorFrame.vue';
import type { BreathState } from './useBreath';

const props = defineProps<CraftProps<BreathState>>();

const { desk, score } = props.context;
const bar = computed(() => score.measures[desk.measure.value]!);
const findings = computed(() => (props.state.breathing.value?.findings ?? []).filter(({ measure }) => measure === desk.measure.value));
</script>

<template>
    <InspectorFrame :bar="bar" :about="bar.time">
        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />
    </InspectorFrame>
</template>

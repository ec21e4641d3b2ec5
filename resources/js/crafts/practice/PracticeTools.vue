<script setup lang="ts">
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { Settings } from './edits';
import type { PracticeState } from './usePractice';

/** How a piece is begun, what opens the next step, and where work begins. */
const props = defineProps<CraftProps<PracticeState>>();

const STARTS: { value: NonNullable<Settings['start']>; label: string }[] = [
    { value: 'together', label: 'all at once' },
    { value: 'apart', label: 'hands apart' },
];
const GATES: { value: NonNullable<Settings['gates']>; label: string }[] = [
    { value: 'notes', label: 'notes first' },
    { value: 'sound', label: 'sound first' },
];
const ORDERS: { value: NonNullable<Settings['order']>; label: string }[] = [
    { value: 'hardest', label: 'hardest first' },
    { value: 'first', label: 'in order' },
];
const set = (settings: Settings): void => props.context.desk.setSettings('practice', settings);
</script>

<template>
    <template v-if="state.practice.value">
        <ChoiceSelect :value="state.practice.value.start" :options="STARTS" label="How it is begun" @choose="(start) => set({ start })" />
        <ChoiceSelect :value="state.practice.value.gates" :options="GATES" label="What opens the next step" @choose="(gates) => set({ gates })" />
        <ChoiceSelect :value="state.practice.value.order" :options="ORDERS" label="Where work begins" @choose="(order) => set({ order })" />
    </template>
</template>

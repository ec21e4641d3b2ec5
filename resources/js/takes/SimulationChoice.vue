<script setup lang="ts">
import { computed } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { SimulatedFault } from '@generated/hear';
import type { Simulation } from './simulated';

/** How the simulated pianist plays: how steadily, and with which faults. */
const props = defineProps<{ value: Simulation; faults: readonly SimulatedFault[]; selected: { first: number; last: number } | null }>();
const emit = defineEmits<{ change: [value: Simulation] }>();

const SKILLS: { value: Simulation['skill']; label: string }[] = [
    { value: 'growing', label: 'a growing player' },
    { value: 'intermediate', label: 'an intermediate player' },
    { value: 'advanced', label: 'an advanced player' },
];
const HANDS: { value: 'both' | 'right' | 'left'; label: string }[] = [
    { value: 'both', label: 'both hands' },
    { value: 'right', label: 'the right hand' },
    { value: 'left', label: 'the left hand' },
];
const set = (changed: Partial<Simulation>): void => emit('change', { ...props.value, ...changed });
const has = computed(() => new Set(props.value.faults));
const toggle = (kind: SimulatedFault['kind']): void =>
    set({ faults: has.value.has(kind) ? props.value.faults.filter((one) => one !== kind) : [...props.value.faults, kind] });
</script>

<template>
    <div class="simulation">
        <ChoiceSelect :value="value.skill" :options="SKILLS" label="Who plays" @choose="(skill) => set({ skill })" />
        <ChoiceSelect
            v-if="faults.length > 0"
            :value="value.hand ?? 'both'"
            :options="HANDS"
            label="Which hands play"
            @choose="(hand) => set({ hand: hand === 'both' ? null : hand })"
        />
        <details v-if="faults.length > 0">
            <summary>
                With faults<template v-if="value.faults.length > 0">: {{ value.faults.length }}</template>
            </summary>
            <label v-for="fault in faults" :key="fault.kind">
                <input type="checkbox" :checked="has.has(fault.kind)" @change="toggle(fault.kind)" /> {{ fault.label }}
            </label>
            <label v-if="selected">
                <input type="checkbox" :checked="value.bars !== null" @change="set({ bars: value.bars ? null : selected })" /> only in the selected bars
            </label>
        </details>
        <label><input type="checkbox" :checked="!value.depth" @change="set({ depth: !value.depth })" /> her pedal knows only up and down</label>
    </div>
</template>

<style scoped>
.simulation {
    display: flex;
    flex-direction: column;
    gap: 4px;
}

details label {
    display: block;
    padding-left: 14px;
}
</style>

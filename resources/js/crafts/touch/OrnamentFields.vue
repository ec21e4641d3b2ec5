<script setup lang="ts">
import { computed } from 'vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { Ornaments } from '@generated/touch';

/** Fields for how trills, grace notes and rolled chords are played, two by two; `leads`: and whether the melody leads. */
const props = defineProps<{ ornaments: Ornaments; leads: boolean }>();
const emit = defineEmits<{ change: [ornaments: Ornaments] }>();

const GRACES = [
    { value: 'before', label: 'before the beat' },
    { value: 'on', label: 'on the beat' },
] as const;
const TRILL = [
    { value: 'main', label: 'on their note' },
    { value: 'upper', label: 'from above' },
] as const;
const ROLL = [
    { value: 'from', label: 'begin on the beat' },
    { value: 'before', label: 'end on the beat' },
] as const;
const NUMBERS = [
    { name: 'speed', label: 'trill, notes a second', least: 4, most: 20 },
    { name: 'spread', label: 'rolled, ms from note to note', least: 0, most: 200 },
    { name: 'lead', label: 'melody leads by, ms', least: 0, most: 60 },
] as const;

const numbers = computed(() => NUMBERS.filter(({ name }) => props.leads || name !== 'lead'));

const change = (part: Partial<Ornaments>): void => emit('change', { ...props.ornaments, ...part });

function set(name: (typeof NUMBERS)[number]['name'], value: unknown): void {
    if (typeof value === 'number' && value !== props.ornaments[name]) change({ [name]: value });
}
</script>

<template>
    <span>grace notes</span>
    <ChoiceSelect :value="ornaments.graces" :options="GRACES" label="Grace notes" @choose="(graces) => change({ graces })" />
    <span>trills begin</span>
    <ChoiceSelect :value="ornaments.trill" :options="TRILL" label="Trills begin" @choose="(trill) => change({ trill })" />
    <span>rolled chords</span>
    <ChoiceSelect :value="ornaments.roll" :options="ROLL" label="Rolled chords" @choose="(roll) => change({ roll })" />
    <template v-for="{ name, label, least, most } in numbers" :key="name">
        <label :for="`ornament-${name}`">{{ label }}</label>
        <a-input-number
            :id="`ornament-${name}`"
            size="small"
            :value="ornaments[name]"
            :min="least"
            :max="most"
            @change="(value: unknown) => set(name, value)"
        />
    </template>
</template>

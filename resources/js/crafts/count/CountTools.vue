<script setup lang="ts">
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CountState } from './useCount';

defineProps<CraftProps<CountState>>();

const SUBDIVISIONS = [
    { value: 0, label: 'as each bar needs' },
    { value: 1, label: 'one' },
    { value: 2, label: 'two' },
    { value: 3, label: 'three' },
    { value: 4, label: 'four' },
    { value: 6, label: 'six' },
];
</script>

<template>
    <label class="field">
        <span>Syllables to a beat</span>
        <ChoiceSelect
            :value="state.subdivision.value"
            :options="SUBDIVISIONS"
            label="Syllables to a beat"
            @choose="(syllables) => state.subdivide(syllables)"
        />
    </label>
</template>

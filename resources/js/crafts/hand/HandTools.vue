<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CraftProps } from '../../desk/craft';
import type { HandState, School } from './useHand';

defineProps<CraftProps<HandState>>();

const SCHOOLS: { value: School; label: string }[] = [
    { value: 'ease', label: 'least effort' },
    { value: 'strength', label: 'strong fingers where it is loud' },
    { value: 'figure', label: 'one fingering for one figure' },
    { value: 'print', label: 'the print' },
];
</script>

<template>
    <label class="field">
        <span class="long">Fingers by</span>
        <ChoiceSelect :value="state.school.value" :options="SCHOOLS" label="Fingers by" @choose="(school) => context.desk.setSettings('hand', { school })" />
    </label>
</template>

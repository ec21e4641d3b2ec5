<script setup lang="ts">
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { PedalState, School } from './usePedal';

defineProps<CraftProps<PedalState>>();

const SCHOOL_WORDS: Record<School, string> = {
    singing: 'Singing',
    clean: 'Clean',
    haze: 'Haze',
    'dampers-off': 'Dampers off',
    'as-printed': 'As printed',
};
const SCHOOLS = (Object.keys(SCHOOL_WORDS) as School[]).map((value) => ({ value, label: SCHOOL_WORDS[value] }));
</script>

<template>
    <a-button type="primary" :loading="context.desk.busy.value === 'pedal'" @click="state.suggest()">Suggest pedal <kbd>S</kbd></a-button>
    <label class="field">
        <span class="long">Way</span>
        <ChoiceSelect :value="state.school.value" :options="SCHOOLS" label="Way of pedalling" @choose="(school) => state.suggest(school)" />
    </label>
</template>

<script setup lang="ts">
import type { Desk } from '../../desk/useDesk';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { PlanDocument } from '../../types/generated/plan';
import { act, PEDAL_TOOLS } from './actions';

defineProps<{ desk: Desk; schools: PlanDocument['school'][] }>();

const SCHOOL_WORDS: Record<PlanDocument['school'], string> = {
    singing: 'Singing',
    clean: 'Clean',
    haze: 'Haze',
    'dampers-off': 'Dampers off',
    'as-printed': 'As printed',
};
</script>

<template>
    <a-button type="primary" :loading="desk.busy.value !== ''" @click="desk.suggest()">Suggest pedal <kbd>S</kbd></a-button>
    <label class="field">
        <span class="long">Way</span>
        <ChoiceSelect
            :value="desk.plan.value.school"
            :options="schools.map((school) => ({ value: school, label: SCHOOL_WORDS[school] }))"
            label="Way of pedalling"
            @choose="(school) => desk.suggest(school)"
        />
    </label>
    <span class="gap" />
    <a-button v-for="tool in PEDAL_TOOLS" :key="tool.action" class="tool" @click="act(desk, tool.action)"
        >{{ tool.label }} <kbd>{{ tool.key }}</kbd></a-button
    >
</template>

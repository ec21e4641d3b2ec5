<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { School, TimeState } from './useTime';

/** How much time phrases take by themselves. */
const props = defineProps<CraftProps<TimeState>>();

const SCHOOLS: { value: School; label: string }[] = [
    { value: 'strict', label: 'strict, as printed' },
    { value: 'breathing', label: 'breathing' },
    { value: 'free', label: 'free' },
];
const proposal = computed(() => props.state.time.value?.proposal ?? null);
const schools = computed(() => SCHOOLS.map(({ value, label }) => ({ value, label: value === proposal.value?.school ? `${label} (proposed)` : label })));
</script>

<template>
    <label class="field" :title="proposal ? `Proposed: ${proposal.reason}` : ''">
        <span class="long">School</span>
        <ChoiceSelect
            :value="state.school.value"
            :options="schools"
            label="School of time"
            @choose="(school) => context.desk.setSettings('time', { school })"
        />
    </label>
</template>

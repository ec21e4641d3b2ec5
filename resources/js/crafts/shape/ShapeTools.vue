<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CraftProps } from '../../desk/craft';
import type { School, ShapeState } from './useShape';

defineProps<CraftProps<ShapeState>>();

const SCHOOLS: { value: School; label: string }[] = [
    { value: 'as-printed', label: 'as printed' },
    { value: 'singing', label: 'singing line' },
    { value: 'even', label: 'even texture' },
    { value: 'terraced', label: 'terraced' },
];
</script>

<template>
    <label class="field">
        <span class="long">School</span>
        <ChoiceSelect
            :value="state.school.value"
            :options="SCHOOLS"
            label="School of shaping"
            @choose="(school) => context.desk.setSettings('shape', { school })"
        />
    </label>
</template>

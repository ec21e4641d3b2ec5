<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CraftProps } from '../../desk/craft';
import LayerLevels from './LayerLevels.vue';
import type { BalanceState, School } from './useBalance';

defineProps<CraftProps<BalanceState>>();

const SCHOOLS: { value: School; label: string }[] = [
    { value: 'as-printed', label: 'as printed' },
    { value: 'singing', label: 'melody well over' },
    { value: 'even', label: 'layers close' },
];
</script>

<template>
    <label class="field">
        <span class="long">Balance</span>
        <ChoiceSelect
            :value="state.school.value"
            :options="SCHOOLS"
            label="School of balance"
            @choose="(school) => context.desk.setSettings('balance', { school })"
        />
    </label>
    <LayerLevels
        v-if="state.balance.value"
        :levels="state.balance.value.levels"
        :own="state.ownLevels.value"
        @change="(levels) => context.desk.setSettings('balance', { levels })"
    />
</template>

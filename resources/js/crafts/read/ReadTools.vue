<script setup lang="ts">
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import { NAMINGS } from '../../desk/naming';
import type { ReadState } from './useRead';

defineProps<CraftProps<ReadState>>();
</script>

<template>
    <label class="field">
        <span>Harmony as</span>
        <ChoiceSelect :value="state.naming.value" :options="NAMINGS" label="Harmony as" @choose="(value) => state.name(value)" />
    </label>
</template>

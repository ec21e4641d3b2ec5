<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CraftProps } from '../../desk/craft';
import LengthValues from './LengthValues.vue';
import type { Style, TouchState } from './useTouch';

defineProps<CraftProps<TouchState>>();

const STYLES: { value: Style; label: string }[] = [
    { value: 'written', label: 'as written' },
    { value: 'lyrical', label: 'lyrical' },
    { value: 'dance', label: 'dance' },
    { value: 'older', label: 'older keyboard' },
    { value: 'straight', label: 'off-beats, straight' },
    { value: 'swing', label: 'off-beats, swung' },
];
</script>

<template>
    <label class="field">
        <span class="long">Style</span>
        <ChoiceSelect :value="state.style.value" :options="STYLES" label="Style of touch" @choose="(style) => context.desk.setSettings('touch', { style })" />
    </label>
    <LengthValues
        v-if="state.touch.value"
        :lengths="state.touch.value.style"
        :own="state.ownLengths.value"
        @change="(lengths) => context.desk.setSettings('touch', { lengths })"
    />
</template>

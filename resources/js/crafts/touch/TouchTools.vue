<script setup lang="ts">
import { computed } from 'vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { CraftProps } from '../../desk/craft';
import LengthValues from './LengthValues.vue';
import OrnamentValues from './OrnamentValues.vue';
import type { Style, TouchState } from './useTouch';

const props = defineProps<CraftProps<TouchState>>();

const STYLES: { value: Style; label: string }[] = [
    { value: 'written', label: 'as written' },
    { value: 'lyrical', label: 'lyrical' },
    { value: 'dance', label: 'dance' },
    { value: 'older', label: 'older keyboard' },
    { value: 'straight', label: 'off-beats, straight' },
    { value: 'swing', label: 'off-beats, swung' },
];

const proposed = computed(() => props.state.touch.value?.proposed ?? null);
const styles = computed(() => STYLES.map(({ value, label }) => ({ value, label: value === proposed.value?.style ? `${label} (proposed)` : label })));
</script>

<template>
    <label class="field" :title="proposed ? `Proposed: ${proposed.reason}` : ''">
        <span class="long">Style</span>
        <ChoiceSelect :value="state.style.value" :options="styles" label="Style of touch" @choose="(style) => context.desk.setSettings('touch', { style })" />
    </label>
    <LengthValues
        v-if="state.touch.value"
        :lengths="state.touch.value.style"
        :own="state.ownLengths.value"
        @change="(lengths) => context.desk.setSettings('touch', { lengths })"
    />
    <OrnamentValues
        v-if="state.touch.value"
        :ornaments="state.touch.value.ornaments"
        @change="(ornaments) => context.desk.setSettings('touch', { ornaments })"
    />
</template>

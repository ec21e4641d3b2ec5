<script setup lang="ts">
import { computed } from 'vue';
import type { LayerLevels } from '@generated/balance';
import ValuesPopover from '../../support/ValuesPopover.vue';
import { LAYERS } from '../read/layers';
import type { Levels } from './useBalance';

/** How loud each layer is beside what is printed, by the school or as the teacher has it. */
const props = defineProps<{ levels: LayerLevels; own: Levels }>();
const emit = defineEmits<{ change: [levels: Levels] }>();

const changed = computed(() => Object.keys(props.own).length > 0);

function set(layer: keyof LayerLevels, value: unknown): void {
    if (typeof value === 'number' && Math.abs(value - props.levels[layer]) > 1e-6) emit('change', { ...props.own, [layer]: value });
}
</script>

<template>
    <ValuesPopover :label="`Levels${changed ? ' (yours)' : ''}`" title="Levels of the layers">
        <template v-for="{ layer, label } in LAYERS" :key="layer">
            <label :for="`level-${layer}`" :class="{ own: layer in own }">{{ label }}</label>
            <a-input-number
                :id="`level-${layer}`"
                size="small"
                :value="levels[layer]"
                :min="-24"
                :max="24"
                :step="0.5"
                @change="(value: unknown) => set(layer, value)"
            />
        </template>
        <template #after>
            <p class="quiet">dB beside the dynamic; a grade is about 4.</p>
            <a-button size="small" :disabled="!changed" @click="emit('change', {})">As the school has it</a-button>
        </template>
    </ValuesPopover>
</template>

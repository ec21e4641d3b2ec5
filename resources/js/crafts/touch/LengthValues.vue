<script setup lang="ts">
import { computed } from 'vue';
import type { TouchAnswer } from '@generated/touch';
import ValuesPopover from '../../support/ValuesPopover.vue';
import type { Lengths } from './useTouch';

type Values = Lengths;
type Name = keyof Values;

/** How long notes are held in the style, and what the teacher's school has otherwise. */
const props = defineProps<{ lengths: TouchAnswer['style']; own: Values }>();
const emit = defineEmits<{ change: [values: Values] }>();

const ROWS: { name: Name; label: string }[] = [
    { name: 'plain', label: 'no slur, no sign' },
    { name: 'lift', label: 'last note of a slur' },
    { name: 'off-beat', label: 'short, off the beat' },
    { name: 'marcato', label: 'marcato' },
    { name: 'non-legato', label: 'non-legato' },
    { name: 'portato', label: 'portato' },
    { name: 'staccato', label: 'staccato' },
    { name: 'staccatissimo', label: 'staccatissimo' },
];
const changed = computed(() => Object.keys(props.own).length > 0);

function set(name: Name, value: unknown, unit: number): void {
    if (typeof value !== 'number') return;
    const next = value / unit;
    if (Math.abs(next - (props.lengths[name] ?? 0)) > 1e-6) emit('change', { ...props.own, [name]: next });
}
</script>

<template>
    <ValuesPopover :label="`Lengths${changed ? ' (yours)' : ''}`" title="How long notes are held">
        <template v-for="{ name, label } in ROWS" :key="name">
            <label :for="`length-${name}`" :class="{ own: name in own }">{{ label }}</label>
            <span>
                <a-input-number
                    :id="`length-${name}`"
                    size="small"
                    :value="Math.round(100 * (lengths[name] ?? 1))"
                    :min="5"
                    :max="120"
                    @change="(value: unknown) => set(name, value, 100)"
                />
                %
            </span>
        </template>
        <label for="length-overlap" :class="{ own: 'overlap' in own }">joined keys overlap</label>
        <span>
            <a-input-number
                id="length-overlap"
                size="small"
                :value="Math.round(lengths['overlap'] ?? 0)"
                :min="0"
                :max="100"
                @change="(value: unknown) => set('overlap', value, 1)"
            />
            ms
        </span>
        <template #after>
            <a-button size="small" :disabled="!changed" @click="emit('change', {})">As the style has it</a-button>
        </template>
    </ValuesPopover>
</template>

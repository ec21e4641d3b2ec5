<script setup lang="ts">
import { computed } from 'vue';
import type { TouchAnswer } from '@generated/touch';
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
    <a-popover trigger="click" placement="bottomLeft">
        <a-button class="tool">Lengths{{ changed ? ' (yours)' : '' }}</a-button>
        <template #content>
            <div class="values" role="group" aria-label="How long notes are held">
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
            </div>
            <a-button size="small" :disabled="!changed" @click="emit('change', {})">As the style has it</a-button>
        </template>
    </a-popover>
</template>

<style scoped>
.values {
    display: grid;
    grid-template-columns: auto auto;
    gap: 5px 14px;
    align-items: center;
    margin-bottom: 10px;
}

.own {
    font-weight: 600;
}
</style>

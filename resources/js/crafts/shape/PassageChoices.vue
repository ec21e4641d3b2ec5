<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { Choices } from './edits';

/** Where teachers differ: what the piece, or a passage, does. */
const props = defineProps<{ choices: Choices; isPassage: boolean }>();
const emit = defineEmits<{ change: [choices: Choices]; clear: [] }>();

const REPEATED = [
    { value: 'fade', label: 'fall off' },
    { value: 'grow', label: 'grow' },
    { value: 'stay', label: 'stay alike' },
] as const;
const HIGH = [
    { value: 'held', label: 'held back' },
    { value: 'goal', label: 'let out' },
] as const;
const METRE = [
    { value: 'leaned', label: 'leaned on' },
    { value: 'levelled', label: 'levelled' },
] as const;

const change = (part: Partial<Choices>): void => emit('change', { ...props.choices, ...part });
</script>

<template>
    <div class="choices" role="group" aria-label="Where teachers differ">
        <span>repeated notes</span>
        <ChoiceSelect :value="choices.repeated" :options="REPEATED" label="Repeated notes" @choose="(repeated) => change({ repeated })" />
        <span>high notes in passing</span>
        <ChoiceSelect :value="choices.high" :options="HIGH" label="High notes in passing" @choose="(high) => change({ high })" />
        <span>strong beats</span>
        <ChoiceSelect :value="choices.metre" :options="METRE" label="Strong beats" @choose="(metre) => change({ metre })" />
    </div>
    <a-button v-if="isPassage" size="small" @click="emit('clear')">As in the rest of the piece</a-button>
</template>

<style scoped>
.choices {
    display: grid;
    grid-template-columns: auto auto;
    gap: 4px 10px;
    align-items: center;
    margin-bottom: 8px;
}
</style>

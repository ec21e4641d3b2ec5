<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { PlanDocument } from '../../types/generated/plan';
import type { TouchDocument } from '../../types/generated/touch';
import { ARTICULATIONS } from './edits';
import LengthValues from './LengthValues.vue';
import type { TouchState } from './useTouch';

type Profile = NonNullable<PlanDocument['touch']>;

defineProps<{ touch: TouchState; profile: Profile; lengths: TouchDocument['style'] | null; own: NonNullable<PlanDocument['lengths']> }>();
defineEmits<{ choose: [profile: Profile]; change: [values: NonNullable<PlanDocument['lengths']>] }>();

const PROFILES: { value: Profile; label: string }[] = [
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
        <ChoiceSelect :value="profile" :options="PROFILES" label="Style of touch" @choose="(value) => $emit('choose', value)" />
    </label>
    <LengthValues v-if="lengths" :lengths="lengths" :own="own" @change="(values) => $emit('change', values)" />
    <span class="gap" />
    <a-button v-for="{ articulation, label, key } in ARTICULATIONS" :key="articulation" class="tool" @click="touch.leave(articulation)"
        >{{ label }} <kbd>{{ key }}</kbd></a-button
    >
    <a-button class="tool" @click="touch.restore()">Take back <kbd>0</kbd></a-button>
</template>

<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { PlanDocument } from '../../types/generated/plan';
import { ARTICULATIONS } from './edits';
import type { TouchState } from './useTouch';

type Profile = NonNullable<PlanDocument['touch']>;

defineProps<{ touch: TouchState; profile: Profile }>();
defineEmits<{ choose: [profile: Profile] }>();

const PROFILES: { value: Profile; label: string }[] = [
    { value: 'written', label: 'as written' },
    { value: 'lyrical', label: 'lyrical' },
    { value: 'dance', label: 'dance' },
    { value: 'older', label: 'older keyboard' },
];
</script>

<template>
    <label class="field">
        <span class="long">Style</span>
        <ChoiceSelect :value="profile" :options="PROFILES" label="Style of touch" @choose="(value) => $emit('choose', value)" />
    </label>
    <span class="gap" />
    <a-button v-for="{ articulation, label, key } in ARTICULATIONS" :key="articulation" class="tool" @click="touch.leave(articulation)"
        >{{ label }} <kbd>{{ key }}</kbd></a-button
    >
    <a-button class="tool" @click="touch.restore()">Take back <kbd>0</kbd></a-button>
</template>

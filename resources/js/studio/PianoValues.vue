<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3';
import type { AdjustedPiano, InstrumentProfile } from './types';

/** How an instrument sounds on, to be adjusted: one of the teacher's own, or a copy of another that becomes one. */
const props = defineProps<{ piano: AdjustedPiano | null; name: string; profile: InstrumentProfile }>();
const emit = defineEmits<{ kept: []; close: []; removed: [] }>();

const form = useForm({ name: props.piano?.name ?? `${props.name}, adjusted`, ...props.profile, ...(props.piano ?? {}) });

const VALUES = [
    { field: 'ring', label: 'Rings', unit: '× a concert grand', min: 0.2, max: 2, step: 0.05 },
    { field: 'dampers', label: 'Dampers stop', unit: '× as firmly', min: 0.2, max: 2, step: 0.05 },
    { field: 'room', label: 'The room keeps', unit: 's', min: 0, max: 6, step: 0.1 },
    { field: 'soft', label: 'Left pedal', unit: 'dB softer', min: 0, max: 8, step: 0.5 },
    { field: 'softest', label: 'Keys speak from', unit: 'of 127', min: 1, max: 40, step: 1 },
] as const;

function save(): void {
    const options = { preserveScroll: true, preserveState: true, onSuccess: () => emit('kept') };
    if (props.piano) form.patch(`/pianos/${props.piano.id}`, options);
    else form.post('/pianos', options);
}

function remove(): void {
    if (props.piano) router.delete(`/pianos/${props.piano.id}`, { preserveScroll: true, preserveState: true, onSuccess: () => emit('removed') });
}
</script>

<template>
    <fieldset class="piano">
        <legend>How it sounds on</legend>
        <label for="piano-name">Name</label>
        <a-input id="piano-name" v-model:value="form.name" :maxlength="60" />
        <template v-for="{ field, label, unit, min, max, step } in VALUES" :key="field">
            <label :for="`piano-${field}`">{{ label }}</label>
            <span>
                <a-input-number :id="`piano-${field}`" v-model:value="form[field]" :min="min" :max="max" :step="step" />
                <span class="quiet">{{ unit }}</span>
            </span>
        </template>
        <p v-for="error in form.errors" :key="error" class="error" role="alert">{{ error }}</p>
        <span class="buttons">
            <a-button size="small" type="primary" :loading="form.processing" @click="save">{{
                piano ? 'Save this instrument' : 'Keep as an own instrument'
            }}</a-button>
            <a-button size="small" @click="emit('close')">Never mind</a-button>
            <a-button v-if="piano" size="small" danger @click="remove">Remove</a-button>
        </span>
    </fieldset>
</template>

<style scoped>
.piano {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 5px 12px;
    align-items: center;
}

label {
    font-weight: 600;
}

.error,
.buttons {
    grid-column: 1 / -1;
    margin: 0;
}

.buttons {
    display: flex;
    gap: 8px;
}
</style>

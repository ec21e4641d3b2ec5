<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { Instrument, StudentItem } from './types';

const props = defineProps<{ student: StudentItem | null; instruments: Instrument[] }>();
const emit = defineEmits<{ close: [] }>();

const form = useForm({
    name: props.student?.name ?? '',
    instrument: props.student?.instrument ?? 'concert-grand',
    half_pedal: props.student?.half_pedal ?? true,
    sostenuto: props.student?.sostenuto ?? false,
});

function save(): void {
    const options = { preserveScroll: true, onSuccess: () => emit('close') };
    if (props.student) form.patch(`/students/${props.student.id}`, options);
    else form.post('/students', options);
}

function remove(): void {
    if (props.student) router.delete(`/students/${props.student.id}`, { preserveScroll: true, onSuccess: () => emit('close') });
}
</script>

<template>
    <a-modal
        open
        :title="student ? `Change ${student.name}` : 'Add a student'"
        ok-text="Save"
        cancel-text="Cancel"
        :confirm-loading="form.processing"
        @ok="save"
        @cancel="emit('close')"
    >
        <form class="form" @submit.prevent="save">
            <label for="student-name">First name or nickname</label>
            <a-input id="student-name" v-model:value="form.name" :maxlength="60" />
            <p v-if="form.errors.name" class="error" role="alert">{{ form.errors.name }}</p>
            <label for="student-instrument">Instrument at home</label>
            <ChoiceSelect id="student-instrument" :value="form.instrument" :options="instruments" @choose="(instrument) => (form.instrument = instrument)" />
            <a-checkbox v-model:checked="form.half_pedal">The pedal knows half pedal</a-checkbox>
            <a-checkbox v-model:checked="form.sostenuto">The middle pedal keeps single notes</a-checkbox>
            <a-popconfirm v-if="student" :title="`Remove ${student.name} and all copies?`" ok-text="Remove" cancel-text="Keep" @confirm="remove">
                <a-button danger class="remove">Remove this student</a-button>
            </a-popconfirm>
        </form>
    </a-modal>
</template>

<style scoped>
.form {
    display: grid;
    gap: 8px;
}

label {
    font-weight: 600;
}

.error {
    margin: 0;
    color: var(--rust);
}

.remove {
    justify-self: start;
    margin-top: 8px;
}
</style>

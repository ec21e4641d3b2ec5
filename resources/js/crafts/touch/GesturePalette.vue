<script setup lang="ts">
import { ref } from 'vue';
import { sendJson } from '../../support/http';

/** The gestures a teacher asks for, to be put at the cursor, and to be changed. */
const props = defineProps<{ gestures: string[] }>();
const emit = defineEmits<{ put: [text: string]; change: [gestures: string[]] }>();

const MOST = 20;
const LONGEST = 60;

const editing = ref(false);
const lines = ref('');
const trouble = ref('');

function edit(): void {
    lines.value = props.gestures.join('\n');
    trouble.value = '';
    editing.value = true;
}

async function save(): Promise<void> {
    const gestures = [...new Set(lines.value.split('\n').map((line) => line.trim()))].filter((line) => line !== '');
    try {
        await sendJson('PUT', '/gestures', { gestures });
        emit('change', gestures);
        editing.value = false;
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}
</script>

<template>
    <div class="palette" role="group" aria-label="Gestures">
        <button v-for="(text, index) in gestures" :key="text" type="button" @click="emit('put', text)">
            {{ text }} <kbd v-if="index < 9">{{ index + 1 }}</kbd>
        </button>
        <button type="button" class="edit" @click="edit">Change these …</button>
    </div>
    <a-modal :open="editing" title="Your gestures" ok-text="Save" cancel-text="Cancel" @ok="save" @cancel="editing = false">
        <label for="gesture-lines">One to a line, at most {{ MOST }}, up to {{ LONGEST }} letters each. Marks already on copies stay.</label>
        <a-textarea id="gesture-lines" v-model:value="lines" :rows="9" />
        <p v-if="trouble" role="alert">{{ trouble }}</p>
    </a-modal>
</template>

<style scoped>
.palette {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
}

button {
    min-height: 32px;
    padding: 2px 9px;
    font: italic 14px var(--serif);
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}

.edit {
    font: 13px var(--sans);
    color: var(--quiet);
    border-style: dashed;
}

[role='alert'] {
    margin: 6px 0 0;
    color: var(--rust);
}
</style>

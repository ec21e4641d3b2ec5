<script setup lang="ts">
import { ref } from 'vue';
import { sendJson } from '../support/http';

/** Words a teacher has at hand, to be put at the cursor, and to be changed. */
const props = defineProps<{ palette: 'gestures' | 'expressions' | 'images'; title: string; words: readonly string[]; keyed?: boolean }>();
const emit = defineEmits<{ put: [text: string]; change: [words: string[]] }>();

const MOST = 20;
const LONGEST = 60;

const editing = ref(false);
const lines = ref('');
const trouble = ref('');

function edit(): void {
    lines.value = props.words.join('\n');
    trouble.value = '';
    editing.value = true;
}

async function save(): Promise<void> {
    const words = [...new Set(lines.value.split('\n').map((line) => line.trim()))].filter((line) => line !== '');
    try {
        await sendJson('PUT', `/palettes/${props.palette}`, { words });
        emit('change', words);
        editing.value = false;
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}
</script>

<template>
    <div class="palette" role="group" :aria-label="title">
        <button v-for="(text, index) in words" :key="text" type="button" @click="emit('put', text)">
            {{ text }} <kbd v-if="keyed && index < 9">{{ index + 1 }}</kbd>
        </button>
        <button type="button" class="edit" @click="edit">Change these …</button>
    </div>
    <a-modal :open="editing" :title="`Your ${title.toLowerCase()}`" ok-text="Save" cancel-text="Cancel" @ok="save" @cancel="editing = false">
        <label :for="`lines-${palette}`">One to a line, at most {{ MOST }}, up to {{ LONGEST }} letters each. Marks already on copies stay.</label>
        <a-textarea :id="`lines-${palette}`" v-model:value="lines" :rows="9" />
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

<script setup lang="ts">
import { ref } from 'vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import { printed } from '../../support/names';
import type { ReadHarmony } from '@generated/read';
import type { ChordName } from './edits';

/** Names a chord otherwise than it is read. */
const props = defineProps<{ harmony: ReadHarmony }>();
const emit = defineEmits<{ name: [chord: ChordName]; close: [] }>();

const root = ref(props.harmony.root);
const quality = ref(props.harmony.quality);
const bass = ref(props.harmony.bass ?? '');

const NAMES = ['C', 'C#', 'Db', 'D', 'D#', 'Eb', 'E', 'F', 'F#', 'Gb', 'G', 'G#', 'Ab', 'A', 'A#', 'Bb', 'B', 'Cb'];

/** A list of names that holds the present one, however it is spelled. */
function choices(present: string): { value: string; label: string }[] {
    const names = present === '' || NAMES.includes(present) ? NAMES : [...NAMES, present];
    return names.map((name) => ({ value: name, label: printed(name) }));
}

const QUALITIES: { value: ReadHarmony['quality']; label: string }[] = [
    { value: 'major', label: 'major' },
    { value: 'minor', label: 'minor' },
    { value: 'dominant-seventh', label: 'seventh' },
    { value: 'minor-seventh', label: 'minor seventh' },
    { value: 'major-seventh', label: 'major seventh' },
    { value: 'diminished', label: 'diminished' },
    { value: 'diminished-seventh', label: 'diminished seventh' },
    { value: 'half-diminished-seventh', label: 'half-diminished seventh' },
    { value: 'augmented', label: 'augmented' },
];

const BASSES = [{ value: '', label: 'as it sounds' }, ...choices(props.harmony.bass ?? '')];
</script>

<template>
    <form
        class="editor"
        aria-label="Name this chord"
        @submit.prevent="emit('name', { root, quality, bass: bass === '' ? null : bass })"
        @keydown.esc.stop="emit('close')"
    >
        <label>Root <ChoiceSelect :value="root" :options="choices(harmony.root)" label="Root" @choose="(value) => (root = value)" /></label>
        <label>Kind <ChoiceSelect :value="quality" :options="QUALITIES" label="Kind of chord" @choose="(value) => (quality = value)" /></label>
        <label>Bass <ChoiceSelect :value="bass" :options="BASSES" label="Bass" @choose="(value) => (bass = value)" /></label>
        <span class="buttons">
            <a-button size="small" type="primary" html-type="submit">Name it</a-button>
            <a-button size="small" @click="emit('close')">Leave it</a-button>
        </span>
    </form>
</template>

<style scoped>
.editor {
    display: grid;
    gap: 5px;
    margin: 6px 0;
    padding: 8px 10px;
    background: var(--paper);
    border-radius: 6px;
}

label {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    color: var(--quiet);
}

.buttons {
    display: flex;
    gap: 8px;
    justify-content: flex-end;
}
</style>

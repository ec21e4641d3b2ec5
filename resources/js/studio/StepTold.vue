<script setup lang="ts">
import { ref } from 'vue';
import { freshUuid } from '../support/uuid';
import { FEELS, type Feel, type PracticeItem, type Told } from './practice';

/** What somebody says of a step she has practised. */
const props = defineProps<{ item: PracticeItem; day: string }>();
const emit = defineEmits<{ told: [told: Told]; cancel: [] }>();

const minutes = ref(props.item.minutes);
const tempo = ref<number | null>(props.item.quarters === null ? null : Math.round(props.item.quarters));
const feel = ref<Feel | null>(null);
const note = ref('');

function tell(passed: boolean): void {
    emit('told', {
        uuid: freshUuid(),
        step: props.item.step,
        day: props.day,
        minutes: Math.max(1, Math.min(240, Math.round(minutes.value))),
        tempo: tempo.value,
        feel: feel.value,
        passed,
        note: note.value.trim() || null,
    });
}
</script>

<template>
    <form class="told" :aria-label="`${item.label}, ${item.bars}`" @submit.prevent="tell(true)">
        <label>Minutes <input v-model.number="minutes" type="number" min="1" max="240" required /></label>
        <label v-if="tempo !== null">Reached ♩ = <input v-model.number="tempo" type="number" min="10" max="400" /></label>
        <fieldset>
            <legend>It felt</legend>
            <label v-for="{ value, label } in FEELS" :key="value"><input v-model="feel" type="radio" :value="value" /> {{ label }}</label>
        </fieldset>
        <label class="note">A word about it <input v-model="note" maxlength="500" /></label>
        <p class="gate">{{ item.gate }}?</p>
        <div class="buttons">
            <a-button type="primary" html-type="submit">Yes, done</a-button>
            <a-button @click="tell(false)">Not yet</a-button>
            <a-button type="text" @click="emit('cancel')">Cancel</a-button>
        </div>
    </form>
</template>

<style scoped>
.told {
    display: grid;
    gap: 9px;
    padding: 10px 12px;
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 8px;
}

label {
    display: inline-flex;
    gap: 7px;
    align-items: center;
    min-height: 32px;
}

input[type='number'] {
    width: 76px;
}

input:not([type='radio']) {
    padding: 5px 8px;
    font: inherit;
    border: 1px solid #b9b29f;
    border-radius: 6px;
}

fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin: 0;
    padding: 0;
    border: 0;
}

legend {
    float: left;
    margin: 4px 12px 0 0;
    padding: 0;
}

.note input {
    flex: 1;
    min-width: 0;
}

.gate {
    margin: 0;
    font: italic 1rem var(--serif);
}

.gate::first-letter {
    text-transform: uppercase;
}

.buttons {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
</style>

<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { Context } from '../../desk/craft';
import { writeNote } from './edits';

/** The teacher's words for the student at the bar of the cursor. */
const props = defineProps<{ context: Context }>();

const { desk, score, student } = props.context;
const bar = computed(() => score.measures[desk.measure.value]!);
const notes = computed(() => desk.marks('words/note'));

const text = ref('');
watch(
    [bar, notes],
    () => {
        text.value = notes.value.find((note) => note.measure === bar.value.id)?.text ?? '';
    },
    { immediate: true },
);

const keep = (): void => desk.setMarks(['words/note'], writeNote(notes.value, bar.value.id, text.value));
</script>

<template>
    <section>
        <h3>
            <label for="bar-note">Note for {{ student.name }}</label>
        </h3>
        <a-textarea
            id="bar-note"
            v-model:value="text"
            :rows="3"
            :maxlength="2000"
            placeholder="What she or he should read at this bar"
            @blur="keep"
            @keydown.esc="($event.target as HTMLTextAreaElement).blur()"
        />
    </section>
</template>

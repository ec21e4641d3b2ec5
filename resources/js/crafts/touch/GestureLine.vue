<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import WordsOverLine from '../../desk/WordsOverLine.vue';
import type { TouchState } from './useTouch';

/** The gestures of a line, in the teacher's words, above it. */
const props = defineProps<LineProps<TouchState>>();

const words = computed(() => props.state.placedGestures.value.map(({ mark, time }) => ({ id: mark.id, text: mark.text, time })));
</script>

<template>
    <WordsOverLine :laid="laid" :words="words" title="Gestures of this line" />
</template>

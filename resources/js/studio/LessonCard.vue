<script setup lang="ts">
import { Link, router } from '@inertiajs/vue3';
import { longDay } from './practice';
import { endOf, opened, takesPlace, type ListedLesson } from './lessons';

/** A lesson in a timetable; one that only the weekly time has is made when it is opened. */
const props = defineProps<{ lesson: ListedLesson }>();

const open = (): void => router.post('/lessons', opened(props.lesson));
</script>

<template>
    <article :class="['lesson', lesson.status, { off: !takesPlace(lesson) }]">
        <p class="time">{{ lesson.at }}–{{ endOf(lesson) }}</p>
        <h3>
            <Link v-if="lesson.id !== null" :href="`/lessons/${lesson.id}`">{{ lesson.name }}</Link>
            <button v-else-if="lesson.holiday === null" type="button" @click="open">{{ lesson.name }}</button>
            <template v-else>{{ lesson.name }}</template>
        </h3>
        <p v-if="lesson.holiday" class="quiet">no lesson: {{ lesson.holiday }}</p>
        <p v-else-if="lesson.status === 'called-off'" class="quiet">called off</p>
        <p v-else-if="lesson.status === 'held'" class="quiet">held</p>
        <p v-if="lesson.makes_up" class="quiet">for {{ longDay(lesson.makes_up) }}</p>
        <ul v-if="lesson.hear.length > 0" aria-label="To hear">
            <li v-for="text in lesson.hear" :key="text">{{ text }}</li>
        </ul>
    </article>
</template>

<style scoped>
.lesson {
    padding: 8px 11px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-left: 4px solid #7f9fa4;
    border-radius: 7px;
}

.held {
    border-left-color: #5f8f5f;
}

.off {
    border-left-color: var(--line);
    border-style: dashed;
}

.off h3,
.off .time {
    text-decoration: line-through;
    color: var(--quiet);
}

p,
ul,
h3 {
    margin: 0;
}

.time {
    color: var(--quiet);
    font-variant-numeric: tabular-nums;
}

h3 {
    font-size: 1.08rem;
}

h3 button {
    padding: 0;
    font: inherit;
    color: var(--lake);
    text-decoration: underline;
    background: none;
    border: 0;
    cursor: pointer;
}

h3 a {
    color: var(--lake);
}

ul {
    padding-left: 17px;
    font-size: 0.95rem;
}
</style>

<script setup lang="ts">
import { Link } from '@inertiajs/vue3';
import { computed } from 'vue';
import LessonCard from './LessonCard.vue';
import { takesPlace, type ListedLesson } from './lessons';
import { dayName } from './practice';

/** The lessons of today, and when the next ones are. */
const props = defineProps<{ lessons: ListedLesson[]; today: string }>();

const now = computed(() => props.lessons.filter(({ day }) => day === props.today));
const next = computed(() => props.lessons.filter((lesson) => lesson.day > props.today && takesPlace(lesson)));
</script>

<template>
    <section aria-label="Today">
        <div class="heading">
            <h1>Today</h1>
            <Link href="/lessons">All lessons</Link>
        </div>
        <div v-if="now.length > 0" class="cards">
            <LessonCard v-for="lesson in now" :key="`${lesson.id} ${lesson.weekly}`" :lesson="lesson" />
        </div>
        <p v-else class="quiet">No lesson today.</p>
        <p v-if="next.length > 0" class="quiet next">
            Next:
            {{ next.map(({ name, day, at }) => `${name} ${dayName(day, today).replace('Tomorrow', 'tomorrow')} ${at}`).join(' · ') }}
        </p>
    </section>
</template>

<style scoped>
.heading {
    display: flex;
    justify-content: space-between;
    align-items: center;
}

.cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 12px;
    margin-top: 10px;
}

.next {
    margin: 10px 0 0;
}
</style>

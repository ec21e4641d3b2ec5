<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import HolidayList from '../studio/HolidayList.vue';
import LessonCard from '../studio/LessonCard.vue';
import { takesPlace, WEEKDAYS, type ListedLesson, type WeeklyTimeData } from '../studio/lessons';
import { addDays, longDay } from '../studio/practice';
import WeeklyTimes from '../studio/WeeklyTimes.vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import PageFrame from '../support/PageFrame.vue';

/** A week of lessons, and what makes it. */
const props = defineProps<{
    monday: string;
    today: string;
    lessons: ListedLesson[];
    students: { id: number; name: string; times: WeeklyTimeData[] }[];
    holidays: { id: number; name: string; first: string; last: string }[];
}>();

const days = computed(() =>
    WEEKDAYS.map((name, index) => {
        const date = addDays(props.monday, index);
        return { name, date, lessons: props.lessons.filter(({ day }) => day === date) };
    }),
);
const given = computed(() => props.lessons.filter(takesPlace));
const minutes = computed(() => given.value.reduce((sum, lesson) => sum + lesson.minutes, 0));

const student = ref<number | undefined>(props.students[0]?.id);
const day = ref(props.today);
const at = ref('15:00');
const length = ref(45);
const errors = ref<Record<string, string>>({});

function addLesson(): void {
    router.post(
        '/lessons',
        { student_id: student.value ?? null, day: day.value, at: at.value, minutes: length.value },
        { onError: (found) => (errors.value = found) },
    );
}
</script>

<template>
    <Head title="Lessons" />
    <PageFrame>
        <div class="heading">
            <h1>{{ longDay(monday).replace('Monday', 'Week of') }}</h1>
            <nav aria-label="Weeks">
                <Link :href="`/lessons?week=${addDays(monday, -7)}`">Week before</Link>
                <Link href="/lessons">This week</Link>
                <Link :href="`/lessons?week=${addDays(monday, 7)}`">Week after</Link>
                <a href="/lessons.ics" download>Calendar file</a>
            </nav>
        </div>
        <p class="quiet">{{ given.length === 1 ? 'One lesson' : `${given.length} lessons` }}, {{ minutes }} minutes.</p>
        <div class="week">
            <section v-for="one in days" :key="one.date" :class="['day', { today: one.date === today }]" :aria-label="longDay(one.date)">
                <h2>
                    {{ one.name.slice(0, 3) }} <span>{{ Number(one.date.slice(8)) }}</span>
                </h2>
                <LessonCard v-for="lesson in one.lessons" :key="`${lesson.id} ${lesson.weekly} ${lesson.slot}`" :lesson="lesson" />
            </section>
        </div>
        <section aria-label="A lesson besides">
            <h2>A lesson besides</h2>
            <form @submit.prevent="addLesson">
                <ChoiceSelect
                    :value="student"
                    :options="students.map(({ id, name }) => ({ value: id, label: name }))"
                    placeholder="Student"
                    label="Student of the lesson"
                    @choose="(id) => (student = id)"
                />
                <input v-model="day" class="plain" type="date" aria-label="Day of the lesson" required />
                <input v-model="at" class="plain" type="time" aria-label="Time of the lesson" required />
                <input v-model.number="length" class="plain" type="number" min="5" max="480" aria-label="Minutes of the lesson" required />
                <a-button html-type="submit" :disabled="student === undefined">Open it</a-button>
            </form>
            <p v-for="(text, field) in errors" :key="field" role="alert" class="error">{{ text }}</p>
        </section>
        <div class="parts">
            <WeeklyTimes :students="students" :today="today" />
            <HolidayList :holidays="holidays" :today="today" />
        </div>
    </PageFrame>
</template>

<style scoped>
.heading,
nav,
form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
}

.heading {
    justify-content: space-between;
}

.week {
    display: grid;
    grid-template-columns: repeat(7, minmax(0, 1fr));
    gap: 8px;
    margin: 12px 0 26px;
}

.day {
    display: flex;
    flex-direction: column;
    gap: 8px;
    min-height: 220px;
    padding: 8px;
    background: #f1ece0;
    border-radius: 8px;
}

.today {
    background: #e2ebe9;
}

.day h2 {
    display: flex;
    justify-content: space-between;
    margin: 0;
    font-size: 1rem;
}

.parts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
    gap: 26px;
    margin-top: 26px;
}

.error {
    color: var(--rust);
}

@media (max-width: 900px) {
    .week {
        grid-template-columns: 1fr;
    }

    .day {
        min-height: 0;
    }
}
</style>

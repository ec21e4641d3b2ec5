<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { longDay } from './practice';
import { WEEKDAYS, type WeeklyTimeData } from './lessons';

/** The weekly times of the students; one that ends keeps the lessons that were given. */
const props = defineProps<{ students: { id: number; name: string; times: WeeklyTimeData[] }[]; today: string }>();

const student = ref<number | undefined>(props.students[0]?.id);
const weekday = ref(0);
const at = ref('16:00');
const minutes = ref(45);
const from = ref(props.today);
const errors = ref<Record<string, string>>({});
const days = WEEKDAYS.map((label, value) => ({ value, label: `${label}s` }));

function add(): void {
    if (student.value === undefined) return;
    router.post(
        `/students/${student.value}/weekly-times`,
        { weekday: weekday.value, at: at.value, minutes: minutes.value, from: from.value, until: null },
        { preserveScroll: true, preserveState: true, onSuccess: () => (errors.value = {}), onError: (found) => (errors.value = found) },
    );
}

const end = (time: WeeklyTimeData, until: string | null): void =>
    router.patch(`/weekly-times/${time.id}`, { until }, { preserveScroll: true, preserveState: true });
</script>

<template>
    <section aria-label="Weekly times">
        <h2>Weekly times</h2>
        <ul>
            <template v-for="one in students" :key="one.id">
                <li v-for="time in one.times" :key="time.id">
                    <span
                        ><strong>{{ one.name }}</strong
                        >, {{ WEEKDAYS[time.weekday] }}s {{ time.at }}, {{ time.minutes }} min<template v-if="time.until">
                            until {{ longDay(time.until) }}</template
                        ></span
                    >
                    <a-button v-if="time.until === null" size="small" @click="end(time, today)">End today</a-button>
                    <a-button v-else size="small" @click="end(time, null)">Goes on</a-button>
                    <a-popconfirm
                        title="Remove this weekly time? Lessons of which something is noted stay."
                        ok-text="Remove"
                        cancel-text="Keep"
                        @confirm="router.delete(`/weekly-times/${time.id}`, { preserveScroll: true })"
                    >
                        <a-button size="small" type="text" :aria-label="`Remove ${one.name}'s weekly time`">✕</a-button>
                    </a-popconfirm>
                </li>
            </template>
        </ul>
        <form @submit.prevent="add">
            <ChoiceSelect
                :value="student"
                :options="students.map(({ id, name }) => ({ value: id, label: name }))"
                placeholder="Student"
                label="Student"
                @choose="(id) => (student = id)"
            />
            <ChoiceSelect :value="weekday" :options="days" label="Day of the week" @choose="(day) => (weekday = day)" />
            <input v-model="at" class="plain" type="time" aria-label="Time" required />
            <input v-model.number="minutes" class="plain" type="number" min="5" max="480" aria-label="Minutes" required />
            <label>from <input v-model="from" class="plain" type="date" required /></label>
            <a-button html-type="submit" :disabled="student === undefined">Add</a-button>
        </form>
        <p v-for="(text, field) in errors" :key="field" role="alert" class="error">{{ text }}</p>
    </section>
</template>

<style scoped>
ul {
    margin: 0 0 10px;
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    gap: 8px;
    align-items: center;
    padding: 4px 0;
    border-bottom: 1px dotted var(--line);
}

li span {
    flex: 1;
}

form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
}

.error {
    color: var(--rust);
}
</style>

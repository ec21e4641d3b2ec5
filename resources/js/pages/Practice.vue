<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import { howItWent, type ChunkProgress } from '../studio/charts';
import { WEEKDAYS } from '../studio/lessons';
import { dayName, longDay, type Entry, type PracticeDayData, type PracticeItem, type Told } from '../studio/practice';
import PracticeCharts from '../studio/PracticeCharts.vue';
import { inShort, type Progress } from '../studio/progress';
import StepTold from '../studio/StepTold.vue';
import DraftInput from '../support/DraftInput.vue';
import { sendJson } from '../support/http';
import PageFrame from '../support/PageFrame.vue';
import StudentNav from '../studio/StudentNav.vue';

/** A student's practice: her minutes, what comes on which day, what she did, and how it goes. */
const props = defineProps<{
    student: { id: number; name: string };
    minutes: number[];
    today: string;
    days: PracticeDayData[];
    pieces: (Progress & {
        copy: number;
        title: string;
        says: string;
        left_out: string[];
        standing: string[];
        chunks: ChunkProgress[];
        log: (Entry & { words: string })[];
    })[];
}>();

const now = new Date();
/** As they are typed; what is sent is always all of them. */
const minutes = ref([...props.minutes]);
const meant = computed(() => minutes.value.reduce((sum, one) => sum + one, 0));
const telling = ref<string | null>(null);
const trouble = ref('');
const shown = ref(7);
const days = computed(() => props.days.slice(0, shown.value));

const SHOWN_LOG = 12;

/** Whether she has no minutes on that day of the week. */
const isRest = (date: string): boolean => minutes.value[(new Date(`${date}T12:00:00`).getDay() + 6) % 7] === 0;

function setMinutes(weekday: number, said: string): void {
    const value = Math.max(0, Math.min(240, Math.round(Number(said) || 0)));
    minutes.value = minutes.value.map((one, index) => (index === weekday ? value : one));
    router.put(`/students/${props.student.id}/practice`, { minutes: minutes.value }, { preserveScroll: true, preserveState: true });
}

async function tell(item: PracticeItem, told: Told): Promise<void> {
    try {
        await sendJson('POST', `/copies/${item.copy}/practice`, told);
        telling.value = null;
        trouble.value = '';
        router.reload();
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}

async function forget(copy: number, entry: Entry): Promise<void> {
    try {
        await sendJson('DELETE', `/copies/${copy}/practice/${entry.id}`, {});
        router.reload();
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}
</script>

<template>
    <Head :title="`Practice, ${student.name}`" />
    <PageFrame>
        <StudentNav :student="student" current="practice" />
        <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
        <section class="minutes" aria-label="Minutes of practice">
            <h2>Minutes a day</h2>
            <label v-for="(one, index) in minutes" :key="index"
                >{{ WEEKDAYS[index]?.slice(0, 3) }}
                <DraftInput
                    class="plain"
                    type="number"
                    min="0"
                    max="240"
                    :value="one"
                    :aria-label="`Minutes on ${WEEKDAYS[index]}s`"
                    @said="(said) => setMinutes(index, said)"
            /></label>
            <span class="quiet">{{ meant }} a week; a day with none is a day of rest</span>
        </section>

        <p v-if="pieces.length === 0" class="quiet">
            Nothing is being learnt. Say on <Link :href="`/students/${student.id}`">her page</Link> which piece she is learning or polishing.
        </p>
        <section v-for="piece in pieces" :key="piece.copy" class="outlook">
            <h2>
                <Link :href="`/copies/${piece.copy}?view=practice`">{{ piece.title }}</Link> <small>{{ inShort(piece, now) }}</small>
            </h2>
            <p>{{ piece.says }} <Link :href="`/copies/${piece.copy}/take-home`">Take-home sheet</Link></p>
            <p v-if="piece.left_out.length > 0" class="quiet">Left out for want of time: {{ piece.left_out.join('; ') }}.</p>
            <ul v-if="piece.standing.length > 0" class="standing" aria-label="What stands still">
                <li v-for="one in piece.standing" :key="one">{{ one }}</li>
            </ul>
        </section>

        <section v-if="pieces.length > 0" aria-label="What comes">
            <h2>What comes</h2>
            <div class="days">
                <article v-for="day in days" :key="day.date" :class="['day', { rest: day.minutes === 0 }]">
                    <h3>
                        {{ dayName(day.date, today) }}
                        <span>{{
                            day.minutes === 0 && day.planned === 0 ? (isRest(day.date) ? 'rest' : 'done') : `${day.planned} of ${day.minutes} min`
                        }}</span>
                    </h3>
                    <ul>
                        <li v-for="item in day.items" :key="item.step">
                            <span class="what"
                                ><strong>{{ item.label }}</strong
                                >, {{ item.bars }} <template v-if="item.tempo">· {{ item.tempo }}</template></span
                            >
                            <span class="quiet">{{ item.minutes }} min</span>
                            <span v-if="pieces.length > 1" class="piece">{{ item.piece }}</span>
                            <a-button v-if="day.date === today && telling !== item.step" size="small" @click="telling = item.step">Note</a-button>
                            <StepTold
                                v-if="telling === item.step && day.date === today"
                                class="form"
                                :item="item"
                                :day="today"
                                @told="(told) => tell(item, told)"
                                @cancel="telling = null"
                            />
                        </li>
                    </ul>
                </article>
            </div>
            <a-button v-if="shown < props.days.length" @click="shown = props.days.length">A week more</a-button>
        </section>

        <section v-for="piece in pieces" :key="`log ${piece.copy}`" :aria-label="`How ${piece.title} goes`">
            <template v-if="piece.log.length > 0">
                <h2>How {{ piece.title }} goes</h2>
                <PracticeCharts :chunks="piece.chunks" :entries="piece.log" :meant="meant" />
                <div class="wide">
                    <table class="log">
                        <caption>
                            What was practised last
                        </caption>
                        <thead>
                            <tr>
                                <th scope="col">Day</th>
                                <th scope="col">Step</th>
                                <th scope="col">Minutes</th>
                                <th scope="col">Reached</th>
                                <th scope="col">How</th>
                                <th scope="col">Told by</th>
                                <th scope="col"><span class="visually-hidden">Actions</span></th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="entry in piece.log.slice(0, SHOWN_LOG)" :key="entry.id">
                                <td>{{ longDay(entry.day) }}</td>
                                <td>
                                    {{ entry.words }}<em v-if="entry.note"> “{{ entry.note }}”</em>
                                </td>
                                <td>{{ entry.minutes }}</td>
                                <td>{{ entry.tempo === null ? '' : `♩ = ${Math.round(entry.tempo)}` }}</td>
                                <td>{{ howItWent(entry) }}</td>
                                <td>{{ entry.by }}</td>
                                <td>
                                    <a-popconfirm title="Forget this entry?" ok-text="Forget" cancel-text="Keep" @confirm="forget(piece.copy, entry)">
                                        <a-button size="small" type="text" :aria-label="`Forget ${entry.words}`">✕</a-button>
                                    </a-popconfirm>
                                </td>
                            </tr>
                        </tbody>
                    </table>
                </div>
            </template>
        </section>
        <p class="quiet">Practice ends when she is tired; where something hurts, it stops, and lasting pain is for a doctor.</p>
    </PageFrame>
</template>

<style scoped>
.minutes {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
}

.minutes h2 {
    margin: 0;
}

section {
    margin-top: 20px;
}

.outlook {
    margin-top: 16px;
    padding: 10px 16px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.outlook h2 {
    margin: 0;
}

.outlook small {
    font: 0.95rem var(--sans, inherit);
    color: var(--quiet);
}

.outlook p {
    margin: 4px 0;
}

.standing {
    margin: 6px 0;
    padding-left: 18px;
    color: var(--rust);
}

.days {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(330px, 100%), 1fr));
    gap: 10px;
    margin-bottom: 10px;
}

.day {
    padding: 9px 13px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.rest {
    background: transparent;
}

.day h3 {
    display: flex;
    justify-content: space-between;
    margin: 0 0 4px;
}

.day h3 span {
    font-weight: 400;
    color: var(--quiet);
}

.day ul {
    margin: 0;
    padding: 0;
    list-style: none;
}

.day li {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 8px;
    align-items: center;
    padding: 4px 0;
    border-top: 1px dotted var(--line);
}

.what {
    flex: 1;
}

.piece,
.form {
    flex-basis: 100%;
}

.piece {
    font: italic 0.95rem var(--serif);
}

.wide {
    position: relative;
    overflow-x: auto;
}

.log {
    width: 100%;
    margin-top: 12px;
    border-collapse: collapse;
}

.log caption {
    text-align: left;
    font-weight: 600;
}

.log th,
.log td {
    padding: 4px 10px 4px 0;
    text-align: left;
    font-weight: 400;
    border-bottom: 1px dotted var(--line);
}

.log thead th {
    color: var(--quiet);
}

.error {
    color: var(--rust);
}
</style>

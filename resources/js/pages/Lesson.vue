<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import { endOf, opened, type LessonPiece, type ListedLesson, type Point } from '../studio/lessons';
import PointList from '../studio/PointList.vue';
import { longDay } from '../studio/practice';
import { inShort, type Progress } from '../studio/progress';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { sendJson } from '../support/http';
import PageFrame from '../support/PageFrame.vue';

/** One lesson: what is open from earlier ones, what is to be heard, what was noted, what is agreed. */
const props = defineProps<{
    lesson: ListedLesson & { id: number };
    notes: string;
    points: Point[];
    open: Point[];
    pieces: (LessonPiece & Progress)[];
    next: ListedLesson | null;
}>();

const points = ref<Point[]>([...props.points]);
const open = ref<Point[]>([...props.open]);
const notes = ref(props.notes);
const trouble = ref('');
const now = new Date();
const url = computed(() => `/lessons/${props.lesson.id}`);

/** Another lesson has points of its own. */
const OTHER = { preserveState: false } as const;

const STATUSES: { value: ListedLesson['status']; label: string }[] = [
    { value: 'planned', label: 'to come' },
    { value: 'held', label: 'held' },
    { value: 'called-off', label: 'called off' },
];

async function attempt<T>(work: () => Promise<T>, done: (result: T) => void): Promise<void> {
    try {
        done(await work());
        trouble.value = '';
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}

const add = (kind: Point['kind'], point: { text: string; student_copy_id: number | null; measure: string | null }): Promise<void> =>
    attempt(
        () => sendJson<{ point: Point }>('POST', `${url.value}/points`, { ...point, kind }),
        ({ point: made }) => points.value.push(made),
    );

const change = (point: Point, what: { text?: string; settled?: boolean }): Promise<void> =>
    attempt(
        () => sendJson<{ point: Point }>('PATCH', `/points/${point.id}`, what),
        ({ point: changed }) => Object.assign(point, changed),
    );

const remove = (point: Point): Promise<void> =>
    attempt(
        () => sendJson('DELETE', `/points/${point.id}`, {}),
        () => {
            points.value = points.value.filter(({ id }) => id !== point.id);
            open.value = open.value.filter(({ id }) => id !== point.id);
        },
    );

function update(what: Partial<Record<'day' | 'at' | 'minutes' | 'status' | 'notes', string | number | null>>): void {
    router.patch(url.value, what, { preserveScroll: true, preserveState: true, onError: (found) => (trouble.value = Object.values(found)[0] ?? '') });
}

const of = (kind: Point['kind']): Point[] => points.value.filter((point) => point.kind === kind);
const text = (event: Event): string => (event.target as HTMLInputElement).value;

/** The day and time in whose place a lesson that was called off is given. */
const makeUp = ref({ day: props.lesson.day, at: props.lesson.at });

function giveInPlace(): void {
    const { student, minutes, id } = props.lesson;
    router.post('/lessons', { student_id: student, day: makeUp.value.day, at: makeUp.value.at, minutes, makes_up_id: id }, OTHER);
}

function openNext(next: ListedLesson): void {
    if (next.id !== null) router.get(`/lessons/${next.id}`);
    else router.post('/lessons', opened(next), OTHER);
}
</script>

<template>
    <Head :title="`Lesson, ${lesson.name}`" />
    <PageFrame>
        <p><Link :href="`/lessons?week=${lesson.day}`">Lessons</Link></p>
        <div class="heading">
            <h1>
                <Link :href="`/students/${lesson.student}`">{{ lesson.name }}</Link>, {{ longDay(lesson.day) }}, {{ lesson.at }}–{{ endOf(lesson) }}
            </h1>
            <ChoiceSelect :value="lesson.status" :options="STATUSES" label="Whether it was held" @choose="(status) => update({ status })" />
        </div>
        <p v-if="lesson.makes_up" class="quiet">In the place of {{ longDay(lesson.makes_up) }}.</p>
        <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
        <form v-if="lesson.status === 'called-off'" class="move" aria-label="Made up for" @submit.prevent="giveInPlace">
            Made up for on <input v-model="makeUp.day" class="plain" type="date" aria-label="Day in its place" required /> at
            <input v-model="makeUp.at" class="plain" type="time" aria-label="Time in its place" required />
            <a-button html-type="submit">Open that lesson</a-button>
        </form>
        <details class="move">
            <summary>Move it</summary>
            <input class="plain" type="date" :value="lesson.day" aria-label="Day" @change="update({ day: text($event) })" />
            <input class="plain" type="time" :value="lesson.at" aria-label="Time" @change="update({ at: text($event) })" />
            <label
                ><input
                    class="plain"
                    type="number"
                    min="5"
                    max="480"
                    :value="lesson.minutes"
                    aria-label="Minutes"
                    @change="update({ minutes: Number(text($event)) })"
                />
                minutes</label
            >
        </details>

        <ul class="pieces" aria-label="Pieces">
            <li v-for="piece in pieces" :key="piece.copy">
                <Link :href="`/copies/${piece.copy}`">{{ piece.title }}</Link> <span class="quiet">{{ inShort(piece, now) }}</span>
            </li>
        </ul>

        <section v-if="open.length > 0" class="open" aria-label="Open from earlier lessons">
            <h2>Open from earlier lessons</h2>
            <ul>
                <li v-for="point in open" :key="point.id">
                    <label :class="{ settled: point.settled }">
                        <input type="checkbox" :checked="point.settled" @change="change(point, { settled: !point.settled })" />
                        {{ point.text }}
                        <span class="quiet"
                            >agreed {{ longDay(point.since ?? lesson.day)
                            }}{{ point.copy ? `, ${pieces.find(({ copy }) => copy === point.copy)?.title ?? ''}` : '' }}</span
                        >
                    </label>
                </li>
            </ul>
        </section>

        <PointList
            title="To hear first"
            :points="of('hear')"
            :pieces="pieces"
            placeholder="the slow line, from memory"
            @add="(point) => add('hear', point)"
            @change="change"
            @remove="remove"
        />
        <PointList
            title="Notes by bar"
            :points="of('note')"
            :pieces="pieces"
            placeholder="what was heard"
            @add="(point) => add('note', point)"
            @change="change"
            @remove="remove"
        />
        <PointList
            title="Agreed"
            settles
            :points="of('agreed')"
            :pieces="pieces"
            placeholder="what comes up again next time"
            @add="(point) => add('agreed', point)"
            @change="change"
            @remove="remove"
        />
        <section aria-label="Free notes">
            <h2>Notes</h2>
            <textarea v-model="notes" class="plain" rows="5" maxlength="10000" aria-label="Notes of the lesson" @change="update({ notes })" />
        </section>
        <p v-if="next" class="next">
            Next: {{ longDay(next.day) }}, {{ next.at }}. What is agreed and not settled comes up there.
            <a-button @click="openNext(next)">Open it</a-button>
        </p>
        <p>
            <a-popconfirm title="Remove this lesson with all that is noted of it?" ok-text="Remove" cancel-text="Keep" @confirm="router.delete(url)">
                <a-button size="small" danger>Remove this lesson</a-button>
            </a-popconfirm>
        </p>
    </PageFrame>
</template>

<style scoped>
.heading,
.move {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
}

h1 a {
    color: inherit;
    text-decoration-color: var(--line);
}

.pieces {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 22px;
    margin: 12px 0;
    padding: 0;
    list-style: none;
}

.open {
    padding: 10px 16px;
    background: #f6ecd6;
    border: 1px solid #dcc48f;
    border-radius: 8px;
}

.open ul {
    margin: 0;
    padding: 0;
    list-style: none;
}

.open h2 {
    margin-top: 0;
}

.settled {
    text-decoration: line-through;
    color: var(--quiet);
}

section {
    margin-top: 20px;
}

textarea {
    width: 100%;
}

.error {
    color: var(--rust);
}

.next {
    margin-top: 20px;
}
</style>

<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { onMounted, ref } from 'vue';
import { waitingCopies } from '../desk/kept';
import { warmUpEngraver } from '../engraving/engraver';
import Agenda from '../studio/Agenda.vue';
import type { ListedLesson } from '../studio/lessons';
import PieceTable from '../studio/PieceTable.vue';
import { inShort } from '../studio/progress';
import StudentForm from '../studio/StudentForm.vue';
import type { AdjustedPiano, Instrument, PieceItem, StudentItem } from '../studio/types';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import PageFrame from '../support/PageFrame.vue';

const props = defineProps<{
    today: string;
    agenda: ListedLesson[];
    students: StudentItem[];
    pieces: PieceItem[];
    instruments: Instrument[];
    pianos: AdjustedPiano[];
}>();

/** Copies with edits that have not reached the server; their desk sends them. */
const waiting = ref<ReadonlyMap<number, string>>(new Map());

onMounted(() => {
    warmUpEngraver();
    waiting.value = waitingCopies();
});

const now = new Date();
const editing = ref<StudentItem | 'new' | null>(null);
const chosen = ref<Record<number, string | undefined>>({});

/** A piece, or a piece and the copy whose plan comes with it. */
function give(student: StudentItem): void {
    const [piece, copy] = (chosen.value[student.id] ?? '').split(' ').map(Number);
    if (piece) router.post('/copies', { student_id: student.id, piece_id: piece, plan_of: copy ?? null });
}

/** The pieces a student has not, fresh and with the plans of others. */
function open(student: StudentItem): { value: string; label: string }[] {
    return props.pieces
        .filter((piece) => !student.copies.some((copy) => copy.piece === piece.id))
        .flatMap((piece) => [
            { value: String(piece.id), label: piece.title },
            ...props.students.flatMap(({ name, copies }) =>
                copies
                    .filter((copy) => copy.piece === piece.id)
                    .map((copy) => ({ value: `${piece.id} ${copy.id}`, label: `${piece.title}, planned as for ${name}` })),
            ),
        ]);
}

function pedals(student: StudentItem): string {
    return [student.half_pedal ? 'half pedal' : 'pedal on and off only', student.sostenuto ? 'sostenuto' : 'no sostenuto'].join(', ');
}
</script>

<template>
    <Head title="Studio" />
    <PageFrame>
        <Agenda v-if="students.length > 0" :lessons="agenda" :today="today" />
        <section>
            <div class="heading">
                <h1>Students</h1>
                <a-button @click="editing = 'new'">Add a student</a-button>
            </div>
            <div class="students">
                <article v-for="student in students" :key="student.id" class="student">
                    <header>
                        <h2>
                            <Link :href="`/students/${student.id}`" class="student-name">{{ student.name }}</Link>
                        </h2>
                        <span class="sides"
                            ><Link :href="`/students/${student.id}/practice`" :aria-label="`Practice of ${student.name}`">practice</Link>
                            <a-button size="small" :aria-label="`Change ${student.name}`" @click="editing = student">Change</a-button></span
                        >
                    </header>
                    <p class="quiet">{{ student.instrumentLabel }} · {{ pedals(student) }}</p>
                    <ul class="copies">
                        <li v-for="copy in student.copies" :key="copy.id">
                            <span>
                                <Link :href="`/copies/${copy.id}`">{{ copy.title }}</Link>
                                <Link v-if="waiting.has(copy.id)" :href="`/copies/${copy.id}`" class="waiting">send waiting edits</Link>
                            </span>
                            <span class="side">
                                <Link :href="`/copies/${copy.id}/portrait`">portrait</Link> ·
                                <Link :href="`/copies/${copy.id}/print`">marked copy</Link>
                                <a-popconfirm
                                    :title="`Take “${copy.title}” away from ${student.name}, with its plan?`"
                                    ok-text="Take away"
                                    cancel-text="Keep"
                                    @confirm="router.delete(`/copies/${copy.id}`, { preserveScroll: true })"
                                >
                                    <a-button size="small" type="text" :aria-label="`Take ${copy.title} away from ${student.name}`">✕</a-button>
                                </a-popconfirm>
                            </span>
                            <span class="progress">{{ inShort(copy, now) }}</span>
                        </li>
                        <li v-if="student.copies.length === 0" class="quiet">No piece yet.</li>
                    </ul>
                    <div v-if="open(student).length > 0" class="give">
                        <ChoiceSelect
                            class="piece-choice"
                            :value="chosen[student.id]"
                            :options="open(student)"
                            placeholder="Give a piece"
                            :label="`Piece for ${student.name}`"
                            @choose="(piece) => (chosen[student.id] = piece)"
                        />
                        <a-button type="primary" :disabled="chosen[student.id] === undefined" @click="give(student)">Open desk</a-button>
                    </div>
                </article>
            </div>
            <p v-if="students.length === 0" class="quiet">Add your first student, then give her a piece.</p>
        </section>

        <section>
            <div class="heading">
                <h1>Pieces</h1>
                <Link href="/pieces/new"><a-button type="primary">Add a piece</a-button></Link>
            </div>
            <PieceTable :pieces="pieces" :students="students" />
        </section>
        <StudentForm
            v-if="editing !== null"
            :student="editing === 'new' ? null : editing"
            :instruments="instruments"
            :pianos="pianos"
            @close="editing = null"
        />
    </PageFrame>
</template>

<style scoped>
.waiting {
    display: block;
    width: fit-content;
    margin-top: 4px;
    padding: 1px 8px;
    border: 1px solid var(--amber);
    border-radius: 6px;
    color: var(--amber);
    font-size: 0.9rem;
}

section + section {
    margin-top: 38px;
}

.heading {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 14px;
}

.students {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
    gap: 16px;
}

.student {
    display: flex;
    flex-direction: column;
    padding: 16px 18px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-top: 4px solid #7f9fa4;
    border-radius: 8px;
}

.student header {
    display: flex;
    justify-content: space-between;
    align-items: center;
}

p {
    margin: 4px 0 8px;
}

.sides {
    display: flex;
    gap: 12px;
    align-items: center;
}

.student-name {
    color: inherit;
    text-decoration-color: var(--line);
    text-underline-offset: 4px;
}

.copies {
    flex: 1;
    margin: 6px 0 12px;
    padding: 0;
    list-style: none;
}

.copies li {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    padding: 5px 0;
    border-bottom: 1px dotted var(--line);
}

.copies a {
    color: var(--lake);
    font-weight: 600;
}

.progress {
    grid-column: 1 / -1;
    color: var(--quiet);
    font-size: 0.93rem;
}

.copies .side a {
    font-weight: 400;
}

.copies .side button {
    margin-left: 6px;
    color: var(--quiet);
}

.give {
    display: flex;
    gap: 8px;
}

.piece-choice {
    flex: 1;
    min-width: 0;
}
</style>

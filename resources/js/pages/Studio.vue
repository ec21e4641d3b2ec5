<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { onMounted, ref } from 'vue';
import { waitingCopies } from '../desk/kept';
import { warmUpEngraver } from '../engraving/engraver';
import { inShort } from '../studio/progress';
import StudentForm from '../studio/StudentForm.vue';
import type { AdjustedPiano, Instrument, PieceItem, StudentItem } from '../studio/types';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import PageFrame from '../support/PageFrame.vue';
import { lengthInWords } from '../studio/words';

const props = defineProps<{ students: StudentItem[]; pieces: PieceItem[]; instruments: Instrument[]; pianos: AdjustedPiano[] }>();

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
                        <a-button size="small" :aria-label="`Change ${student.name}`" @click="editing = student">Change</a-button>
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
            <table class="pieces">
                <thead>
                    <tr>
                        <th scope="col">Title</th>
                        <th scope="col">Key</th>
                        <th scope="col">Metre</th>
                        <th scope="col">Bars</th>
                        <th scope="col">Tempo</th>
                        <th scope="col">Length</th>
                        <th scope="col"><span class="visually-hidden">Actions</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="piece in pieces" :key="piece.id">
                        <th scope="row">{{ piece.title }}</th>
                        <td>{{ piece.summary.key }}</td>
                        <td>{{ piece.summary.metres.join(', ') }}</td>
                        <td>{{ piece.summary.bars }}</td>
                        <td>♩ = {{ piece.summary.tempo }}</td>
                        <td>{{ lengthInWords(piece.summary.seconds) }}</td>
                        <td class="end">
                            <Link :href="`/pieces/${piece.id}/replacement`" class="corrected">Corrected file</Link>
                            <a-popconfirm
                                :title="`Remove “${piece.title}” and every student's copy of it?`"
                                ok-text="Remove"
                                cancel-text="Keep"
                                @confirm="router.delete(`/pieces/${piece.id}`, { preserveScroll: true })"
                            >
                                <a-button size="small" :aria-label="`Remove ${piece.title}`">Remove</a-button>
                            </a-popconfirm>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p v-if="pieces.length === 0" class="quiet">No piece yet. Add one as MusicXML, compressed or plain.</p>
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

.pieces {
    width: 100%;
    border-collapse: collapse;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.pieces th,
.pieces td {
    padding: 9px 14px;
    text-align: left;
    border-bottom: 1px solid var(--line);
    font-weight: 400;
}

.pieces thead th {
    color: var(--quiet);
    font-size: 0.9rem;
}

.pieces tbody th {
    font: 600 1.02rem var(--serif);
}

.corrected {
    margin-right: 12px;
}

.pieces .end {
    text-align: right;
}
</style>

<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import PageFrame from '../support/PageFrame.vue';

/** What is kept of students, why, and how it is taken along or erased. */
defineProps<{ students: { id: number; name: string }[]; days: number; backups: boolean }>();

const KEPT = [
    { what: 'A name to call her by', why: 'so that you find her; a first name or a nickname is enough' },
    { what: 'Her instrument, hands and foot', why: 'reach, measured rates and pedals decide which fingers, tempos and changes are proposed' },
    { what: 'How far she is with a piece, and the day it is for', why: 'so that what comes first is prepared first' },
    { what: 'Her lessons: when, what was heard, noted and agreed', why: 'so that the next lesson begins where the last one ended' },
    { what: 'What she practised: steps, minutes, tempos, how it felt', why: 'so that the next days are planned from what is done' },
    {
        what: 'What she played: keys, strength and pedal, and when',
        why: 'so that it can be measured against the plan; no sound is recorded, and you can delete it',
    },
    { what: 'How her instruments tell strength, and how her foot gets on', why: 'so that takes are read rightly, and exercises grow with her' },
    { what: 'Her copies, with your plans, their versions and your words', why: 'they are what you prepare, print and hand out' },
] as const;
</script>

<template>
    <Head title="What is kept" />
    <PageFrame>
        <h1>What is kept of your students, and why</h1>
        <p>Students may be children. Nothing is kept of them but what teaching needs, and nobody but you sees it, unless you give a link.</p>
        <table>
            <thead>
                <tr>
                    <th scope="col">What</th>
                    <th scope="col">Why</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="{ what, why } in KEPT" :key="what">
                    <th scope="row">{{ what }}</th>
                    <td>{{ why }}</td>
                </tr>
            </tbody>
        </table>
        <p>
            A link for home shows one marked copy and its practice, with the name, to whoever has it, and takes what is told and played of it: it is good for
            the weeks you choose, and you can withdraw it. Nobody is counted or followed there.
        </p>
        <p>
            Not kept: surnames, addresses, birthdays, photographs, sound or pictures of her, who visited when. Nothing is sent to anyone, and nothing is loaded
            from elsewhere.{{ backups ? ` What is erased stays in backups for up to ${days} days, and then is gone there too.` : '' }}
        </p>
        <h2>Each student's record</h2>
        <p v-if="students.length === 0" class="quiet">There is no student yet.</p>
        <ul>
            <li v-for="student in students" :key="student.id">
                <Link :href="`/students/${student.id}`">{{ student.name }}</Link>
                <a :href="`/students/${student.id}/record.json`" download>Take the record along</a>
                <a-popconfirm
                    :title="`Erase all that is kept of ${student.name}, with every plan made for her?`"
                    ok-text="Erase"
                    cancel-text="Keep"
                    @confirm="router.delete(`/students/${student.id}`, { preserveScroll: true })"
                >
                    <a-button size="small" danger>Erase</a-button>
                </a-popconfirm>
            </li>
        </ul>
    </PageFrame>
</template>

<style scoped>
p,
table {
    max-width: 760px;
}

table {
    margin: 12px 0;
    border-collapse: collapse;
    background: var(--sheet);
}

th,
td {
    padding: 8px 14px;
    text-align: left;
    border: 1px solid var(--line);
}

ul {
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    gap: 16px;
    align-items: center;
    max-width: 760px;
    padding: 6px 0;
    border-bottom: 1px dotted var(--line);
}

li :first-child {
    flex: 1;
}
</style>

<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3';
import { computed } from 'vue';
import { ACTIONS, keyName, SOFT_PEDALS } from '../studio/pianos';
import PieceProgress from '../studio/PieceProgress.vue';
import type { Progress } from '../studio/progress';
import { clicksFromRate } from '../studio/rates';
import StudentNav from '../studio/StudentNav.vue';
import type { StudentItem } from '../studio/types';
import { spanName } from '../support/intervals';
import PageFrame from '../support/PageFrame.vue';

/** A student's instrument and hands, and what they mean for each of her pieces. */
const props = defineProps<{
    student: Omit<StudentItem, 'copies' | 'instrumentLabel'>;
    pieces: {
        copy: number;
        title: string;
        progress: Progress;
        tempo: number;
        /** Notes this piano has no key for, and the bar of the first of them. */
        missing: number;
        first_missing: number | null;
        limit: { tempo: number; measure: number; bar: string } | null;
        hands: {
            hand: 'left' | 'right';
            widest: number;
            uncomfortable: number;
            beyond: number;
            first: number | null;
            spans: { span: number; beyond: number }[];
        }[];
    }[];
}>();

const facts = computed(() => {
    const { student } = props;
    const reach = (comfortable: number | null, largest: number | null): string =>
        comfortable === null
            ? 'not measured: an adult’s hand is taken'
            : `${spanName(comfortable)} in comfort${largest === null ? '' : `, ${spanName(largest)} at most`}`;
    const rate = (value: number | null): string =>
        value === null ? 'not measured' : `${value.toFixed(1)} a second (four to a click at ♩ = ${clicksFromRate(value)})`;
    return [
        ['Instrument', `${student.instrument}, ${student.half_pedal ? 'half pedal' : 'pedal on and off only'}`],
        [
            'Keys',
            `${keyName(student.lowest_key)} to ${keyName(student.highest_key)}, ${word(ACTIONS, student.action)}; soft pedal ${word(SOFT_PEDALS, student.soft_pedal)}`,
        ],
        ['Right hand', reach(student.right_comfortable, student.right_largest)],
        ['Left hand', reach(student.left_comfortable, student.left_largest)],
        ['Heard as', student.skill],
        ['Fourth and fifth finger', student.weak_fingers ? 'still weak: spared where it is loud' : 'as strong as the others'],
        ['Quickest even run', rate(student.run_rate)],
        ['Quickest repeated note', rate(student.repetition_rate)],
    ];
});

function word<Value>(options: readonly { value: Value; label: string }[], value: Value): string {
    return options.find((option) => option.value === value)?.label ?? '';
}

function chords(count: number): string {
    return count === 1 ? '1 chord' : `${count} chords`;
}
</script>

<template>
    <Head :title="student.name" />
    <PageFrame>
        <StudentNav :student="student" current="pieces" />
        <dl class="facts">
            <template v-for="[what, value] in facts" :key="what">
                <dt>{{ what }}</dt>
                <dd>{{ value }}</dd>
            </template>
        </dl>
        <p class="quiet">Measured and changed in the studio, with “Change”. Spans are never forced; where a hand hurts, stop.</p>

        <h2>What this means for each piece</h2>
        <p v-if="pieces.length === 0" class="quiet">No piece yet.</p>
        <article v-for="piece in pieces" :key="piece.copy" class="piece">
            <header>
                <h3>
                    <Link :href="`/copies/${piece.copy}?view=hand`">{{ piece.title }}</Link>
                </h3>
                <p v-if="piece.limit">
                    ♩ = {{ piece.tempo }}; the measured rate carries it up to ♩ = {{ piece.limit.tempo }}
                    <template v-if="piece.limit.tempo < piece.tempo"><strong>: too fast as it stands</strong></template>
                    (<Link :href="`/copies/${piece.copy}?bar=${piece.limit.measure}&view=count`">bar {{ piece.limit.bar }}</Link
                    >)
                </p>
                <p v-else class="quiet">♩ = {{ piece.tempo }}; nothing is known to limit it</p>
                <p v-if="piece.missing > 0">
                    {{ piece.missing === 1 ? 'One note is' : `${piece.missing} notes are` }} not on this piano (<Link
                        :href="`/copies/${piece.copy}?bar=${piece.first_missing}&view=hand`"
                        >the first</Link
                    >)
                </p>
            </header>
            <PieceProgress :copy="piece.copy" :title="piece.title" :progress="piece.progress" />
            <table>
                <thead>
                    <tr>
                        <th scope="col">Hand</th>
                        <th scope="col">beyond comfort now</th>
                        <th scope="col">beyond reach now</th>
                        <th v-for="{ span } in piece.hands[0]?.spans" :key="span" scope="col">if it reached {{ spanName(span) }}</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="row in piece.hands" :key="row.hand">
                        <th scope="row">{{ row.hand }}</th>
                        <td>
                            <Link v-if="row.first !== null" :href="`/copies/${piece.copy}?bar=${row.first}&view=hand`">{{ chords(row.uncomfortable) }}</Link>
                            <template v-else>none</template>
                        </td>
                        <td>{{ row.beyond === 0 ? 'none' : chords(row.beyond) }}</td>
                        <td v-for="{ span, beyond } in row.spans" :key="span">{{ beyond === 0 ? 'none' : beyond }}</td>
                    </tr>
                </tbody>
            </table>
        </article>
    </PageFrame>
</template>

<style scoped>
.facts {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 4px 24px;
    margin: 10px 0;
}

dt {
    color: var(--quiet);
}

dd,
.piece p {
    margin: 0;
}

h2 {
    margin: 26px 0 10px;
}

.piece {
    margin-bottom: 16px;
    padding: 14px 18px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.piece header {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 8px 20px;
    margin-bottom: 8px;
}

table {
    width: 100%;
    border-collapse: collapse;
}

th,
td {
    padding: 5px 12px 5px 0;
    text-align: left;
    font-weight: 400;
    border-bottom: 1px dotted var(--line);
}

thead th {
    color: var(--quiet);
    font-size: 0.93rem;
}
</style>

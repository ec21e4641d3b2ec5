<script setup lang="ts">
defineProps<{ open: boolean }>();
defineEmits<{ close: [] }>();

type Row = [keys: string[], what: string];

const GROUPS: { title: string; rows: Row[] }[] = [
    {
        title: 'Everywhere',
        rows: [
            [['←', '→'], 'previous and next moment'],
            [['↑', '↓'], 'previous and next bar (also Shift with ← →)'],
            [['V'], 'next view: read, count, hand, touch, pedal'],
            [['Z', 'Y'], 'undo and redo (also with Ctrl)'],
            [['?'], 'this sheet'],
        ],
    },
    {
        title: 'Read',
        rows: [
            [['B'], 'a phrase begins here, or does not'],
            [['K'], 'next note of the chord, from the top down'],
            [['1', '2', '3', '4'], 'this note is melody, bass, inner line, filling'],
            [['R', 'L'], 'right or left hand plays this note'],
        ],
    },
    {
        title: 'Count',
        rows: [
            [['T'], 'start or stop tapping along'],
            [['Space'], 'tap'],
        ],
    },
    {
        title: 'Hand',
        rows: [
            [['1', '…', '5'], 'this finger here; a second digit is a silent change'],
            [['A'], 'compare the fingers this note could have'],
            [['0'], 'plan this finger again'],
            [['K'], 'next note of the chord, from the top down'],
            [['R', 'L'], 'right or left hand plays this note'],
        ],
    },
    {
        title: 'Touch',
        rows: [
            [['G', 'N', 'M', 'O'], 'legato, tenuto, marcato, non-legato'],
            [['P', 'S', 'W'], 'portato, staccato, staccatissimo'],
            [['K'], 'one note of the chord, or all of them'],
            [['0'], 'take the mark back'],
            [['L'], 'a slur begins here; L again: it ends here'],
            [['U'], 'take the slur over this note away'],
            [['H'], 'hold the lowest or selected key one moment on (Shift: less)'],
            [['1', '…', '9'], 'a gesture of your palette here'],
        ],
    },
    {
        title: 'Pedal',
        rows: [
            [['S'], 'suggest a pedal; your own marks stay'],
            [['C'], 'pedal changes, or goes down, here'],
            [['L'], 'pedal comes up here'],
            [['[', ']'], 'end of this pedal one moment earlier or later'],
            [['H'], 'half pedal, or full again'],
            [['N'], 'no pedal here, by intention'],
            [['X'], 'take this pedal mark out; the one before goes on'],
            [['E'], 'write a note for the student at this bar'],
        ],
    },
];
</script>

<template>
    <a-modal :open="open" title="Hands stay on the keyboard" :footer="null" width="1120px" @cancel="$emit('close')">
        <div class="groups">
            <section v-for="group in GROUPS" :key="group.title">
                <h3>{{ group.title }}</h3>
                <table class="keys">
                    <tbody>
                        <tr v-for="[keys, what] in group.rows" :key="what">
                            <th scope="row">
                                <kbd v-for="key in keys" :key="key">{{ key }}</kbd>
                            </th>
                            <td>{{ what }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </div>
        <h3>What the lines say</h3>
        <ul class="legend">
            <li>
                <svg width="46" height="18">
                    <path d="M4 3 v11 h38 v-11" class="suggested" />
                    <circle cx="4" cy="14" r="2.6" class="ring" />
                </svg>
                suggested
            </li>
            <li>
                <svg width="46" height="18">
                    <path d="M5 3 v11 h37 v-11" class="teacher" />
                    <path d="M5 9.5 l4.5 4.5 l-4.5 4.5 l-4.5 -4.5 z" class="diamond" />
                </svg>
                your own
            </li>
            <li>
                <svg width="46" height="18">
                    <path d="M4 3 v11 h38 v-11" class="printed" />
                    <rect x="1.5" y="11.5" width="5" height="5" class="square" />
                </svg>
                printed in the edition
            </li>
            <li>
                <svg width="46" height="18"><path d="M4 6 v5 h24 v-5" class="bracket" /></svg> time to catch what is struck
            </li>
        </ul>
        <p class="blur">
            Under the pedal line the blur:
            <span v-for="name in ['clear', 'veiled', 'cloudy', 'muddy']" :key="name"><i :class="`tint-${name}`" /> {{ name }}</span>
        </p>
        <p class="blur">
            <svg width="14" height="14"><circle cx="7" cy="7" r="4" class="hint" /></svg> hint
            <svg width="14" height="14"><path d="M7 2 l6 10 h-12 z" class="warning" /></svg> take care
            <svg width="14" height="14"><rect x="2" y="2" width="10" height="10" class="serious" /></svg> serious
        </p>
        <p class="care">
            Heel on the floor, ball of the foot on the pedal. If foot, ankle or hand hurt, stop; lasting pain, numbness or tingling belong to a doctor or
            therapist who knows musicians.
        </p>
    </a-modal>
</template>

<style scoped>
.groups {
    columns: 3;
    column-gap: 26px;
}

.groups section {
    break-inside: avoid;
}

.keys {
    border-collapse: collapse;
}

.keys th {
    text-align: left;
    padding: 2px 18px 2px 0;
    font-weight: 400;
    white-space: nowrap;
}

.keys kbd {
    margin-right: 4px;
}

h3 {
    margin-top: 16px;
}

.legend {
    display: grid;
    grid-template-columns: repeat(4, max-content);
    justify-content: space-between;
    gap: 4px 16px;
    padding: 0;
    margin: 6px 0 12px;
    list-style: none;
}

.legend li {
    display: flex;
    align-items: center;
    gap: 8px;
}

path {
    fill: none;
}

.suggested {
    stroke: var(--lake);
    stroke-width: 1.6;
}

.ring {
    fill: var(--sheet);
    stroke: var(--lake);
    stroke-width: 1.5;
}

.teacher {
    stroke: var(--ink);
    stroke-width: 2.6;
}

.diamond {
    fill: var(--ink);
}

.printed {
    stroke: var(--quiet);
    stroke-dasharray: 5 3;
}

.square {
    fill: var(--sheet);
    stroke: var(--quiet);
}

.bracket {
    stroke: #7d8a8f;
}

.blur {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    margin: 0 0 8px;
}

.blur i {
    display: inline-block;
    width: 18px;
    height: 10px;
}

.hint {
    fill: var(--sheet);
    stroke: var(--amber);
    stroke-width: 1.6;
}

.warning {
    fill: var(--amber);
}

.serious {
    fill: var(--rust);
}

.care {
    margin: 0;
    padding-top: 10px;
    border-top: 1px solid var(--line);
    color: var(--quiet);
}
</style>

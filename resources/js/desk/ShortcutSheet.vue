<script setup lang="ts">
import { computed } from 'vue';
import { shownKeys, type Key } from './keys';

/** All keys, by where they are known. */
const props = defineProps<{ open: boolean; groups: readonly { title: string; keys: readonly Key[] }[] }>();
defineEmits<{ close: [] }>();

const shown = computed(() =>
    props.groups.map(({ title, keys }) => ({ title, rows: keys.filter((key) => key.shown !== null).map((key) => ({ keys: shownKeys(key), what: key.what })) })),
);
</script>

<template>
    <a-modal :open="open" title="Hands stay on the keyboard" :footer="null" width="1120px" @cancel="$emit('close')">
        <div class="groups">
            <section v-for="group in shown" :key="group.title">
                <h3>{{ group.title }}</h3>
                <table class="keys">
                    <tbody>
                        <tr v-for="{ keys, what } in group.rows" :key="what">
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

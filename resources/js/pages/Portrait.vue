<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3';
import { computed } from 'vue';
import type { PieceSummary } from '../studio/types';
import PageFrame from '../support/PageFrame.vue';

/** A piece on one page; every line that is about a bar leads to it. */
const props = defineProps<{
    copy: { id: number; title: string };
    student: string;
    summary: PieceSummary;
    numbers: string[];
    portrait: {
        groups: { title: string; lines: { text: string; measure: number | null }[] }[];
        /** Bars by index; `to` is past the last. */
        sections: { letter: string; from: number; to: number }[];
        /** By bar, 1 for what asks most of the hands. */
        demands: number[];
    };
}>();

const groups = computed(() => props.portrait.groups.filter(({ lines }) => lines.length > 0));
const every = computed(() => Math.max(1, Math.ceil(props.numbers.length / 32)));
const desk = (measure: number): string => `/copies/${props.copy.id}?bar=${measure}&view=read`;
</script>

<template>
    <Head :title="`Portrait of ${copy.title}`" />
    <PageFrame>
        <header class="head">
            <div>
                <h1>{{ copy.title }}</h1>
                <p class="quiet">A portrait, for {{ student }} · {{ summary.bars }} bars, {{ summary.notes }} notes · {{ summary.metres.join(', ') }}</p>
            </div>
            <Link :href="`/copies/${copy.id}`"><a-button type="primary" size="large">Open the desk</a-button></Link>
        </header>

        <figure class="shape">
            <div class="sections">
                <Link
                    v-for="section in portrait.sections"
                    :key="section.from"
                    :href="desk(section.from)"
                    class="section"
                    :style="{ flexGrow: section.to - section.from }"
                    :aria-label="`Section ${section.letter}, from bar ${numbers[section.from]}`"
                    >{{ section.letter }}</Link
                >
            </div>
            <div class="demands">
                <Link
                    v-for="(demand, index) in portrait.demands"
                    :key="index"
                    :href="desk(index)"
                    class="bar"
                    :aria-label="`Bar ${numbers[index]}`"
                    tabindex="-1"
                >
                    <span :class="['column', { high: demand > 0.75 }]" :style="{ height: `${4 + 52 * demand}px` }" />
                    <span class="number">{{ index % every === 0 ? numbers[index] : '' }}</span>
                </Link>
            </div>
            <figcaption class="quiet">Form, and what each bar asks of the hands: quickness, wide chords, leaps, cross-rhythms, accidentals.</figcaption>
        </figure>

        <div class="groups">
            <section v-for="group in groups" :key="group.title">
                <h2>{{ group.title }}</h2>
                <ul>
                    <li v-for="line in group.lines" :key="line.text + line.measure">
                        <Link v-if="line.measure !== null" :href="desk(line.measure)" class="line">
                            <span class="where">{{ numbers[line.measure] === '0' ? 'up-beat' : `bar ${numbers[line.measure]}` }}</span> {{ line.text }}
                        </Link>
                        <span v-else class="line"><span class="where" /> {{ line.text }}</span>
                    </li>
                </ul>
            </section>
        </div>
    </PageFrame>
</template>

<style scoped>
.head {
    display: flex;
    justify-content: space-between;
    align-items: flex-start;
}

.head p {
    margin: 2px 0 0;
}

.shape {
    margin: 18px 0 22px;
    padding: 14px 18px 10px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.sections {
    display: flex;
    gap: 2px;
}

.section {
    flex: 1 1 0;
    min-width: 0;
    padding: 1px 0;
    text-align: center;
    font: 600 1.05rem var(--serif);
    color: var(--lake);
    background: var(--lake-pale);
    text-decoration: none;
    border-radius: 3px;
}

.demands {
    display: flex;
    align-items: flex-end;
    gap: 1px;
    margin-top: 6px;
}

.bar {
    flex: 1 1 0;
    min-width: 0;
    text-decoration: none;
}

.column {
    display: block;
    background: #9fbfcb;
    border-radius: 2px 2px 0 0;
}

.column.high {
    background: repeating-linear-gradient(135deg, #8a5200 0 4px, #c08a3e 4px 7px);
}

.bar:hover .column {
    background: var(--lake);
}

.number {
    display: block;
    height: 16px;
    font-size: 11px;
    text-align: center;
    color: var(--quiet);
}

figcaption {
    font-size: 0.93rem;
}

.groups {
    columns: 2;
    column-gap: 34px;
}

.groups section {
    break-inside: avoid;
    margin-bottom: 20px;
}

ul {
    margin: 4px 0 0;
    padding: 0;
    list-style: none;
}

.line {
    display: grid;
    grid-template-columns: 66px 1fr;
    padding: 3px 0;
    color: var(--ink);
    text-decoration: none;
    border-bottom: 1px dotted var(--line);
}

a.line:hover {
    background: var(--lake-pale);
}

.where {
    color: var(--lake);
    font-weight: 600;
}

@media (max-width: 900px) {
    .groups {
        columns: 1;
    }
}
</style>

<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3';
import { computed } from 'vue';
import { longDay, type PracticeDayData } from '../studio/practice';
import { inShort, type Progress } from '../studio/progress';

/** A sheet of paper that goes home: this week's steps with boxes, bars, tempos, words. */
const props = defineProps<{ title: string; student: string; back: string; progress: Progress; isPractised: boolean; days: PracticeDayData[] }>();

const now = new Date();
const busy = computed(() => props.days.filter(({ items }) => items.length > 0));
const print = (): void => window.print();
/** Words that were said of a step before are not said again. */
const firstWords = computed(() => {
    const said = new Set<string>();
    return new Map(
        busy.value.flatMap(({ date, items }) =>
            items.map(({ step, words }) => {
                const fresh = words.filter(({ bar, text }) => !said.has(`${bar} ${text}`));
                for (const { bar, text } of fresh) said.add(`${bar} ${text}`);
                return [`${date} ${step}`, fresh] as const;
            }),
        ),
    );
});
const explained = computed(() => {
    const seen = new Set<string>();
    return new Map(
        busy.value.flatMap(({ date, items }) =>
            items.map(({ step, does }) => {
                const isNew = !seen.has(does);
                seen.add(does);
                return [`${date} ${step}`, isNew] as const;
            }),
        ),
    );
});
</script>

<template>
    <Head :title="`${title}, to take home`" />
    <nav class="bar" aria-label="Sheet">
        <Link :href="back">Back to the desk</Link>
        <Link :href="`${back}/print`">Marked copy</Link>
        <span class="gap" />
        <a-button type="primary" @click="print">Print</a-button>
    </nav>
    <main class="paper">
        <header>
            <h1>{{ title }}</h1>
            <p>
                {{ student }}, week from {{ longDay(days[0]?.date ?? '') }} <template v-if="isPractised">· {{ inShort(progress, now) }}</template>
            </p>
        </header>
        <p v-if="!isPractised">This piece is not being practised. Say in the studio that it is being learnt, or polished.</p>
        <p v-else-if="busy.length === 0">Nothing of this piece is planned this week.</p>
        <section v-for="day in busy" :key="day.date">
            <h2>
                {{ longDay(day.date) }} <span>{{ day.items.reduce((sum, { minutes }) => sum + minutes, 0) }} min</span>
            </h2>
            <ul>
                <li v-for="item in day.items" :key="item.step">
                    <span class="box" aria-hidden="true" />
                    <div>
                        <strong>{{ item.label }}, {{ item.bars }}</strong>
                        <span class="tempo">{{ [item.tempo, `${item.minutes} min`].filter(Boolean).join(' · ') }}</span>
                        <p v-if="explained.get(`${day.date} ${item.step}`)">{{ item.does }}</p>
                        <p v-for="word in firstWords.get(`${day.date} ${item.step}`)" :key="word.bar + word.text" class="word">
                            bar {{ word.bar }}: {{ word.text }}
                        </p>
                        <p class="gate">Go on when: {{ item.gate }}.</p>
                    </div>
                    <span class="reached">reached <i /></span>
                </li>
            </ul>
        </section>
        <footer>Stop when you are tired. Where something hurts, stop at once and say so.</footer>
    </main>
</template>

<style scoped>
.bar {
    display: flex;
    gap: 16px;
    align-items: center;
    padding: 10px 24px;
    background: #1f3d47;
}

.bar a {
    color: #f7f4ec;
}

.gap {
    flex: 1;
}

.paper {
    width: 210mm;
    max-width: calc(100% - 32px);
    margin: 22px auto 60px;
    padding: 14mm;
    background: #fff;
    color: #000;
    border: 1px solid var(--line);
}

header h1 {
    margin: 0;
    font-size: 1.7rem;
}

header p {
    margin: 2px 0 0;
    font: italic 1.05rem var(--serif);
}

section {
    break-inside: avoid;
}

h2 {
    display: flex;
    justify-content: space-between;
    margin: 6mm 0 1mm;
    font-size: 1.05rem;
    border-bottom: 1px solid #777;
}

h2 span {
    font-weight: 400;
}

ul {
    margin: 0;
    padding: 0;
    list-style: none;
}

li {
    display: grid;
    grid-template-columns: 6mm 1fr auto;
    gap: 2mm;
    padding: 1.4mm 0;
    break-inside: avoid;
}

.box {
    width: 4.4mm;
    height: 4.4mm;
    margin-top: 0.6mm;
    border: 1.3px solid #000;
}

.tempo {
    margin-left: 3mm;
}

p {
    margin: 0.4mm 0 0;
}

.word {
    font: italic 1rem var(--serif);
}

.gate {
    color: #444;
}

.reached {
    align-self: end;
    color: #444;
}

.reached i {
    display: inline-block;
    width: 16mm;
    border-bottom: 1px solid #777;
}

footer {
    margin-top: 8mm;
    color: #444;
}

@page {
    size: A4;
    margin: 14mm;
}

@media print {
    .bar {
        display: none;
    }

    .paper {
        width: auto;
        max-width: none;
        margin: 0;
        padding: 0;
        border: 0;
    }
}
</style>

<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3';
import { nextTick, onMounted, ref } from 'vue';
import { engraver, svgElement } from '../engraving/engraver';
import HomeLinks from '../studio/HomeLinks.vue';
import { getText } from '../support/http';

/** A score on paper: engraved in pages, printed, or downloaded. */
const props = defineProps<{
    title: string;
    /** The desk it belongs to; null for a student at home. */
    back: string | null;
    subtitle: string;
    engraving: string;
    downloads: { label: string; url: string }[];
    notes: { bar: string; text: string }[];
    /** Other ways to see the same piece. */
    siblings?: { label: string; url: string; current: boolean }[];
    /** Links by which the student sees it at home. */
    home?: { copy: number; weeks: number[]; links: { id: number; expires: string }[] };
}>();

const pages = ref<string[]>([]);
const trouble = ref('');
const sheets = ref<HTMLElement[]>([]);

/** Tenths of a millimetre of music across A4, and to a pixel of a screen that is narrower. */
const PAPER = 2100;
const TO_PIXEL = 3;
const onScreen = Math.min(PAPER, Math.round((window.innerWidth - 48) * TO_PIXEL));

onMounted(() => engrave(onScreen));

async function engrave(width: number): Promise<void> {
    try {
        pages.value = await engraver().pages(await getText(props.engraving), width);
        await nextTick();
        sheets.value.forEach((sheet, index) => sheet.replaceChildren(svgElement(pages.value[index] ?? '')));
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : 'The score could not be engraved.';
    }
}

/** Prints as on paper, however narrow the screen is. */
async function print(): Promise<void> {
    if (onScreen < PAPER) await engrave(PAPER);
    window.print();
    if (onScreen < PAPER) await engrave(onScreen);
}
</script>

<template>
    <Head :title="`${title}, ${subtitle}`" />
    <nav class="bar" aria-label="Sheet">
        <Link v-if="back !== null" :href="back">Back to the desk</Link>
        <Link
            v-for="sibling in siblings"
            :key="sibling.url"
            :href="sibling.url"
            :class="['sibling', { current: sibling.current }]"
            :aria-current="sibling.current ? 'page' : undefined"
            >{{ sibling.label }}</Link
        >
        <span class="gap" />
        <span v-if="downloads.length > 0">Download</span>
        <a v-for="{ label, url } in downloads" :key="url" :href="url" download>{{ label }}</a>
        <HomeLinks v-if="home" v-bind="home" />
        <a-button type="primary" :disabled="pages.length === 0" @click="print">Print</a-button>
    </nav>
    <main class="paper">
        <header>
            <h1>{{ title }}</h1>
            <p>{{ subtitle }}</p>
        </header>
        <p v-if="trouble" role="alert">{{ trouble }}</p>
        <p v-else-if="pages.length === 0" class="wait" role="status">Engraving …</p>
        <div v-for="index in pages.length" :key="index" ref="sheets" class="engraving page" />
        <section v-if="notes.length > 0" class="notes">
            <h2>Notes by bar</h2>
            <dl>
                <template v-for="note in notes" :key="note.bar + note.text">
                    <dt>{{ note.bar }}</dt>
                    <dd>{{ note.text }}</dd>
                </template>
            </dl>
        </section>
    </main>
</template>

<style scoped>
.bar {
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 10px 24px;
    background: #1f3d47;
    color: #cfdadb;
}

.bar a:not(.current) {
    color: #f7f4ec;
}

.sibling {
    padding: 2px 10px;
    border-radius: 6px;
    text-decoration: none;
}

.sibling.current {
    color: #1f3d47;
    background: #f7f4ec;
}

.gap {
    flex: 1;
}

.paper {
    width: 210mm;
    max-width: calc(100% - 32px);
    margin: 22px auto 60px;
    padding: 14mm 12mm;
    background: #fff;
    color: #000;
    border: 1px solid var(--line);
}

header {
    text-align: center;
    margin-bottom: 4mm;
}

header h1 {
    font-size: 1.8rem;
}

header p {
    margin: 2px 0 0;
    font: italic 1.05rem var(--serif);
}

.wait {
    text-align: center;
}

.notes {
    margin-top: 6mm;
    break-inside: avoid;
}

dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 4px 14px;
    margin: 6px 0 0;
    font-family: var(--serif);
}

dt {
    font-weight: 600;
}

dt::before {
    content: 'Bar ';
}

dd {
    margin: 0;
    white-space: pre-line;
}

@media screen and (max-width: 700px) {
    .bar {
        flex-wrap: wrap;
        gap: 8px 14px;
        padding: 10px 14px;
    }

    .gap {
        flex-basis: 100%;
    }

    .paper {
        max-width: calc(100% - 16px);
        margin: 10px auto 40px;
        padding: 14px 8px;
    }
}

@page {
    size: A4;
    margin: 12mm;
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

    .page {
        break-inside: avoid;
    }
}
</style>
<style>
@media print {
    html,
    body {
        background: #fff;
    }
}
</style>

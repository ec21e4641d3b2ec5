<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import type { HandoutData } from '../studio/handout';
import HandoutChoice from '../studio/HandoutChoice.vue';
import HomeLinks from '../studio/HomeLinks.vue';
import MarkedPages from '../studio/MarkedPages.vue';

/** A score on paper: engraved in pages, printed, or downloaded. */
const props = defineProps<{
    title: string;
    /** The desk it belongs to. */
    back: string;
    subtitle: string;
    engraving: string;
    /** What is drawn over it. */
    layers?: string;
    student?: string;
    composer?: string | null;
    downloads: { label: string; url: string }[];
    notes: { bar: string; text: string }[];
    /** Other ways to see the same piece. */
    siblings?: { label: string; url: string; current: boolean }[];
    /** What of the plan it shows, and how large. */
    handout?: HandoutData;
    /** Links by which the student sees it at home. */
    home?: { copy: number; weeks: number[]; links: { id: number; expires: string }[] };
}>();

const isReady = ref(false);
/** Only what is printed otherwise is engraved anew. */
const paper = computed(() => props.handout && { size: props.handout.size, paper: props.handout.paper, landscape: props.handout.landscape });
const sheet = ref<InstanceType<typeof MarkedPages>>();
</script>

<template>
    <Head :title="`${title}, ${subtitle}`" />
    <nav class="bar" aria-label="Sheet">
        <Link :href="back">Back to the desk</Link>
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
        <HandoutChoice v-if="handout" :handout="handout" @changed="sheet?.refresh()" />
        <Link v-if="home" :href="`/copies/${home.copy}/take-home`">Take-home sheet</Link>
        <HomeLinks v-if="home" v-bind="home" />
        <a-button type="primary" :disabled="!isReady" @click="sheet?.print()">Print</a-button>
    </nav>
    <main class="paper">
        <header>
            <h1>{{ title }}</h1>
            <p>{{ subtitle }}</p>
            <p v-if="composer" class="composer">{{ composer }}</p>
        </header>
        <MarkedPages
            ref="sheet"
            :engraving="engraving"
            :layers="layers ?? null"
            :notes="!handout || handout.show.includes('notes') ? notes : []"
            :title="title"
            :student="student ?? ''"
            v-bind="paper ? { paper } : {}"
            @ready="isReady = true"
        />
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
    width: max-content;
    min-width: min(210mm, 100%);
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

header {
    break-after: avoid;
}

.composer {
    text-align: right;
}

header p {
    margin: 2px 0 0;
    font: italic 1.05rem var(--serif);
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
<style>
@media print {
    html,
    body {
        background: #fff;
    }
}
</style>

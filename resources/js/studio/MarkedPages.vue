<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, watch } from 'vue';
import CopySystem from '../copy/CopySystem.vue';
import { pageRules, scaleOf, USUAL, widthOf, type Paper } from '../copy/paper';
import { useCopy } from '../copy/useCopy';

/** A score engraved line by line, with what is drawn over it and the words that go with its bars: on a screen as wide as it is, on paper as large as it is wanted. */
const props = withDefaults(
    defineProps<{
        engraving: string;
        /** What is drawn over it; without it the engraving stands alone. */
        layers?: string | null;
        paper?: Paper;
        notes: { bar: string; text: string }[];
        title: string;
        /** Whose it is, at the foot of each sheet. */
        student?: string;
        /** Whether it has a button of its own to print it. */
        printable?: boolean;
    }>(),
    { layers: null, paper: () => USUAL, student: '' },
);
const emit = defineEmits<{ ready: [] }>();

const { copy, lines, legend, trouble, engrave } = useCopy(() => ({ engraving: props.engraving, layers: props.layers }));

/** px that a narrow screen has for it. */
const BESIDE = 48;
const onScreen = (): number => Math.min(widthOf(props.paper), window.innerWidth - BESIDE);

async function draw(width: number): Promise<void> {
    await engrave(width, scaleOf(props.paper));
    await nextTick();
    if (trouble.value === '') emit('ready');
}

// What of the page only a browser's own rules can say.
const rules = document.createElement('style');
const rule = (): void => void (rules.textContent = pageRules(props.paper, props.student === '' ? props.title : `${props.title} · ${props.student}`));
onMounted(() => {
    rule();
    document.head.append(rules);
    void draw(onScreen());
});
onBeforeUnmount(() => rules.remove());
watch(
    () => [props.paper, props.engraving, props.layers],
    () => {
        rule();
        void draw(onScreen());
    },
);

/** Prints as on paper, however narrow the screen is. */
async function print(): Promise<void> {
    const isNarrow = onScreen() < widthOf(props.paper);
    if (isNarrow) await draw(widthOf(props.paper));
    window.print();
    if (isNarrow) await draw(onScreen());
}

/** What has changed on the server is fetched again. */
const refresh = (): Promise<void> => draw(onScreen());

/** The notes that stand beside the bars of each line; without layers none is known to belong to a line. */
const notesBy = computed(() =>
    lines.value.map(({ bars }) => {
        const numbers = new Set(bars.map((bar) => copy.value?.measures[bar]?.number));
        return props.notes.filter(({ bar }) => numbers.has(bar));
    }),
);

defineExpose({ print, refresh });
</script>

<template>
    <div class="marked" :style="{ '--paper-width': `${widthOf(paper)}px` }">
        <a-button v-if="printable" class="print" :disabled="lines.length === 0" @click="print">Print</a-button>
        <p v-if="trouble" role="alert">{{ trouble }}</p>
        <p v-else-if="lines.length === 0" class="wait" role="status">Engraving …</p>
        <CopySystem
            v-for="({ system, line, number, left }, index) in lines"
            :key="index"
            :system="system"
            :line="line"
            :number="number"
            :left="left"
            :notes="notesBy[index] ?? []"
        />
        <dl v-if="legend.length > 0" class="key" aria-label="What the signs mean">
            <div v-for="{ sign, shown, means } in legend" :key="sign">
                <dt>{{ shown }}</dt>
                <dd>{{ means }}</dd>
            </div>
        </dl>
    </div>
</template>

<style scoped>
.marked {
    width: 100%;
    max-width: var(--paper-width);
    margin: 0 auto;
}

.wait {
    text-align: center;
}

.key {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
    margin: 2mm 0 0;
    padding-top: 1mm;
    border-top: 1px solid #999;
    font: 0.74rem/1.35 var(--serif);
    break-inside: avoid;
}

.key div {
    display: flex;
    gap: 5px;
}

dt {
    font-weight: 600;
}

dd {
    margin: 0;
}

@media print {
    .print {
        display: none;
    }

    .marked {
        max-width: none;
    }
}
</style>

<script setup lang="ts">
import { nextTick, onMounted, ref, watch } from 'vue';
import { engraver, svgElement } from '../engraving/engraver';
import { getText } from '../support/http';

/** A score engraved in pages, with the words that go with its bars: on a screen as wide as it is, on paper as large as it is wanted. */
const props = defineProps<{
    engraving: string;
    size?: 'small' | 'usual' | 'large' | 'very-large';
    notes: { bar: string; text: string }[];
    title: string;
    /** Whether it has a button of its own to print it. */
    printable?: boolean;
}>();
const emit = defineEmits<{ ready: [] }>();

const pages = ref<string[]>([]);
const trouble = ref('');
const sheets = ref<HTMLElement[]>([]);

/** Tenths of a millimetre of music across A4: the fewer, the larger it is printed. */
const PAPER = { small: 2500, usual: 2100, large: 1700, 'very-large': 1350 } as const;
/** To a pixel of a screen that is narrower. */
const TO_PIXEL = 3;
const paper = (): number => PAPER[props.size ?? 'usual'];
const onScreen = (): number => Math.min(paper(), Math.round((window.innerWidth - 48) * TO_PIXEL));

onMounted(() => engrave(onScreen()));
watch(
    () => [props.size, props.engraving],
    () => engrave(onScreen()),
);

async function engrave(width: number): Promise<void> {
    try {
        pages.value = await engraver().pages(await getText(props.engraving), width);
        await nextTick();
        sheets.value.forEach((sheet, index) => sheet.replaceChildren(svgElement(pages.value[index] ?? '')));
        emit('ready');
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : 'The score could not be engraved.';
    }
}

/** Prints as on paper, however narrow the screen is. */
async function print(): Promise<void> {
    const narrow = onScreen() < paper();
    if (narrow) await engrave(paper());
    window.print();
    if (narrow) await engrave(onScreen());
}

/** What has changed on the server is fetched again. */
const refresh = (): Promise<void> => engrave(onScreen());

defineExpose({ print, refresh });
</script>

<template>
    <div class="marked">
        <a-button v-if="printable" class="print" :disabled="pages.length === 0" @click="print">Print</a-button>
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
    </div>
</template>

<style scoped>
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

@media print {
    .print {
        display: none;
    }

    .page {
        break-inside: avoid;
    }
}
</style>

<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref, shallowRef } from 'vue';
import DrawnCheck from '../studio/DrawnCheck.vue';
import ScoreDrop from '../studio/ScoreDrop.vue';
import type { PieceSummary } from '../studio/types';
import { lengthInWords } from '../studio/words';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { sendForm } from '../support/http';
import PageFrame from '../support/PageFrame.vue';

const file = ref<File | null>(null);
const reading = ref<PieceSummary | null>(null);
/** The file and part that were read. */
const readForm = shallowRef<FormData | null>(null);
const title = ref('');
const error = ref('');
const busy = ref(false);
const part = ref<string | undefined>();

function form(): FormData {
    const data = new FormData();
    if (file.value) data.append('file', file.value);
    if (part.value !== undefined) data.append('part', part.value);
    data.append('title', title.value);
    return data;
}

async function read(): Promise<void> {
    busy.value = true;
    error.value = '';
    try {
        const sent = form();
        reading.value = await sendForm<PieceSummary>('/pieces/reading', sent);
        readForm.value = sent;
        title.value ||= reading.value.title || (file.value?.name.replace(/\.(musicxml|mxl|xml)$/i, '') ?? '');
    } catch (problem) {
        reading.value = null;
        error.value = problem instanceof Error ? problem.message : '';
    } finally {
        busy.value = false;
    }
}

function take(chosen: File): void {
    file.value = chosen;
    reading.value = null;
    title.value = '';
    part.value = undefined;
    void read();
}

function choosePart(id: string): void {
    part.value = id.includes('+') ? undefined : id;
    void read();
}

function keep(): void {
    busy.value = true;
    router.post('/pieces', form(), {
        forceFormData: true,
        onError: (errors) => (error.value = Object.values(errors)[0] ?? ''),
        onFinish: () => (busy.value = false),
    });
}

/** The parts of the file; two one-staff parts read as one stand first, as one. */
const partOptions = computed(() => {
    const summary = reading.value;
    if (!summary) return [];
    const parts = summary.parts.map((one) => ({ value: one.id, label: `${one.name || one.id} (${one.staves === 1 ? '1 staff' : `${one.staves} staves`})` }));
    return summary.part.includes('+') ? [{ value: summary.part, label: 'Both hands' }, ...parts] : parts;
});
</script>

<template>
    <Head title="Add a piece" />
    <PageFrame>
        <p><Link href="/">Studio</Link></p>
        <h1>Add a piece</h1>
        <p class="quiet">
            A score as MusicXML: <em>.musicxml</em>, <em>.mxl</em> or <em>.xml</em>, up to 20 MB. It is read first; you decide whether to keep it.
        </p>
        <ScoreDrop :file="file" @take="take" />

        <p v-if="busy" role="status">Reading the score …</p>
        <p v-if="error" class="error" role="alert">{{ error }}</p>

        <section v-if="reading" class="reading" aria-label="What was read">
            <h2>What was read</h2>
            <dl>
                <dt>Part</dt>
                <dd>
                    <ChoiceSelect v-if="reading.parts.length > 1" :value="reading.part" :options="partOptions" label="Part" @choose="choosePart" />
                    <template v-else>{{ reading.parts[0]?.name || 'one part' }}, {{ reading.parts[0]?.staves }} staves</template>
                </dd>
                <dt>Bars</dt>
                <dd>{{ reading.bars }}, {{ reading.notes }} notes</dd>
                <dt>Key</dt>
                <dd>{{ reading.key }}</dd>
                <dt>Metre</dt>
                <dd>{{ reading.metres.join(', ') }}</dd>
                <dt>Tempo and length</dt>
                <dd>♩ = {{ reading.tempo }}, about {{ lengthInWords(reading.seconds) }}</dd>
            </dl>
            <template v-if="reading.warnings.length > 0">
                <h3>What was odd in the file</h3>
                <ul class="warnings">
                    <li v-for="warning in reading.warnings" :key="warning">{{ warning }}</li>
                </ul>
            </template>
            <DrawnCheck v-if="readForm" :form="readForm" />
            <label for="piece-title">Title</label>
            <a-input id="piece-title" v-model:value="title" :maxlength="200" size="large" />
            <a-button type="primary" size="large" :loading="busy" @click="keep">Keep this piece</a-button>
        </section>
    </PageFrame>
</template>

<style scoped>
.error {
    padding: 10px 14px;
    background: #f7e1da;
    border-left: 4px solid var(--rust);
    border-radius: 0 6px 6px 0;
}

.reading {
    display: grid;
    gap: 10px;
    justify-items: start;
    margin-top: 22px;
    padding: 18px 22px 22px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 6px 24px;
    margin: 0;
}

dt {
    color: var(--quiet);
}

dd {
    margin: 0;
}

.warnings {
    margin: 0;
    padding-left: 1.2em;
}

.reading label {
    font-weight: 600;
}

.reading :deep(input) {
    max-width: 480px;
}
</style>

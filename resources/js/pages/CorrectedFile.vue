<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3';
import { ref, shallowRef } from 'vue';
import DrawnCheck from '../studio/DrawnCheck.vue';
import ScoreDrop from '../studio/ScoreDrop.vue';
import { sendForm } from '../support/http';
import PageFrame from '../support/PageFrame.vue';

/** A corrected file for a piece: what differs from the present one, and what becomes of the plans made on it. */
const props = defineProps<{ piece: { id: number; title: string; part: string | null } }>();

interface Preview {
    changed: string[];
    added: string[];
    removed: string[];
    copies: { student: string; kept: number; lost: string[] }[];
}

const file = ref<File | null>(null);
const preview = ref<Preview | null>(null);
const sentForm = shallowRef<FormData | null>(null);
const error = ref('');
const busy = ref(false);

function form(): FormData {
    const data = new FormData();
    if (file.value) data.append('file', file.value);
    if (props.piece.part) data.append('part', props.piece.part);
    return data;
}

async function take(chosen: File): Promise<void> {
    file.value = chosen;
    preview.value = null;
    error.value = '';
    busy.value = true;
    try {
        const sent = form();
        preview.value = await sendForm<Preview>(`/pieces/${props.piece.id}/replacement/preview`, sent);
        sentForm.value = sent;
    } catch (problem) {
        error.value = problem instanceof Error ? problem.message : '';
    } finally {
        busy.value = false;
    }
}

function keep(): void {
    busy.value = true;
    router.post(`/pieces/${props.piece.id}/replacement`, form(), {
        forceFormData: true,
        onError: (errors) => (error.value = Object.values(errors)[0] ?? ''),
        onFinish: () => (busy.value = false),
    });
}

function bars(numbers: string[]): string {
    const shown = numbers.slice(0, 24).join(', ');
    return numbers.length > 24 ? `${shown} and ${numbers.length - 24} more` : shown;
}
</script>

<template>
    <Head :title="`Corrected file for ${piece.title}`" />
    <PageFrame>
        <p><Link href="/">Studio</Link></p>
        <h1>Corrected file for “{{ piece.title }}”</h1>
        <p class="quiet">
            Bars and notes are matched with the present file, so that every student's plan goes over to the new one. You see first what changes.
        </p>
        <ScoreDrop :file="file" @take="take" />
        <p v-if="busy" role="status">Comparing …</p>
        <p v-if="error" class="error" role="alert">{{ error }}</p>
        <section v-if="preview" class="found" aria-label="What differs">
            <h2>What differs</h2>
            <dl>
                <dt>Bars with other notes</dt>
                <dd>{{ preview.changed.length > 0 ? bars(preview.changed) : 'none' }}</dd>
                <dt>New bars</dt>
                <dd>{{ preview.added.length > 0 ? bars(preview.added) : 'none' }}</dd>
                <dt>Bars that are gone</dt>
                <dd>{{ preview.removed.length > 0 ? bars(preview.removed) : 'none' }}</dd>
            </dl>
            <h2>The plans made on it</h2>
            <p v-if="preview.copies.length === 0" class="quiet">No student has this piece yet.</p>
            <ul>
                <li v-for="copy in preview.copies" :key="copy.student">
                    <strong>{{ copy.student }}</strong>: {{ copy.kept }} {{ copy.kept === 1 ? 'mark goes' : 'marks go' }} over<template
                        v-if="copy.lost.length > 0"
                        >; no place is left for {{ copy.lost.join(', ') }}</template
                    >.
                </li>
            </ul>
            <DrawnCheck v-if="sentForm" :form="sentForm" />
            <a-button type="primary" size="large" :loading="busy" @click="keep">Put this file in place</a-button>
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

.found {
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

dd,
ul {
    margin: 0;
}
</style>

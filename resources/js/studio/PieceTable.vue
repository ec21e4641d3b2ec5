<script setup lang="ts">
import { Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import DraftInput from '../support/DraftInput.vue';
import PieceFilter from './PieceFilter.vue';
import { ANYTHING, choices, found, type Wanted } from './repertoire';
import type { PieceItem, StudentItem } from './types';
import { lengthInWords } from './words';

/** The teacher's pieces: found, tagged, given to several students. */
const props = defineProps<{ pieces: PieceItem[]; students: StudentItem[] }>();

const wanted = ref<Wanted>({ ...ANYTHING });
const shown = computed(() => found(props.pieces, wanted.value));
const options = computed(() => choices(props.pieces));

/** The piece that is being given, and to whom. */
const giving = ref<PieceItem | null>(null);
const chosen = ref<number[]>([]);
const without = computed(() => props.students.filter(({ copies }) => !copies.some(({ piece }) => piece === giving.value?.id)));

function give(): void {
    if (!giving.value) return;
    router.post(`/pieces/${giving.value.id}/copies`, { students: chosen.value }, { preserveScroll: true, onSuccess: () => (giving.value = null) });
}

function setTags(piece: PieceItem, said: string): void {
    const tags = [...new Set(said.split(',').map((tag) => tag.trim().slice(0, 40)))].filter(Boolean).slice(0, 20);
    router.put(`/pieces/${piece.id}/tags`, { tags }, { preserveScroll: true, preserveState: true });
}
</script>

<template>
    <PieceFilter v-if="pieces.length > 0" :wanted="wanted" :options="options" :count="shown.length" @change="(what) => (wanted = { ...wanted, ...what })" />
    <div class="wide">
        <table class="pieces">
            <thead>
                <tr>
                    <th scope="col">Title</th>
                    <th scope="col">Key</th>
                    <th scope="col">Metre</th>
                    <th scope="col">Bars</th>
                    <th scope="col">Tempo</th>
                    <th scope="col">Length</th>
                    <th scope="col">Hands</th>
                    <th scope="col">Trains; your tags</th>
                    <th scope="col"><span class="visually-hidden">Actions</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="piece in shown" :key="piece.id">
                    <th scope="row">{{ piece.title }}</th>
                    <td>{{ piece.summary.key }}</td>
                    <td>{{ piece.summary.metres.join(', ') }}</td>
                    <td>{{ piece.summary.bars }}</td>
                    <td>♩ = {{ piece.summary.tempo }}</td>
                    <td>{{ lengthInWords(piece.summary.seconds) }}</td>
                    <td>{{ piece.summary.difficulty ?? '—' }}</td>
                    <td class="trains">
                        {{ (piece.summary.trains ?? []).join(', ') }}
                        <DraftInput
                            :value="piece.tags.join(', ')"
                            placeholder="tags, by comma"
                            maxlength="400"
                            :aria-label="`Tags of ${piece.title}`"
                            @said="(said) => setTags(piece, said)"
                        />
                    </td>
                    <td class="end">
                        <a-dropdown :trigger="['click']">
                            <a-button size="small" :aria-label="`What to do with ${piece.title}`">…</a-button>
                            <template #overlay>
                                <a-menu>
                                    <a-menu-item
                                        @click="
                                            giving = piece;
                                            chosen = [];
                                        "
                                        >Give to students</a-menu-item
                                    >
                                    <a-menu-item><Link :href="`/pieces/${piece.id}/replacement`">Corrected file</Link></a-menu-item>
                                </a-menu>
                            </template>
                        </a-dropdown>
                        <a-popconfirm
                            :title="`Remove “${piece.title}” and every student's copy of it?`"
                            ok-text="Remove"
                            cancel-text="Keep"
                            @confirm="router.delete(`/pieces/${piece.id}`, { preserveScroll: true })"
                        >
                            <a-button size="small" :aria-label="`Remove ${piece.title}`">Remove</a-button>
                        </a-popconfirm>
                    </td>
                </tr>
            </tbody>
        </table>
    </div>
    <p v-if="pieces.length === 0" class="quiet">No piece yet. Add one as MusicXML, compressed or plain.</p>
    <p v-else-if="shown.length === 0" class="quiet">No piece is all of that.</p>
    <a-modal
        :open="giving !== null"
        :title="`Give “${giving?.title}” to`"
        ok-text="Give"
        cancel-text="Cancel"
        :ok-button-props="{ disabled: chosen.length === 0 }"
        @ok="give"
        @cancel="giving = null"
    >
        <p v-if="without.length === 0">Every student has it.</p>
        <label v-for="student in without" :key="student.id" class="student"
            ><input v-model="chosen" type="checkbox" :value="student.id" /> {{ student.name }}</label
        >
        <p class="quiet">Each gets a copy with a fresh plan. A plan made for another student is given from the student's card.</p>
    </a-modal>
</template>

<style scoped>
.wide {
    position: relative;
    overflow-x: auto;
}

.pieces {
    width: 100%;
    border-collapse: collapse;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.pieces th,
.pieces td {
    padding: 8px 12px;
    text-align: left;
    border-bottom: 1px solid var(--line);
    font-weight: 400;
}

.pieces thead th {
    color: var(--quiet);
    font-size: 0.9rem;
}

.pieces tbody th {
    font: 600 1.02rem var(--serif);
}

.trains {
    font-size: 0.95rem;
}

.trains input {
    display: block;
    width: 100%;
    margin-top: 3px;
    padding: 1px 6px;
    font: inherit;
    color: var(--lake);
    background: transparent;
    border: 1px solid transparent;
    border-radius: 5px;
}

.trains input:hover,
.trains input:focus {
    background: #fff;
    border-color: #b9b29f;
}

.pieces .end {
    white-space: nowrap;
    text-align: right;
}

.end button {
    margin-left: 6px;
}

.student {
    display: flex;
    gap: 8px;
    padding: 4px 0;
}
</style>

<script setup lang="ts">
import { Link } from '@inertiajs/vue3';
import { ref } from 'vue';
import DraftInput from '../support/DraftInput.vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { LessonPiece, Point } from './lessons';

/** Points of a lesson of one kind, each perhaps at a bar of a piece. */
const props = defineProps<{ title: string; points: Point[]; pieces: LessonPiece[]; placeholder: string; settles?: boolean }>();
const emit = defineEmits<{
    add: [point: { text: string; student_copy_id: number | null; measure: string | null }];
    change: [point: Point, what: { text?: string; settled?: boolean }];
    remove: [point: Point];
}>();

const text = ref('');
const piece = ref<number>(props.pieces[0]?.copy ?? 0);
const bar = ref('');
const wrong = ref('');

const pieceOf = (point: Point): LessonPiece | undefined => props.pieces.find(({ copy }) => copy === point.copy);
const barOf = (point: Point): string => pieceOf(point)?.bars.find(({ id }) => id === point.measure)?.number ?? '';
const indexOf = (point: Point): number => pieceOf(point)?.bars.findIndex(({ id }) => id === point.measure) ?? 0;

function add(): void {
    const said = text.value.trim();
    if (said === '') return;
    const measure =
        bar.value.trim() === ''
            ? null
            : (props.pieces.find(({ copy }) => copy === piece.value)?.bars.find(({ number }) => number === bar.value.trim())?.id ?? '');
    if (measure === '') {
        wrong.value = `There is no bar ${bar.value}.`;
        return;
    }
    wrong.value = '';
    emit('add', { text: said, student_copy_id: piece.value || null, measure });
    text.value = '';
    bar.value = '';
}

const options = [{ value: 0, label: 'no piece' }, ...props.pieces.map(({ copy, title }) => ({ value: copy, label: title }))];

function rename(point: Point, said: string): void {
    if (said !== '') emit('change', point, { text: said });
}
</script>

<template>
    <section :aria-label="title">
        <h2>{{ title }}</h2>
        <ul>
            <li v-for="point in points" :key="point.id" :class="{ settled: point.settled }">
                <input
                    v-if="settles"
                    type="checkbox"
                    :checked="point.settled"
                    :aria-label="`Settled: ${point.text}`"
                    @change="emit('change', point, { settled: !point.settled })"
                />
                <Link v-if="pieceOf(point)" :href="`/copies/${point.copy}${point.measure ? `?bar=${indexOf(point)}` : ''}`" class="where"
                    >{{ pieceOf(point)?.title }}<template v-if="point.measure">, bar {{ barOf(point) }}</template></Link
                >
                <DraftInput class="text" :value="point.text" maxlength="1000" aria-label="Words of a point" @said="(said) => rename(point, said)" />
                <a-button size="small" type="text" :aria-label="`Remove: ${point.text}`" @click="emit('remove', point)">✕</a-button>
            </li>
        </ul>
        <form @submit.prevent="add">
            <ChoiceSelect :value="piece" :options="options" :label="`Piece, ${title}`" @choose="(copy) => (piece = copy)" />
            <input v-if="piece !== 0" v-model="bar" class="bar" placeholder="bar" :aria-label="`Bar, ${title}`" />
            <input v-model="text" class="text" :placeholder="placeholder" maxlength="1000" :aria-label="`Words, ${title}`" />
            <a-button html-type="submit">Add</a-button>
        </form>
        <p v-if="wrong" role="alert" class="error">{{ wrong }}</p>
    </section>
</template>

<style scoped>
ul {
    margin: 0 0 8px;
    padding: 0;
    list-style: none;
}

li,
form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    padding: 3px 0;
}

.where {
    flex: none;
    color: var(--lake);
}

li {
    flex-wrap: nowrap;
}

.text {
    flex: 1 1 200px;
    min-width: 0;
}

input:not([type='checkbox']) {
    min-height: 32px;
    padding: 3px 8px;
    font: inherit;
    color: var(--ink);
    background: var(--sheet);
    border: 1px solid #b9b29f;
    border-radius: 6px;
}

li .text {
    border-color: transparent;
    background: transparent;
}

li .text:hover,
li .text:focus {
    border-color: #b9b29f;
    background: var(--sheet);
}

.bar {
    width: 58px;
}

.settled .text {
    text-decoration: line-through;
    color: var(--quiet);
}

.error {
    color: var(--rust);
}

@media (max-width: 600px) {
    li {
        flex-wrap: wrap;
    }
}
</style>

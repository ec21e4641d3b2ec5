<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { HandoutData } from './handout';

const props = defineProps<{ handout: HandoutData }>();
const emit = defineEmits<{ changed: [] }>();

const NAMES: Record<string, string> = {
    read: 'which hand',
    tune: 'the tune with rings, lines inside in brackets',
    harmonies: 'harmonies',
    count: 'the count of hard bars',
    hand: 'fingers that are printed or yours',
    'all-fingers': 'planned fingers, all of them',
    'changing-fingers': 'planned fingers where the hand moves',
    touch: 'touch: slurs, signs, breaths, gestures',
    shape: 'dynamics',
    phrases: 'phrases and their goals',
    played: 'dynamics as they are played',
    balance: 'layers in words',
    pedal: 'pedal',
    time: 'tempo words, slowings, fermatas',
    timing: 'where time is taken and given back',
    words: 'words and images',
    notes: 'notes beside their bars',
};
const PAPERS: { value: HandoutData['paper']; label: string }[] = [
    { value: 'a4', label: 'A4' },
    { value: 'letter', label: 'Letter' },
];
const SIZES: { value: HandoutData['size']; label: string }[] = [
    { value: 'small', label: 'small' },
    { value: 'usual', label: 'usual' },
    { value: 'large', label: 'large' },
    { value: 'very-large', label: 'very large' },
];

function save(change: Partial<Pick<HandoutData, 'show' | 'size' | 'paper' | 'landscape'>>): void {
    const { copy, show, size, paper, landscape } = { ...props.handout, ...change };
    router.patch(`/copies/${copy}/handout`, { show, size, paper, landscape }, { preserveScroll: true, preserveState: true, onSuccess: () => emit('changed') });
}

function turn(craft: string): void {
    const { show, all } = props.handout;
    save({ show: all.filter((one) => (one === craft ? !show.includes(one) : show.includes(one))) });
}
</script>

<template>
    <a-popover trigger="click" placement="bottomRight">
        <a-button>What it shows</a-button>
        <template #content>
            <div class="shown" role="group" aria-label="What it shows">
                <label v-for="craft in handout.all" :key="craft"
                    ><input type="checkbox" :checked="handout.show.includes(craft)" @change="turn(craft)" /> {{ NAMES[craft] ?? craft }}</label
                >
                <div class="size">
                    <span>Size of print</span>
                    <ChoiceSelect :value="handout.size" :options="SIZES" label="Size of print" @choose="(size) => save({ size })" />
                    <span>Paper</span>
                    <ChoiceSelect :value="handout.paper" :options="PAPERS" label="Paper" @choose="(paper) => save({ paper })" />
                </div>
                <label><input type="checkbox" :checked="handout.landscape" @change="save({ landscape: !handout.landscape })" /> landscape</label>
                <p class="quiet">On paper and at home; downloaded files hold everything.</p>
            </div>
        </template>
    </a-popover>
</template>

<style scoped>
.shown {
    display: grid;
    gap: 6px;
    width: 320px;
    max-height: 70vh;
    overflow-y: auto;
}

@media print {
    .shown {
        display: none;
    }
}

label {
    display: flex;
    gap: 8px;
}

.size :deep(select) {
    width: 100%;
    min-width: 0;
}

.size {
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    gap: 6px 10px;
    align-items: center;
    margin-top: 6px;
}

p {
    margin: 0;
}
</style>

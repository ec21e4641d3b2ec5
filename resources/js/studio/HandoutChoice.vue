<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import ChoiceSelect from '../support/ChoiceSelect.vue';

/** What of the plan a marked copy shows, and how large it is printed. */
export interface HandoutData {
    copy: number;
    /** Names of crafts: those that are shown, and all that write something. */
    show: string[];
    all: string[];
    size: 'small' | 'usual' | 'large' | 'very-large';
}

const props = defineProps<{ handout: HandoutData }>();
const emit = defineEmits<{ changed: [] }>();

const NAMES: Record<string, string> = {
    read: 'which hand',
    hand: 'fingers',
    touch: 'touch: slurs, signs, breaths, gestures',
    shape: 'dynamics and goals',
    balance: 'layers in words',
    pedal: 'pedal',
    time: 'time: slowings, fermatas',
    words: 'words and images',
};
const SIZES: { value: HandoutData['size']; label: string }[] = [
    { value: 'small', label: 'small' },
    { value: 'usual', label: 'usual' },
    { value: 'large', label: 'large' },
    { value: 'very-large', label: 'very large' },
];

function save(change: Partial<Pick<HandoutData, 'show' | 'size'>>): void {
    const { copy, show, size } = { ...props.handout, ...change };
    router.patch(`/copies/${copy}/handout`, { show, size }, { preserveScroll: true, preserveState: true, onSuccess: () => emit('changed') });
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
            <div class="choice" role="group" aria-label="What it shows">
                <label v-for="craft in handout.all" :key="craft"
                    ><input type="checkbox" :checked="handout.show.includes(craft)" @change="turn(craft)" /> {{ NAMES[craft] ?? craft }}</label
                >
                <div class="size">
                    <span>Size of print</span>
                    <ChoiceSelect :value="handout.size" :options="SIZES" label="Size of print" @choose="(size) => save({ size })" />
                </div>
                <p class="quiet">On paper and at home; downloaded files hold everything.</p>
            </div>
        </template>
    </a-popover>
</template>

<style scoped>
.choice {
    display: grid;
    gap: 6px;
    width: 300px;
}

label {
    display: flex;
    gap: 8px;
}

.size {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 10px;
    align-items: center;
    margin-top: 6px;
}

p {
    margin: 0;
}
</style>

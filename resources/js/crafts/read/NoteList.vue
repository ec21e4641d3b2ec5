<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { ReadNote } from '@generated/read';
import { isGiven } from './edits';
import { LAYERS, UNSURE } from './layers';
import type { CorrectionActions } from './useCorrections';

/** The notes struck at the cursor with their layers and hands, which the teacher may decide. */
const props = defineProps<{ corrections: CorrectionActions }>();

const LAYER_OPTIONS = LAYERS.map(({ layer, label }) => ({ value: layer, label }));
const HANDS: { value: ReadNote['hand']; label: string }[] = [
    { value: 'right', label: 'right' },
    { value: 'left', label: 'left' },
];

function isOwn(id: string): boolean {
    return isGiven(props.corrections.own.value, id, 'layer') || isGiven(props.corrections.own.value, id, 'hand');
}
</script>

<template>
    <p v-if="corrections.notes.value.length === 0" class="quiet">Nothing is struck here.</p>
    <ul class="notes">
        <li
            v-for="(one, index) in corrections.notes.value"
            :key="one.id"
            :class="{ selected: index === corrections.selected.value }"
            @click="corrections.select(index)"
        >
            <strong class="name">{{ one.name }}</strong>
            <ChoiceSelect
                :value="one.layer"
                :options="LAYER_OPTIONS"
                :label="`Layer of ${one.name}`"
                @choose="(value) => corrections.giveLayer(value, [one])"
            />
            <ChoiceSelect :value="one.hand" :options="HANDS" :label="`Hand of ${one.name}`" @choose="(value) => corrections.giveHand(value, [one])" />
            <button
                v-if="isOwn(one.id)"
                type="button"
                class="own"
                :aria-label="`Read ${one.name} again`"
                title="Yours; read it again"
                @click.stop="corrections.restore(one)"
            >
                ↺
            </button>
            <span v-else-if="one.confidence < UNSURE" class="unsure" :title="`read with ${Math.round(100 * one.confidence)} % confidence`">unsure</span>
        </li>
    </ul>
    <a-checkbox v-if="corrections.notes.value.length > 0" :checked="corrections.wholeLine.value" @change="corrections.toggleWholeLine"
        >the same line to the end of the bar</a-checkbox
    >
</template>

<style scoped>
.notes {
    margin: 2px 0 6px;
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 2px 6px;
    border-left: 3px solid transparent;
}

.selected {
    border-left-color: var(--lake);
    background: var(--paper);
}

.name {
    min-width: 34px;
}

li :deep(select) {
    min-height: 28px;
    padding-block: 1px;
}

.own {
    padding: 0 6px;
    font: inherit;
    color: var(--lake);
    background: none;
    border: 0;
    cursor: pointer;
}

.unsure {
    font-size: 0.87em;
    color: var(--amber);
}
</style>

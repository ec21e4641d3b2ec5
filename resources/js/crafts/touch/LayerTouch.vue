<script setup lang="ts">
import { computed, ref } from 'vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { Desk } from '../../desk/useDesk';
import { ARTICULATIONS, type Articulation } from './edits';
import type { Layer, TouchState } from './useTouch';

/** One way of leaving the notes of a whole layer: "filling: let go". */
const props = defineProps<{ state: TouchState; desk: Desk }>();

const LAYERS: { value: Layer; label: string }[] = [
    { value: 'melody', label: 'melody' },
    { value: 'inner', label: 'inner line' },
    { value: 'filling', label: 'filling' },
    { value: 'bass', label: 'bass' },
];
const WAYS = ARTICULATIONS.map(({ articulation, label }) => ({ value: articulation, label: label.toLowerCase() }));

const layer = ref<Layer>('filling');
const way = ref<Articulation>('non-legato');
const isRange = computed(() => props.desk.selection.value.isRange);
const count = computed(() => props.state.ofLayer(layer.value, !isRange.value).length);
const where = computed(() => (isRange.value ? 'in the selected bars' : 'in the whole piece'));
</script>

<template>
    <section role="group" aria-label="A whole layer">
        <h3>A whole layer</h3>
        <div class="row">
            <ChoiceSelect :value="layer" :options="LAYERS" label="Layer" @choose="(value) => (layer = value)" />
            <ChoiceSelect :value="way" :options="WAYS" label="How its notes are left" @choose="(value) => (way = value)" />
        </div>
        <p class="quiet">{{ count === 0 ? 'No such notes' : count === 1 ? '1 note' : `${count} notes` }} {{ where }}.</p>
        <div class="row">
            <a-button :disabled="count === 0" @click="state.leaveLayer(layer, !isRange, way)">Leave them so</a-button>
            <a-button :disabled="count === 0" @click="state.leaveLayer(layer, !isRange, null)">Take it back</a-button>
        </div>
    </section>
</template>

<style scoped>
.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 4px 0;
}

p {
    margin: 0;
}
</style>

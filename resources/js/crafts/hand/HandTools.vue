<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { PlanDocument } from '../../types/generated/plan';

type School = NonNullable<PlanDocument['fingering']>;

defineProps<{ school: School }>();
defineEmits<{ choose: [school: School]; clear: []; compare: [] }>();

const SCHOOLS: { value: School; label: string }[] = [
    { value: 'ease', label: 'least effort' },
    { value: 'strength', label: 'strong fingers where it is loud' },
    { value: 'figure', label: 'one fingering for one figure' },
    { value: 'print', label: 'the print' },
];
</script>

<template>
    <label class="field">
        <span class="long">Fingers by</span>
        <ChoiceSelect :value="school" :options="SCHOOLS" label="Fingers by" @choose="(value) => $emit('choose', value)" />
    </label>
    <a-button class="tool" @click="$emit('compare')">Compare <kbd>A</kbd></a-button>
    <a-button class="tool" @click="$emit('clear')">Plan it again <kbd>0</kbd></a-button>
    <ul class="legend" aria-label="Fingers">
        <li><i class="planned">3</i> planned</li>
        <li><i class="printed">3</i> printed</li>
        <li><i class="teacher">3</i> yours</li>
        <li><b aria-hidden="true">‖</b> do not join</li>
    </ul>
</template>

<style scoped>
.legend {
    display: flex;
    gap: 12px;
    margin: 0 0 0 6px;
    padding: 0;
    list-style: none;
    color: var(--quiet);
}

i {
    display: inline-block;
    min-width: 15px;
    text-align: center;
    font: 600 13px var(--sans);
    color: #3d6f78;
}

.printed {
    font: italic 700 13.5px var(--serif);
    color: var(--ink);
}

.teacher {
    color: #fffdf8;
    background: var(--ink);
    border-radius: 3px;
}

b {
    color: var(--amber);
}
</style>

<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import { LAYERS } from './layers';
import { NAMINGS, type Naming } from '../../desk/naming';

defineProps<{ naming: Naming }>();
defineEmits<{ name: [naming: Naming]; phrase: [] }>();
</script>

<template>
    <label class="field">
        <span>Harmony as</span>
        <ChoiceSelect :value="naming" :options="NAMINGS" label="Harmony as" @choose="(value) => $emit('name', value)" />
    </label>
    <a-button class="tool" @click="$emit('phrase')">Phrase begins here, or not <kbd>B</kbd></a-button>
    <span class="gap" />
    <ul class="legend" aria-label="Layers on the note heads">
        <li v-for="{ layer, label } in LAYERS" :key="layer"><i :class="`head-${layer}`" /> {{ label }}</li>
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

.legend li {
    display: flex;
    align-items: center;
    gap: 5px;
}
</style>

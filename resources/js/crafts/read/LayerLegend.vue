<script setup lang="ts">
import { LAYERS } from './layers';
</script>

<template>
    <ul class="legend" aria-label="Layers on the note heads">
        <li v-for="{ layer, label } in LAYERS" :key="layer"><i :class="`head-${layer}`" /> {{ label }}</li>
    </ul>
</template>

<style scoped>
.legend {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    margin: 0 0 6px;
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

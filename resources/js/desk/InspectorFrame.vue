<script setup lang="ts">
import TwinMarks from './TwinMarks.vue';
import type { MeasureData } from './useDesk';

/** What stands beside the score about one bar; the craft in front fills it with sections. */
defineProps<{ bar: MeasureData; about: string }>();
</script>

<template>
    <aside class="inspector" aria-label="Bar inspector">
        <h2>{{ bar.number === '0' ? 'Upbeat' : `Bar ${bar.number}` }}</h2>
        <p class="quiet about">{{ about }}</p>
        <slot />
        <TwinMarks />
    </aside>
</template>

<style scoped>
.inspector {
    width: var(--inspector);
    flex: none;
    overflow-y: auto;
    padding: 14px 18px 24px;
    background: var(--sheet);
    border-left: 1px solid var(--line);
}

.about {
    margin: 2px 0 0;
}

:slotted(section) {
    margin-top: 16px;
}
</style>

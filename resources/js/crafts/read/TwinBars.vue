<script setup lang="ts">
import { computed } from 'vue';
import type { Laid } from '../../engraving/layout';

/** Shades the bars of a line that are like the current one. */
const props = defineProps<{ laid: Laid; bars: ReadonlySet<string> }>();

const shades = computed(() =>
    props.laid.system.measures
        .filter(({ id }) => props.bars.has(id))
        .map(({ id, left, right }) => ({
            id,
            left: `${(100 * left) / props.laid.system.width}%`,
            width: `${(100 * (right - left)) / props.laid.system.width}%`,
        })),
);
</script>

<template>
    <div v-for="{ id, left, width } in shades" :key="id" class="twin" :style="{ left, width }" aria-hidden="true" />
</template>

<style scoped>
.twin {
    position: absolute;
    top: 0;
    bottom: 10px;
    background: rgba(108, 74, 120, 0.1);
    border-inline: 2px dotted rgba(108, 74, 120, 0.55);
    pointer-events: none;
}
</style>

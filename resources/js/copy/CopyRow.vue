<script setup lang="ts">
import type { Drawn } from './shapes';

/** The shapes of one layer. */
defineProps<{ drawn: Drawn }>();
</script>

<template>
    <g>
        <template v-for="(shape, index) in drawn.shapes" :key="index">
            <path v-if="'path' in shape" :d="shape.path" :class="shape.look" />
            <text v-else :x="shape.x" :y="shape.y" :class="shape.look">{{ shape.text }}</text>
        </template>
    </g>
</template>

<style scoped>
path {
    fill: none;
    stroke: currentcolor;
    stroke-width: 0.9;
    stroke-linejoin: round;
}

.bold {
    stroke-width: 1.3;
}

.dashed {
    stroke-dasharray: 3 2;
}

.filled {
    fill: currentcolor;
}

text {
    font: 9.5px var(--serif);
    fill: currentcolor;
}

text.italic {
    font-style: italic;
}

text.bold {
    font-style: italic;
    font-weight: 700;
}

text.small {
    font: 8.5px var(--sans);
}
</style>

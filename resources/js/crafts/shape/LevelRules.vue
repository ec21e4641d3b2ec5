<script setup lang="ts">
import type { Laid } from '../../engraving/layout';
import { levelY } from './curves';
import { velocityOf } from './words';

/** The ground of a lane of levels, with a rule for every other dynamic. */
const props = defineProps<{ laid: Laid; height: number }>();

const rules = (['pp', 'p', 'mf', 'f', 'ff'] as const).map((name) => ({ name, y: levelY(velocityOf(name), props.height) }));
</script>

<template>
    <rect :x="laid.left" y="0" :width="laid.right - laid.left" :height="height" class="ground" />
    <g v-for="{ name, y } in rules" :key="name">
        <line :x1="laid.left" :x2="laid.right" :y1="y" :y2="y" />
        <text :x="laid.left - 4" :y="y + 4">{{ name }}</text>
    </g>
</template>

<style scoped>
.ground {
    fill: #fbf9f3;
    stroke: var(--line);
}

line {
    stroke: #e6e0d0;
    stroke-dasharray: 2 4;
}

text {
    font: italic 600 11px var(--serif);
    fill: var(--quiet);
    text-anchor: end;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import WordsOverLine from '../../desk/WordsOverLine.vue';
import { layArches } from './curves';
import type { ShapeState } from './useShape';
import { grades, signedGrades } from './words';

/** Above a line: where each phrase grows to and how far. The goal can be dragged along and up and down. */
const props = defineProps<LineProps<ShapeState>>();

const HEIGHT = 58;
const BASE = 52;
const ROOM = 40;

const arches = computed(() => layArches(props.laid, props.state.shape.value?.phrases ?? [], BASE, ROOM));
</script>

<template>
    <WordsOverLine :laid="laid" :words="state.words.placed.value" title="Words for this line" />
    <svg v-if="state.shape.value" class="arches" :viewBox="`0 0 ${laid.system.width} ${HEIGHT}`" role="img" aria-label="Phrases of this line and their goals">
        <g
            v-for="{ phrase, path, goal, foot } in arches"
            :key="phrase.index"
            :class="{ own: phrase.own, climax: phrase.climax, current: phrase.index === state.phrase.value?.index }"
        >
            <path class="arch" :d="path" />
            <text v-if="foot !== null && Math.abs(phrase.level) >= 0.5" :x="foot + 4" :y="BASE - 24">{{ signedGrades(phrase.level) }}</text>
            <g v-if="goal" class="goal" :transform="`translate(${goal.x} ${goal.y})`" @pointerdown.stop="state.dragGoal(phrase, $event)" @click.stop>
                <circle class="grip" r="14" />
                <path v-if="phrase.ownGoal" class="knob" d="M0 -6 L6 0 L0 6 L-6 0 Z" />
                <circle v-else class="ring" r="4.5" />
            </g>
            <title>
                {{ `To ${phrase.goalName}: grows by ${grades(phrase.rise)}, falls by ${grades(phrase.fall)}${phrase.manner ? `; ${phrase.manner}` : ''}` }}
            </title>
        </g>
    </svg>
</template>

<style scoped>
.arches {
    display: block;
    width: 100%;
    margin-bottom: -6px;
}

.arch {
    fill: none;
    stroke: #4d7a80;
    stroke-width: 1.4;
}

.own .arch {
    stroke: var(--lake);
    stroke-width: 2.6;
}

.current .arch {
    stroke-width: 3;
}

.climax .arch {
    stroke: var(--heather);
}

text {
    font: 600 13px var(--serif);
    fill: var(--quiet);
}

.goal {
    cursor: grab;
    touch-action: none;
}

.grip {
    fill: transparent;
}

.ring {
    fill: var(--sheet);
    stroke: #4d7a80;
    stroke-width: 1.6;
}

.knob {
    fill: var(--lake);
}

.climax .ring {
    fill: var(--heather);
    stroke: var(--heather);
}

.climax .knob {
    fill: var(--heather);
}
</style>

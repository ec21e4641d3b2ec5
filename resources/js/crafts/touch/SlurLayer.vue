<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { layArcs, layCommas } from './slurs';
import type { TouchState } from './useTouch';

/** The slurs of a line as they are to be played, in place of the engraved ones; their ends can be dragged. With them the teacher's commas. */
const props = defineProps<LineProps<TouchState>>();

const arcs = computed(() => layArcs(props.laid, props.state.touch.value?.slurs ?? [], props.state.byNote.value));
const commas = computed(() =>
    layCommas(
        props.laid,
        props.state.commas.value.map(({ note }) => note),
        props.state.byNote.value,
    ),
);
</script>

<template>
    <svg v-if="state.touch.value" class="slurs" :viewBox="`0 0 ${laid.system.width} ${laid.system.height}`" role="img" aria-label="Slurs of this line">
        <g v-for="arc in arcs" :key="`${arc.slur.from} ${arc.slur.to}`" :class="{ own: !arc.slur.printed, current: arc.slur === state.current.value }">
            <path :d="arc.path" />
            <template v-for="end in ['from', 'to'] as const" :key="end">
                <g
                    v-if="arc[end]"
                    class="end"
                    :transform="`translate(${arc[end].x} ${arc[end].y})`"
                    @pointerdown.stop="state.dragSlur(arc.slur, end, $event)"
                    @click.stop
                >
                    <circle class="grip" r="13" />
                    <path v-if="!arc.slur.printed" class="knob" d="M0 -4.5 L4.5 0 L0 4.5 L-4.5 0 Z" />
                    <rect v-else class="knob" x="-2.6" y="-2.6" width="5.2" height="5.2" />
                </g>
            </template>
            <title>{{ arc.slur.printed ? 'Printed slur' : 'Your slur' }}: drag an end to move it</title>
        </g>
        <text v-for="{ note, x, y } in commas" :key="note" :x="x" :y="y" class="comma">,</text>
    </svg>
</template>

<style scoped>
.slurs {
    position: absolute;
    top: 0;
    left: 0;
    width: 100%;
    overflow: visible;
    pointer-events: none;
}

path {
    fill: none;
    stroke: #4c4a44;
    stroke-width: 1.5;
    stroke-linecap: round;
}

.own path {
    stroke: var(--lake);
    stroke-width: 2.4;
}

.current > path {
    stroke-width: 3;
}

.comma {
    font: bold 30px var(--serif);
    fill: var(--lake);
}

.end {
    pointer-events: all;
    cursor: ew-resize;
    touch-action: none;
}

.grip {
    fill: transparent;
}

.knob,
.own .knob {
    fill: #4c4a44;
    stroke: none;
    opacity: 0.55;
}

.own .knob {
    fill: var(--lake);
    opacity: 1;
}

.end:hover .knob,
.current .knob {
    opacity: 1;
}
</style>

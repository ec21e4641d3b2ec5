<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { layDigits } from './digits';
import type { HandState } from './useHand';

/** Fingers over and under the notes of a line; own, printed and planned ones told apart. */
const props = defineProps<LineProps<HandState>>();

const { hands } = props.state;
const selected = computed(() => props.state.note.value?.note ?? null);

/** By the print alone, nothing is suggested. */
const digits = computed(() =>
    layDigits(props.laid, props.state.byNote.value).filter(({ finger }) => props.state.school.value !== 'print' || finger.source !== 'planned'),
);

/** Notes that are played in another octave than they are written. */
const moved = computed(() =>
    props.state.octaves.value.flatMap(({ notes, octaves }) =>
        notes.flatMap((note) => {
            const head = props.laid.system.notes[note];
            return head ? [{ note, x: head.x - 9, y: head.y + 4, text: octaves > 0 ? '↑8' : '↓8' }] : [];
        }),
    ),
);

/** Where fingers do not join: a gap between the two notes. */
const gaps = computed(() =>
    (hands.value?.joints ?? []).flatMap((joint) => {
        const from = props.laid.system.notes[joint.from];
        const to = props.laid.system.notes[joint.to];
        return from && to && to.x > from.x ? [{ joint, x: (from.x + to.x) / 2 + 4.5, y: (from.y + to.y) / 2 }] : [];
    }),
);
</script>

<template>
    <svg v-if="hands" class="fingers" :viewBox="`0 0 ${laid.system.width} ${laid.system.height}`" role="img" aria-label="Fingers of this line">
        <g v-for="gap in gaps" :key="`${gap.joint.from} ${gap.joint.to}`" class="gap">
            <path :d="`M${gap.x - 3} ${gap.y - 6} v12 M${gap.x + 2} ${gap.y - 6} v12`" />
            <title>{{ gap.joint.kind === 'pedal' ? 'Only the pedal joins these' : 'A silent change of finger joins these' }}</title>
        </g>
        <text v-for="{ note, x, y, text } in moved" :key="`octave ${note}`" class="octave" :x="x" :y="y">{{ text }}</text>
        <g v-for="{ finger, x, y } in digits" :key="finger.note" :class="[finger.source, { selected: finger.note === selected }]">
            <rect
                v-if="finger.source === 'teacher' || finger.source === 'kept' || finger.note === selected"
                :x="x - 6.5 - (finger.finger.length - 1) * 3"
                :y="y - 11"
                :width="13 + (finger.finger.length - 1) * 6"
                height="13"
                rx="3"
            />
            <text :x="x" :y="y">{{ finger.finger }}</text>
        </g>
    </svg>
</template>

<style scoped>
.fingers {
    position: absolute;
    top: 0;
    left: 0;
    width: 100%;
    overflow: visible;
    pointer-events: none;
}

text {
    font: 600 12px var(--sans);
    text-anchor: middle;
    fill: #3d6f78;
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 3px;
}

.octave {
    fill: var(--rust);
}

.printed text {
    font: italic 700 12.5px var(--serif);
    fill: var(--ink);
}

.teacher text,
.kept text {
    fill: #fffdf8;
    stroke: none;
}

.teacher rect,
.kept rect {
    fill: var(--ink);
}

.selected rect {
    stroke: var(--amber);
    stroke-width: 2;
}

.selected:not(.teacher, .kept) rect {
    fill: none;
}

.gap path {
    stroke: var(--amber);
    stroke-width: 1.4;
}
</style>

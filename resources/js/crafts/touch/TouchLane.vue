<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { layLengths } from './lengths';
import type { TouchState } from './useTouch';

/** Under a line, hand by hand: from striking a key to leaving it, and behind it what the pedal lets sound on. */
const props = defineProps<LineProps<TouchState>>();

/** The keys of this line, and the line before it, whose sound may go on. */
const lengths = computed(() => props.state.touch.value?.lengths ?? []);

const HEIGHT = 46;
const GAP = 8;

const hands = computed(() => [
    { hand: 'right' as const, top: 2, keys: layLengths(props.laid, lengths.value, 'right', HEIGHT) },
    { hand: 'left' as const, top: HEIGHT + GAP, keys: layLengths(props.laid, lengths.value, 'left', HEIGHT) },
]);

const flagged = computed(() => new Map((props.state.touch.value?.findings ?? []).flatMap((finding) => finding.notes.map((note) => [note, finding] as const))));
</script>

<template>
    <svg v-if="state.touch.value" class="touch" :viewBox="`0 0 ${laid.system.width} ${2 * HEIGHT + GAP + 4}`" role="img" aria-label="Key lengths of this line">
        <g v-for="{ hand, top, keys } in hands" :key="hand" :class="hand" :transform="`translate(0 ${top})`">
            <rect :x="laid.left" y="0" :width="laid.right - laid.left" :height="HEIGHT" class="ground" />
            <line v-for="key in keys" :key="`tail ${key.length.note}`" :x1="key.left" :x2="key.heard" :y1="key.y" :y2="key.y" class="tail" />
            <g v-for="key in keys" :key="key.length.note" :class="{ own: key.length.own }">
                <line :x1="key.x" :x2="key.left" :y1="key.y" :y2="key.y" class="held" />
                <path v-if="flagged.has(key.length.note)" class="flag" :d="`M${key.left + 5} ${key.y - 7} l4 7 h-8 z`" />
                <title>{{ `${key.length.name}, ${key.length.ms} ms: ${flagged.get(key.length.note)?.reason ?? key.length.reason}` }}</title>
            </g>
        </g>
    </svg>
</template>

<style scoped>
.touch {
    display: block;
    width: 100%;
}

.ground {
    fill: #fbf9f3;
    stroke: var(--line);
}

.held {
    stroke-width: 5;
}

.tail {
    stroke-width: 2;
    stroke-dasharray: 3 3;
}

.right line {
    stroke: #2d7d8a;
}

.left line {
    stroke: #8a6a96;
}

.own .held {
    stroke: var(--ink);
    stroke-width: 6.5;
}

.flag {
    fill: var(--amber);
}
</style>

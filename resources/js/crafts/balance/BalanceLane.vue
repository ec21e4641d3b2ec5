<script setup lang="ts">
import { computed } from 'vue';
import type { LineProps } from '../../desk/craft';
import { LAYERS } from '../read/layers';
import { layLevels, steps } from '../shape/curves';
import LevelRules from '../shape/LevelRules.vue';
import { layBands } from './lanes';
import type { BalanceState } from './useBalance';

/** Under a line: how loud each layer is, and how far the notes of the melody and of inner lines carry over the rest. */
const props = defineProps<LineProps<BalanceState>>();

const HEIGHT = 78;
const BAND = 12;
/** dB over all else from which an inner line is heard. */
const INNER = -9;

const levels = computed(() => props.state.shape.value?.levels ?? []);
const layers = computed(() =>
    LAYERS.map(({ layer, label }) => {
        const points = layLevels(
            props.laid,
            levels.value.filter((level) => level.layer === layer),
            HEIGHT,
        );
        return { layer, label, points, path: steps(points, props.laid.right) };
    }),
);

const bands = computed(() =>
    (['melody', 'inner'] as const).map((layer, index) => ({
        layer,
        label: layer === 'melody' ? 'heard' : 'inner',
        least: layer === 'melody' ? 0 : INNER,
        y: HEIGHT + 6 + index * (BAND + 3),
        notes: layBands(props.laid, props.state.balance.value?.audible ?? [], layer),
    })),
);
const shown = computed(() => bands.value.filter(({ notes }) => notes.length > 0));

const flagged = computed(
    () => new Map((props.state.balance.value?.findings ?? []).flatMap((finding) => finding.notes.map((note) => [note, finding] as const))),
);
</script>

<template>
    <svg
        v-if="state.balance.value"
        class="balance"
        :viewBox="`0 0 ${laid.system.width} ${HEIGHT + 8 + 2 * (BAND + 3)}`"
        role="img"
        aria-label="Levels of the layers of this line, and what is heard"
    >
        <LevelRules :laid="laid" :height="HEIGHT" />
        <g v-for="{ layer, label, points, path } in [...layers].reverse()" :key="layer" :class="layer">
            <path class="level" :d="path" />
            <circle v-for="{ level, x, y } in points" :key="level.note" :cx="x" :cy="y" r="2.4">
                <title>{{ `${label}, ${level.name}: ${level.grade}` }}</title>
            </circle>
        </g>
        <g v-for="{ layer, label, least, y, notes } in shown" :key="layer" class="band">
            <text class="name" :x="Math.max(0, laid.left - 32)" :y="y + BAND - 3">{{ label }}</text>
            <g v-for="{ note, x, end, lost } in notes" :key="note.note" :class="{ flagged: flagged.has(note.note), under: note.first < least }">
                <rect class="whole" :x="x" :y="y" :width="end - x" :height="BAND" />
                <rect class="over" :x="x" :y="y" :width="Math.max(0, lost - x)" :height="BAND" />
                <path v-if="flagged.has(note.note)" class="flag" :d="`M${lost} ${y - 1} l5 ${BAND + 2} h-10 z`" />
                <title>
                    {{
                        `${note.name}: ${note.first.toFixed(0)} dB over the rest when struck, ${note.middle.toFixed(0)} half way${note.lost === null ? '' : '; it goes under where the band ends'}` +
                        (flagged.has(note.note) ? `. ${flagged.get(note.note)!.reason}` : '')
                    }}
                </title>
            </g>
        </g>
    </svg>
</template>

<style scoped>
.balance {
    display: block;
    width: 100%;
    overflow: visible;
}

text {
    font: italic 600 11px var(--serif);
    fill: var(--quiet);
    text-anchor: end;
}

.name {
    font-size: 10px;
    text-anchor: start;
}

.level {
    fill: none;
    stroke-width: 1.8;
}

.melody {
    --tint: var(--layer-melody);
}

.bass {
    --tint: var(--layer-bass);
}

.inner {
    --tint: var(--layer-inner);
}

.filling {
    --tint: var(--layer-filling);
}

.level {
    stroke: var(--tint);
}

circle {
    fill: var(--tint);
}

.whole {
    fill: #efe9da;
    stroke: #cfc7b2;
    stroke-width: 0.6;
}

.over {
    fill: #7fb0b5;
}

.flagged .over {
    fill: #d9a55c;
}

.flag {
    fill: var(--amber);
}

.under .whole {
    stroke: var(--amber);
    stroke-width: 1.6;
}
</style>

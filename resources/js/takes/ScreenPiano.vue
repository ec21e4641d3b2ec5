<script setup lang="ts">
import { computed, ref } from 'vue';
import { keyDown, keyUp, pedalAt, type Message } from './messages';

/** Keys and a pedal to play on where there is no instrument: by mouse and finger, and by the computer's keys while it has the focus. */
const emit = defineEmits<{ message: [message: Message] }>();

/** Computer keys by semitones over the lowest C that is shown. */
const LETTERS = 'awsedftgyhujkolp';
const WHITE = [0, 2, 4, 5, 7, 9, 11];
const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];
const OCTAVES = 2;
const LOWEST = 24;
const HIGHEST = 84;

/** Velocities of a key that is struck at its upper end, at its lower end, and by the computer's keys. */
const SOFT = 40;
const LOUD = 112;
const TYPED = 72;

const base = ref(60);
const down = ref<ReadonlySet<number>>(new Set());
const depth = ref(0);

const keys = computed(() =>
    Array.from({ length: 12 * OCTAVES + 1 }, (_, place) => {
        const midi = base.value + place;
        const white = WHITE.includes(place % 12);
        const whites = Array.from({ length: place }, (_unused, before) => before).filter((before) => WHITE.includes(before % 12)).length;
        return { midi, white, x: white ? whites : whites - 0.3, name: `${NAMES[midi % 12]}${Math.floor(midi / 12) - 1}` };
    }),
);
const width = computed(() => keys.value.filter(({ white }) => white).length);

function strike(midi: number, velocity: number, at = performance.now()): void {
    if (down.value.has(midi)) return;
    down.value = new Set([...down.value, midi]);
    emit('message', keyDown(at, midi, Math.max(1, Math.min(127, Math.round(velocity)))));
}

function leave(midi: number, at = performance.now()): void {
    if (!down.value.has(midi)) return;
    down.value = new Set([...down.value].filter((one) => one !== midi));
    emit('message', keyUp(at, midi));
}

function press(share: number, at = performance.now()): void {
    const value = Math.round(127 * Math.max(0, Math.min(1, share)));
    if (value === Math.round(127 * depth.value)) return;
    depth.value = value / 127;
    emit('message', pedalAt(at, value));
}

function onPointer(event: PointerEvent, midi: number): void {
    const key = event.currentTarget as SVGElement;
    key.setPointerCapture(event.pointerId);
    const { top, height } = key.getBoundingClientRect();
    strike(midi, SOFT + ((LOUD - SOFT) * (event.clientY - top)) / height, event.timeStamp);
}

/** The further down it is pressed, the deeper. */
function onPedal(event: PointerEvent): void {
    const pedal = event.currentTarget as HTMLElement;
    if (event.type === 'pointerdown') pedal.setPointerCapture(event.pointerId);
    else if (event.buttons === 0) return;
    const { top, height } = pedal.getBoundingClientRect();
    press(0.2 + (event.clientY - top) / height, event.timeStamp);
}

const placeOf = ({ key }: KeyboardEvent): number => LETTERS.indexOf(key.toLowerCase());

function onKey(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey || event.key === 'Tab') return;
    const place = placeOf(event);
    if (place < 0 && ![' ', 'z', 'x'].includes(event.key.toLowerCase())) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.repeat) return;
    if (place >= 0) strike(base.value + place, TYPED, event.timeStamp);
    else if (event.key === ' ') press(1, event.timeStamp);
    else shift(event.key.toLowerCase() === 'z' ? -12 : 12);
}

function onKeyUp(event: KeyboardEvent): void {
    const place = placeOf(event);
    if (place >= 0) leave(base.value + place, event.timeStamp);
    else if (event.key === ' ') press(0, event.timeStamp);
    else return;
    event.preventDefault();
    event.stopPropagation();
}

function shift(by: number): void {
    letGo();
    base.value = Math.max(LOWEST, Math.min(HIGHEST, base.value + by));
}

function letGo(): void {
    for (const midi of down.value) leave(midi);
    press(0);
}
</script>

<template>
    <div class="screen-piano" tabindex="0" role="group" aria-label="Keys on the screen" @keydown="onKey" @keyup="onKeyUp" @blur="letGo">
        <div class="row">
            <a-button size="small" aria-label="An octave lower" @click="shift(-12)">‹</a-button>
            <span class="quiet">{{ keys[0]?.name }} to {{ keys.at(-1)?.name }}</span>
            <a-button size="small" aria-label="An octave higher" @click="shift(12)">›</a-button>
        </div>
        <svg :viewBox="`0 0 ${width * 20} 80`" preserveAspectRatio="none">
            <rect
                v-for="key in [...keys.filter(({ white }) => white), ...keys.filter(({ white }) => !white)]"
                :key="key.midi"
                :class="['key', { white: key.white, down: down.has(key.midi) }]"
                :x="key.x * 20 + (key.white ? 0.5 : 0)"
                y="0"
                :width="key.white ? 19 : 12"
                :height="key.white ? 79 : 48"
                rx="2"
                role="button"
                :aria-label="key.name"
                @pointerdown.prevent="onPointer($event, key.midi)"
                @pointerup="leave(key.midi, $event.timeStamp)"
                @pointercancel="leave(key.midi)"
            />
        </svg>
        <button
            type="button"
            tabindex="-1"
            class="pedal"
            :style="{ '--depth': depth }"
            aria-label="Pedal"
            @pointerdown="onPedal"
            @pointermove="onPedal"
            @pointerup="press(0)"
            @pointercancel="press(0)"
        >
            <span>Pedal{{ depth > 0 ? `, ${Math.round(100 * depth)} %` : '' }}</span>
        </button>
        <p class="quiet">With the computer: click here, then A to P are keys, Space is the pedal, Z and X go an octave down and up.</p>
    </div>
</template>

<style scoped>
.screen-piano {
    padding: 8px;
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.row {
    display: flex;
    gap: 8px;
    align-items: center;
    justify-content: center;
}

svg {
    display: block;
    width: 100%;
    height: 96px;
    margin: 6px 0;
    touch-action: none;
}

.key {
    fill: #2b3a41;
    stroke: #1f2d35;
    cursor: pointer;
}

.key.white {
    fill: #fffdf8;
    stroke: #b9b29f;
}

.key.down {
    fill: var(--lake);
}

.pedal {
    position: relative;
    width: 100%;
    height: 44px;
    font: inherit;
    color: var(--ink);
    background: linear-gradient(var(--veiled), var(--veiled)) no-repeat bottom / 100% calc(var(--depth) * 100%) var(--sheet);
    border: 1px solid #b9b29f;
    border-radius: 6px;
    cursor: pointer;
    touch-action: none;
    user-select: none;
}

p {
    margin: 4px 0 0;
    font-size: 0.9em;
}
</style>

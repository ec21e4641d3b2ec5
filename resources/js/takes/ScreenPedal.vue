<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { pedalAt, type Message } from './messages';

/** A pedal for a finger, the mouse, or a key of the computer: the further down it is held, the deeper. */
const emit = defineEmits<{ message: [message: Message] }>();

const depth = ref(0);

function press(share: number, at: number): void {
    const value = Math.round(127 * Math.max(0, Math.min(1, share)));
    if (value === Math.round(127 * depth.value)) return;
    depth.value = value / 127;
    emit('message', pedalAt(at, value));
}

function onPointer(event: PointerEvent): void {
    const pedal = event.currentTarget as HTMLElement;
    if (event.type === 'pointerdown') pedal.setPointerCapture(event.pointerId);
    else if (event.buttons === 0) return;
    const { top, height } = pedal.getBoundingClientRect();
    press(Math.max(0.04, (event.clientY - top) / (0.85 * height)), event.timeStamp);
}

const isTyped = ({ target }: KeyboardEvent): boolean => (target as HTMLElement).closest('input, textarea, select') !== null;

function onKey(event: KeyboardEvent): void {
    if (event.key !== ' ' || isTyped(event)) return;
    event.preventDefault();
    if (!event.repeat) press(event.type === 'keydown' ? 1 : 0, event.timeStamp);
}

onMounted(() => {
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKey);
});
onBeforeUnmount(() => {
    window.removeEventListener('keydown', onKey);
    window.removeEventListener('keyup', onKey);
});
</script>

<template>
    <button
        type="button"
        class="pedal"
        tabindex="-1"
        aria-label="Pedal"
        :style="{ '--depth': depth }"
        @pointerdown.prevent="onPointer"
        @pointermove="onPointer"
        @pointerup="press(0, $event.timeStamp)"
        @pointercancel="press(0, $event.timeStamp)"
        @keydown.space.prevent
    >
        <span>Pedal: hold it here, further down is deeper; or hold Space</span>
    </button>
</template>

<style scoped>
.pedal {
    display: block;
    width: 100%;
    height: 130px;
    font: inherit;
    color: var(--ink);
    background: linear-gradient(var(--veiled), var(--veiled)) no-repeat top / 100% calc(var(--depth) * 85%) var(--sheet);
    border: 2px solid var(--lake);
    border-radius: 12px;
    cursor: pointer;
    touch-action: none;
    user-select: none;
}
</style>

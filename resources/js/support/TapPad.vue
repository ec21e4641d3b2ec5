<script setup lang="ts">
/** A pad to tap on with a finger; `waits` while taps count for nothing yet. The time is that of `performance.now()`. */
defineProps<{ waits?: boolean }>();
defineEmits<{ tap: [now: number] }>();
</script>

<template>
    <button type="button" :class="['pad', { waits }]" aria-label="Tap here" @pointerdown.prevent="(event: PointerEvent) => $emit('tap', event.timeStamp)">
        <slot />
    </button>
</template>

<style scoped>
.pad {
    display: grid;
    place-items: center;
    width: 100%;
    height: 120px;
    margin-bottom: 6px;
    font: inherit;
    color: var(--ink);
    background: var(--lake-pale);
    border: 2px solid var(--lake);
    border-radius: 12px;
    cursor: pointer;
    touch-action: manipulation;
    user-select: none;
}

.waits {
    background: var(--paper);
    border-style: dashed;
}

:slotted(strong) {
    font: 600 2.4rem var(--serif);
}
</style>

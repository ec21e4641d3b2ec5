<script setup lang="ts">
/** A number with its name and unit. */
const props = defineProps<{ name: string; value: number; least: number; most: number; step?: number; unit: string }>();
const emit = defineEmits<{ set: [value: number] }>();

function set(value: unknown): void {
    if (typeof value === 'number' && value !== props.value) emit('set', value);
}
</script>

<template>
    <label class="number">
        <span>{{ name }}</span>
        <a-input-number size="small" :value="value" :min="least" :max="most" :step="step ?? 1" :aria-label="name" @change="set" />
        <span class="quiet">{{ unit }}</span>
    </label>
</template>

<style scoped>
.number {
    display: flex;
    gap: 8px;
    align-items: center;
}
</style>

<script setup lang="ts">
/** A number with its name and unit. */
defineProps<{ name: string; value: number; least: number; most: number; step?: number; unit: string }>();
defineEmits<{ set: [value: number] }>();
</script>

<template>
    <label class="number">
        <span>{{ name }}</span>
        <a-input-number
            size="small"
            :value="value"
            :min="least"
            :max="most"
            :step="step ?? 1"
            :aria-label="name"
            @change="(next: unknown) => typeof next === 'number' && next !== value && $emit('set', next)"
        />
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

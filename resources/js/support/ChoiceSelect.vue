<script setup lang="ts" generic="Value extends string | number">
/** A native select: it speaks to assistive technology and opens well under a finger. */
const props = defineProps<{
    value: Value | undefined;
    options: readonly { value: Value; label: string }[];
    label?: string;
    placeholder?: string;
    id?: string;
}>();
const emit = defineEmits<{ choose: [value: Value] }>();

function choose(event: Event): void {
    const chosen = props.options[(event.target as HTMLSelectElement).selectedIndex - (props.placeholder === undefined ? 0 : 1)];
    if (chosen) emit('choose', chosen.value);
}
</script>

<template>
    <select :id="id" class="choice" :aria-label="label" :value="value ?? ''" @change="choose">
        <option v-if="placeholder !== undefined" value="" disabled>{{ placeholder }}</option>
        <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
</template>

<style scoped>
.choice {
    min-height: 32px;
    padding: 3px 28px 3px 10px;
    color: var(--ink);
    font: inherit;
    background: var(--sheet)
        url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='10' height='6'%3E%3Cpath d='M1 1l4 4 4-4' fill='none' stroke='%2356646c' stroke-width='1.5'/%3E%3C/svg%3E")
        no-repeat right 10px center;
    border: 1px solid #b9b29f;
    border-radius: 6px;
    appearance: none;
    cursor: pointer;
}
</style>

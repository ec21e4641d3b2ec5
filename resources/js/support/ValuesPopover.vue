<script setup lang="ts">
/** A button among the tools that opens a table of values: their names and fields are put in from outside, two by two. */
defineProps<{ label: string; title: string }>();
</script>

<template>
    <a-popover trigger="click" placement="bottomLeft">
        <a-button class="tool">{{ label }}</a-button>
        <template #content>
            <div class="values" role="group" :aria-label="title"><slot /></div>
            <slot name="after" />
        </template>
    </a-popover>
</template>

<style scoped>
.values {
    display: grid;
    grid-template-columns: auto auto;
    gap: 5px 14px;
    align-items: center;
    margin-bottom: 10px;
}

:slotted(.own) {
    font-weight: 600;
}
</style>

<script setup lang="ts">
/** Words of the teacher that stand at the cursor, each to be taken away. */
defineProps<{ words: readonly { id: string; text: string }[] }>();
defineEmits<{ take: [id: string] }>();
</script>

<template>
    <ul v-if="words.length > 0">
        <li v-for="{ id, text } in words" :key="id">
            <em>{{ text }}</em>
            <a-button size="small" :aria-label="`Take away ${text}`" @click="$emit('take', id)">take away</a-button>
        </li>
    </ul>
</template>

<style scoped>
ul {
    margin: 0 0 6px;
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    align-items: baseline;
    gap: 8px;
}
</style>

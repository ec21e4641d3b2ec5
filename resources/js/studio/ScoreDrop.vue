<script setup lang="ts">
import { ref } from 'vue';

/** Where a score file is dropped or chosen. */
defineProps<{ file: File | null }>();
const emit = defineEmits<{ take: [file: File] }>();

const over = ref(false);

function take(file: File | null | undefined): void {
    over.value = false;
    if (file) emit('take', file);
}
</script>

<template>
    <label :class="['drop', { over }]" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="take($event.dataTransfer?.files[0])">
        <input class="visually-hidden" type="file" accept=".musicxml,.mxl,.xml" @change="take(($event.target as HTMLInputElement).files?.[0])" />
        <strong>{{ file ? file.name : 'Drop a score here' }}</strong>
        <span class="quiet">{{ file ? 'Drop or choose another one to replace it' : 'or click to choose a file' }}</span>
    </label>
</template>

<style scoped>
.drop {
    display: grid;
    place-items: center;
    gap: 4px;
    padding: 44px;
    background: var(--sheet);
    border: 2px dashed #93a5a8;
    border-radius: 10px;
    cursor: pointer;
}

.drop:focus-within {
    outline: 3px solid #3d8795;
}

.drop.over {
    background: var(--lake-pale);
    border-color: var(--lake);
}
</style>

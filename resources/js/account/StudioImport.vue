<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import { sendForm } from '../support/http';

/** Takes an exported studio in, beside what is here. */
const busy = ref(false);
const says = ref('');
const trouble = ref('');

async function take(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) return;
    const form = new FormData();
    form.set('file', file);
    busy.value = true;
    says.value = trouble.value = '';
    try {
        const { students, pieces } = await sendForm<{ students: number; pieces: number }>('/account/studio', form);
        says.value = `${students} ${students === 1 ? 'student' : 'students'} and ${pieces} ${pieces === 1 ? 'piece' : 'pieces'} have come.`;
        router.reload();
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
    busy.value = false;
    input.value = '';
}
</script>

<template>
    <div>
        <label class="take">
            Take a studio in
            <input type="file" accept=".zip,application/zip" :disabled="busy" @change="take" />
        </label>
        <p v-if="busy" role="status">Its scores are being read …</p>
        <p v-if="says" role="status">{{ says }}</p>
        <p v-if="trouble" class="error" role="alert">{{ trouble }} Nothing has changed.</p>
    </div>
</template>

<style scoped>
.take {
    display: grid;
    gap: 4px;
}

.error {
    color: var(--rust);
}
</style>

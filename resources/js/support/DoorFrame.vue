<script setup lang="ts">
import { Head } from '@inertiajs/vue3';

/** A card under the hills: pages on which nobody is signed in yet. */
defineProps<{ title: string; heading?: string }>();
</script>

<template>
    <Head :title="title" />
    <main class="page">
        <section class="card">
            <svg class="hills" viewBox="0 0 400 90" aria-hidden="true">
                <path d="M0 62 C60 20 110 14 170 44 C220 70 280 8 400 40 V90 H0 Z" fill="#7f9fa4" />
                <path d="M0 74 C80 44 150 66 210 58 C280 48 330 30 400 58 V90 H0 Z" fill="#47727b" />
                <path d="M0 84 C90 72 180 80 400 70 V90 H0 Z" fill="#1f4a55" />
                <path d="M20 84 h70 M130 80 h90 M260 82 h110" stroke="#f0d9a8" stroke-width="1.4" stroke-linecap="round" />
            </svg>
            <h1>{{ heading ?? 'Tarnwind' }}</h1>
            <slot />
        </section>
    </main>
</template>

<style scoped>
.page {
    min-height: 100vh;
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    place-items: center;
    padding: 24px;
}

.card {
    width: 400px;
    max-width: 100%;
    padding: 0 32px 28px;
    overflow: hidden;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 10px;
}

.hills {
    display: block;
    width: calc(100% + 64px);
    margin: 0 -32px 18px;
    background: #dbe6e4;
}

:slotted(p) {
    margin: 6px 0 14px;
    color: var(--quiet);
}

:slotted(form) {
    display: grid;
    gap: 6px;
}

:slotted(form) :deep(label) {
    margin-top: 6px;
    font-weight: 600;
}

:slotted(form) :deep(button[type='submit']) {
    margin-top: 14px;
}

:slotted(form) :deep(.error) {
    margin: 4px 0 0;
    color: var(--rust);
}

:slotted(.more) {
    margin-top: 16px;
    padding-top: 10px;
    border-top: 1px solid var(--line);
}
</style>

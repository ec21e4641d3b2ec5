<script setup lang="ts">
import { Link } from '@inertiajs/vue3';

/** The pages of a student. */
const props = defineProps<{ student: { id: number; name: string }; current: 'pieces' | 'practice' }>();

const PAGES = [
    { name: 'pieces', label: 'Pieces and hands', url: `/students/${props.student.id}` },
    { name: 'practice', label: 'Practice', url: `/students/${props.student.id}/practice` },
] as const;
</script>

<template>
    <p><Link href="/">Studio</Link></p>
    <div class="heading">
        <h1>{{ student.name }}</h1>
        <nav aria-label="Student">
            <Link v-for="page in PAGES" :key="page.name" :href="page.url" :aria-current="page.name === current ? 'page' : undefined">{{ page.label }}</Link>
        </nav>
    </div>
</template>

<style scoped>
.heading {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 26px;
    align-items: baseline;
    margin-bottom: 12px;
}

h1 {
    margin: 0;
}

nav {
    display: flex;
    gap: 18px;
}

nav a[aria-current] {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
    border-bottom: 2px solid var(--lake);
}
</style>

<script setup lang="ts">
import { Link } from '@inertiajs/vue3';

/** Shown in place of the desk where a score and its plan do not fit. */
defineProps<{ copy: { id: number; title: string } }>();
</script>

<template>
    <section class="small-screen" aria-label="A larger screen">
        <p class="home"><Link href="/">Studio</Link></p>
        <h1>{{ copy.title }}</h1>
        <p>The desk shows a score with all that is planned on it, and wants a tablet or a larger screen for that. Turning this one may help.</p>
        <p>
            What is to be read fits here: the <Link :href="`/copies/${copy.id}/print`">marked copy</Link> and the
            <Link :href="`/copies/${copy.id}/portrait`">portrait</Link>.
        </p>
    </section>
</template>

<style scoped>
.small-screen {
    display: none;
    max-width: 34em;
    padding: 20px;
}

@media (max-width: 700px) {
    .small-screen {
        display: block;
    }
}
</style>

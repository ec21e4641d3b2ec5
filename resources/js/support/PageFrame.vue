<script setup lang="ts">
import { Link, usePage } from '@inertiajs/vue3';
import { computed } from 'vue';
import { forgetEngravings } from '../engraving/kept';

const page = usePage<{ teacher: string | null }>();
const teacher = computed(() => page.props.teacher);
</script>

<template>
    <div class="frame">
        <header class="top">
            <Link href="/" class="home">Tarnwind</Link>
            <span class="teacher">{{ teacher }}</span>
            <Link href="/sign-out" method="post" as="button" class="out" @success="forgetEngravings">Sign out</Link>
        </header>
        <main><slot /></main>
    </div>
</template>

<style scoped>
.top {
    display: flex;
    align-items: center;
    gap: 18px;
    padding: 10px 28px;
    background: #1f3d47;
    color: #f7f4ec;
}

.home {
    font: 600 1.15rem var(--serif);
    color: #f0d9a8;
    text-decoration: none;
}

.teacher {
    margin-left: auto;
}

.out {
    padding: 4px 12px;
    border: 1px solid #6f8a91;
    border-radius: 6px;
    background: none;
    color: inherit;
    font: inherit;
    cursor: pointer;
}

main {
    max-width: 1180px;
    margin: 0 auto;
    padding: 26px 28px 60px;
}
</style>

<script setup lang="ts">
import { Link, router, usePage } from '@inertiajs/vue3';
import { Modal } from 'ant-design-vue';
import { computed } from 'vue';
import { waitingCopies } from '../desk/kept';
import { forgetEngravings } from '../engraving/kept';

const page = usePage<{ teacher: string | null }>();
const teacher = computed(() => page.props.teacher);

/** Edits that have not reached the server are named before anyone else sits down here. */
function signOut(): void {
    const waiting = [...waitingCopies().values()];
    const leave = (): void => router.post('/sign-out', {}, { onSuccess: () => void forgetEngravings() });
    if (waiting.length === 0) {
        leave();
        return;
    }
    Modal.confirm({
        title: 'Edits wait in this browser',
        content: `They have not reached the server: ${waiting.filter(Boolean).join(', ') || 'a copy'}. They stay here until you open the desk again.`,
        okText: 'Sign out',
        cancelText: 'Stay',
        onOk: leave,
    });
}
</script>

<template>
    <div class="frame">
        <header class="top">
            <Link href="/" class="home">Tarnwind</Link>
            <nav aria-label="Studio">
                <Link href="/">Studio</Link>
                <Link href="/lessons">Lessons</Link>
            </nav>
            <Link href="/account" class="teacher">{{ teacher }}</Link>
            <button type="button" class="out" @click="signOut">Sign out</button>
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

nav {
    display: flex;
    gap: 18px;
}

nav a {
    color: inherit;
    text-decoration: none;
}

nav a:hover {
    text-decoration: underline;
}

.teacher {
    margin-left: auto;
    color: inherit;
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

@media (max-width: 600px) {
    .top {
        gap: 12px;
        padding: 8px 14px;
    }

    .out {
        padding: 4px 8px;
    }

    main {
        padding: 18px 14px 50px;
    }
}
</style>

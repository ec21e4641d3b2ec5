<script setup lang="ts">
import { Head, useForm } from '@inertiajs/vue3';

const props = defineProps<{ demo: { email: string; password: string } | null }>();

const form = useForm({ email: '', password: '' });

function submit(): void {
    form.post('/sign-in', { onError: () => form.reset('password') });
}

function signInToDemo(): void {
    if (!props.demo) return;
    form.email = props.demo.email;
    form.password = props.demo.password;
    submit();
}
</script>

<template>
    <Head title="Sign in" />
    <main class="page">
        <section class="card">
            <svg class="hills" viewBox="0 0 400 90" aria-hidden="true">
                <path d="M0 62 C60 20 110 14 170 44 C220 70 280 8 400 40 V90 H0 Z" fill="#7f9fa4" />
                <path d="M0 74 C80 44 150 66 210 58 C280 48 330 30 400 58 V90 H0 Z" fill="#47727b" />
                <path d="M0 84 C90 72 180 80 400 70 V90 H0 Z" fill="#1f4a55" />
                <path d="M20 84 h70 M130 80 h90 M260 82 h110" stroke="#f0d9a8" stroke-width="1.4" stroke-linecap="round" />
            </svg>
            <h1>Tarnwind</h1>
            <p>Prepare a score for one student: plan the pedal bar by bar, hear what it costs, hand out the marked copy.</p>
            <form @submit.prevent="submit">
                <label for="email">E-mail</label>
                <a-input id="email" v-model:value="form.email" type="email" autocomplete="username" size="large" required />
                <label for="password">Password</label>
                <a-input id="password" v-model:value="form.password" type="password" autocomplete="current-password" size="large" required />
                <p v-if="form.errors.email || form.errors.password" class="error" role="alert">{{ form.errors.email || form.errors.password }}</p>
                <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Sign in</a-button>
            </form>
            <div v-if="demo" class="demo">
                <p>This is a demonstration. Ines Marrow, an invented teacher, has left her studio open.</p>
                <a-button size="large" block @click="signInToDemo">Sign in as the demo teacher</a-button>
            </div>
        </section>
    </main>
</template>

<style scoped>
.page {
    min-height: 100vh;
    display: grid;
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

p {
    margin: 6px 0 14px;
    color: var(--quiet);
}

form {
    display: grid;
    gap: 6px;
}

form label {
    margin-top: 6px;
    font-weight: 600;
}

form button {
    margin-top: 14px;
}

.error {
    margin: 4px 0 0;
    color: var(--rust);
}

.demo {
    margin-top: 20px;
    padding-top: 8px;
    border-top: 1px solid var(--line);
}
</style>

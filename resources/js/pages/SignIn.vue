<script setup lang="ts">
import { Link, useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';

const props = defineProps<{ demo: { email: string; password: string } | null; open: boolean }>();

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
    <DoorFrame title="Sign in">
        <p>Prepare a score for one student: plan the pedal bar by bar, hear what it costs, hand out the marked copy.</p>
        <form @submit.prevent="submit">
            <FormField v-model="form.email" label="E-mail" type="email" autocomplete="username" :error="form.errors.email" />
            <FormField v-model="form.password" label="Password" type="password" autocomplete="current-password" :error="form.errors.password" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Sign in</a-button>
        </form>
        <p class="links">
            <Link href="/forgotten-password">Password forgotten</Link>
            <Link v-if="open" href="/register">Make an account</Link>
        </p>
        <div v-if="demo" class="more">
            <p>This is a demonstration. Ines Marrow, an invented teacher, has left her studio open.</p>
            <a-button size="large" block @click="signInToDemo">Sign in as the demo teacher</a-button>
        </div>
    </DoorFrame>
</template>

<style scoped>
.links {
    display: flex;
    justify-content: space-between;
    margin: 12px 0 0;
}

.more p {
    color: var(--quiet);
}
</style>

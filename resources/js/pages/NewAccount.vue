<script setup lang="ts">
import { useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';

/** Making an account: the first of all, by invitation, or by whoever wants. */
const props = defineProps<{ way: 'first' | 'invited' | 'open'; action: string; invitedBy: string | null }>();

const form = useForm({ name: '', email: '', password: '', password_confirmation: '' });

function submit(): void {
    form.post(props.action, { onError: () => form.reset('password', 'password_confirmation') });
}
</script>

<template>
    <DoorFrame title="Your account" :heading="way === 'first' ? 'Welcome to Tarnwind' : 'Your account'">
        <p v-if="way === 'first'">Nobody has an account here yet. Yours is the first; you can invite others from it.</p>
        <p v-else-if="way === 'invited'">{{ invitedBy }} has invited you. What is in your studio is yours alone.</p>
        <p v-else>What is in your studio is yours alone.</p>
        <form @submit.prevent="submit">
            <FormField v-model="form.name" label="Name" autocomplete="name" :error="form.errors.name" />
            <FormField v-model="form.email" label="E-mail" type="email" autocomplete="username" :error="form.errors.email" />
            <FormField
                v-model="form.password"
                label="Password"
                type="password"
                autocomplete="new-password"
                hint="Ten letters or more; four plain words are good."
                :error="form.errors.password"
            />
            <FormField v-model="form.password_confirmation" label="The same again" type="password" autocomplete="new-password" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Make the account</a-button>
        </form>
    </DoorFrame>
</template>

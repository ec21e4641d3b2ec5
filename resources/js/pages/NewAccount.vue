<script setup lang="ts">
import { useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';
import NewPasswordFields from '../support/NewPasswordFields.vue';

/** Making an account: the first of all, by invitation, or by whoever wants. */
const props = defineProps<{ way: 'first' | 'invited' | 'open'; action: string; invitedBy: string | null }>();

const form = useForm({ name: '', email: '', password: '', password_confirmation: '', timezone: Intl.DateTimeFormat().resolvedOptions().timeZone });

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
            <NewPasswordFields v-model:password="form.password" v-model:again="form.password_confirmation" label="Password" :error="form.errors.password" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Make the account</a-button>
        </form>
    </DoorFrame>
</template>

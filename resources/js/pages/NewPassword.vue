<script setup lang="ts">
import { useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';

const props = defineProps<{ token: string; email: string }>();

const form = useForm({ token: props.token, email: props.email, password: '', password_confirmation: '' });

function submit(): void {
    form.post('/new-password', { onError: () => form.reset('password', 'password_confirmation') });
}
</script>

<template>
    <DoorFrame title="New password" heading="New password">
        <form @submit.prevent="submit">
            <FormField v-model="form.email" label="E-mail" type="email" autocomplete="username" :error="form.errors.email" />
            <FormField
                v-model="form.password"
                label="New password"
                type="password"
                autocomplete="new-password"
                hint="Ten letters or more; four plain words are good."
                :error="form.errors.password"
            />
            <FormField v-model="form.password_confirmation" label="The same again" type="password" autocomplete="new-password" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Set the password</a-button>
        </form>
    </DoorFrame>
</template>

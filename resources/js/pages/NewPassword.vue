<script setup lang="ts">
import { useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';
import NewPasswordFields from '../support/NewPasswordFields.vue';

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
            <NewPasswordFields v-model:password="form.password" v-model:again="form.password_confirmation" label="New password" :error="form.errors.password" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Set the password</a-button>
        </form>
    </DoorFrame>
</template>

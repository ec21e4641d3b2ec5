<script setup lang="ts">
import { Link, useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';

defineProps<{ sent: string | null }>();

const form = useForm({ email: '' });
</script>

<template>
    <DoorFrame title="Password forgotten" heading="Password forgotten">
        <p v-if="sent" role="status">{{ sent }}</p>
        <template v-else>
            <p>A link to set a new one is sent to your address.</p>
            <form @submit.prevent="form.post('/forgotten-password')">
                <FormField v-model="form.email" label="E-mail" type="email" autocomplete="username" :error="form.errors.email" />
                <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Send the link</a-button>
            </form>
        </template>
        <p><Link href="/sign-in">Back to signing in</Link></p>
    </DoorFrame>
</template>

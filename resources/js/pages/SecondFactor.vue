<script setup lang="ts">
import { Link, useForm } from '@inertiajs/vue3';
import DoorFrame from '../support/DoorFrame.vue';
import FormField from '../support/FormField.vue';

const form = useForm({ code: '' });

function submit(): void {
    form.post('/second-factor', { onError: () => form.reset('code') });
}
</script>

<template>
    <DoorFrame title="Second step" heading="Second step">
        <p>The six digits that your authenticator app shows now, or one of your recovery codes.</p>
        <form @submit.prevent="submit">
            <FormField v-model="form.code" label="Code" autocomplete="one-time-code" :error="form.errors.code" />
            <a-button type="primary" html-type="submit" size="large" block :loading="form.processing">Go on</a-button>
        </form>
        <p><Link href="/sign-in">Begin again</Link></p>
    </DoorFrame>
</template>

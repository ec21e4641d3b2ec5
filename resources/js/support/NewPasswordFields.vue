<script setup lang="ts">
import FormField from './FormField.vue';

/** A password that is chosen, and the same again. */
defineProps<{ label: string; error?: string | undefined }>();
const password = defineModel<string>('password', { required: true });
const again = defineModel<string>('again', { required: true });
</script>

<template>
    <FormField
        v-model="password"
        :label="label"
        type="password"
        autocomplete="new-password"
        hint="Ten letters or more; four plain words are good."
        v-bind="error ? { error } : {}"
    />
    <FormField v-model="again" label="The same again" type="password" autocomplete="new-password" />
</template>

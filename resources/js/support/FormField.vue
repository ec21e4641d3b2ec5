<script setup lang="ts">
import { computed, useId } from 'vue';

/** A field of a form with its name, and what is wrong with it. */
const props = defineProps<{ label: string; type?: 'text' | 'email' | 'password'; autocomplete?: string; error?: string | undefined; hint?: string }>();
const value = defineModel<string>({ required: true });

const id = useId();
/** What is only there where it is said. */
const extra = computed(() => {
    const described = [props.error ? `${id}-error` : '', props.hint ? `${id}-hint` : ''].filter(Boolean).join(' ');
    return {
        ...(props.autocomplete ? { autocomplete: props.autocomplete } : {}),
        ...(described ? { 'aria-describedby': described } : {}),
        ...(props.error ? { 'aria-invalid': true } : {}),
    };
});
</script>

<template>
    <div class="field">
        <label :for="id">{{ label }}</label>
        <a-input :id="id" v-model:value="value" :type="type ?? 'text'" v-bind="extra" size="large" :status="error ? 'error' : ''" />
        <p v-if="hint" :id="`${id}-hint`" class="quiet">{{ hint }}</p>
        <p v-if="error" :id="`${id}-error`" class="error" role="alert">{{ error }}</p>
    </div>
</template>

<style scoped>
.field {
    display: grid;
    gap: 4px;
}

label {
    font-weight: 600;
}

p {
    margin: 0;
}

.error {
    color: var(--rust);
}
</style>

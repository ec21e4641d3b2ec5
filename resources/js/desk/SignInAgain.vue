<script setup lang="ts">
import { ref } from 'vue';
import { sendJson } from '../support/http';
import { isSignedOut } from '../support/signedOut';

/** A session has ended during work: signing in again without leaving the desk. What waits is sent then. */
const emit = defineEmits<{ back: [] }>();

const email = ref('');
const password = ref('');
const code = ref('');
const wantsCode = ref(false);
const trouble = ref('');
const busy = ref(false);

async function goOn(): Promise<void> {
    busy.value = true;
    try {
        // The token against forged requests went with the session; a page brings a new one.
        await fetch('/sign-in', { credentials: 'same-origin' });
        const answer = wantsCode.value
            ? await sendJson<{ second_factor: boolean } | null>('POST', '/second-factor', { code: code.value })
            : await sendJson<{ second_factor: boolean } | null>('POST', '/sign-in', { email: email.value, password: password.value });
        wantsCode.value = answer?.second_factor ?? false;
        trouble.value = '';
        if (!wantsCode.value) {
            isSignedOut.value = false;
            emit('back');
        }
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
    password.value = code.value = '';
    busy.value = false;
}
</script>

<template>
    <a-modal :open="isSignedOut" title="You have been signed out" :closable="false" :mask-closable="false" :keyboard="false" :footer="null">
        <p>Your edits are kept in this browser. Sign in again, and they are saved.</p>
        <form @submit.prevent="goOn">
            <template v-if="wantsCode">
                <label for="again-code">Code of your app</label>
                <a-input id="again-code" v-model:value="code" autocomplete="one-time-code" />
            </template>
            <template v-else>
                <label for="again-email">E-mail</label>
                <a-input id="again-email" v-model:value="email" type="email" autocomplete="username" />
                <label for="again-password">Password</label>
                <a-input id="again-password" v-model:value="password" type="password" autocomplete="current-password" />
            </template>
            <p v-if="trouble" class="error" role="alert">{{ trouble }}</p>
            <a-button type="primary" html-type="submit" :loading="busy">Sign in</a-button>
        </form>
    </a-modal>
</template>

<style scoped>
form {
    display: grid;
    gap: 6px;
}

form button {
    margin-top: 8px;
}

.error {
    margin: 0;
    color: var(--rust);
}
</style>

<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import { sendJson } from '../support/http';
import type { InvitationItem } from './types';

/** Links by which other teachers make their accounts; each opens the door once. */
defineProps<{ invitations: InvitationItem[] }>();

const note = ref('');
const link = ref('');
const trouble = ref('');

async function invite(): Promise<void> {
    try {
        link.value = (await sendJson<{ link: string }>('POST', '/invitations', { note: note.value || null })).link;
        note.value = trouble.value = '';
        router.reload({ only: ['invitations'] });
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}
</script>

<template>
    <section>
        <h2>Other teachers</h2>
        <p class="quiet">An invitation is a link that makes one account, within two weeks. What is in it is theirs; you see nothing of each other.</p>
        <form @submit.prevent="invite">
            <label class="note">
                <span>For whom, to remember it by</span>
                <a-input v-model:value="note" :maxlength="80" />
            </label>
            <a-button html-type="submit">Make an invitation</a-button>
        </form>
        <p v-if="trouble" class="error" role="alert">{{ trouble }}</p>
        <p v-if="link" class="link" role="status">
            Send this link; it is shown only now:
            <input readonly :value="link" aria-label="Link of the invitation" @focus="($event.target as HTMLInputElement).select()" />
        </p>
        <ul v-if="invitations.length > 0">
            <li v-for="one in invitations" :key="one.id">
                {{ one.note ?? 'Without a note' }}, until {{ one.expires }}
                <a-button size="small" type="text" @click="router.delete(`/invitations/${one.id}`, { preserveScroll: true })">Withdraw</a-button>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.note {
    display: grid;
    gap: 4px;
    width: 100%;
}

.link input {
    width: 100%;
    padding: 6px 8px;
    font: inherit;
    border: 1px solid var(--line);
    border-radius: 6px;
}

ul {
    margin: 8px 0 0;
    padding-left: 18px;
}

.error {
    color: var(--rust);
}
</style>

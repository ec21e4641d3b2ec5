<script setup lang="ts">
import { Head, router, useForm } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import InvitationList from '../account/InvitationList.vue';
import LimitList from '../account/LimitList.vue';
import SecondFactorSetup from '../account/SecondFactorSetup.vue';
import StudioImport from '../account/StudioImport.vue';
import type { AccountData, InvitationItem, LimitItem } from '../account/types';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import FormField from '../support/FormField.vue';
import NewPasswordFields from '../support/NewPasswordFields.vue';
import PageFrame from '../support/PageFrame.vue';

/** A teacher's own account: who she is, how she signs in, her studio as a file, and the way out. */
const props = defineProps<{ account: AccountData; invitations: InvitationItem[]; limits: LimitItem[]; done: string | null }>();

const details = useForm({ name: props.account.name, email: props.account.email, timezone: props.account.timezone, password: '' });
const zones = [...new Set([props.account.timezone, 'UTC', ...Intl.supportedValuesOf('timeZone')])].map((zone) => ({
    value: zone,
    label: zone.replaceAll('_', ' '),
}));
const isNewAddress = computed(() => details.email !== props.account.email);
const password = useForm({ current_password: '', password: '', password_confirmation: '' });
const others = useForm({ password: '' });
const leaving = useForm({ password: '' });
const isLeaving = ref(false);

function saveDetails(): void {
    details.put('/account', { preserveScroll: true, onSuccess: () => details.reset('password') });
}

function changePassword(): void {
    password.put('/account/password', { preserveScroll: true, onSuccess: () => password.reset(), onError: () => password.reset() });
}

function endOthers(): void {
    others.post('/account/other-sessions', { preserveScroll: true, onSuccess: () => others.reset(), onError: () => others.reset() });
}

function leave(): void {
    leaving.delete('/account', { preserveScroll: true, onError: () => leaving.reset() });
}
</script>

<template>
    <Head title="Account" />
    <PageFrame>
        <h1>Your account</h1>
        <p v-if="done" class="done" role="status">{{ done }}</p>
        <div class="parts">
            <section>
                <h2>Name and address</h2>
                <form @submit.prevent="saveDetails">
                    <FormField v-model="details.name" label="Name" autocomplete="name" :error="details.errors.name" />
                    <FormField v-model="details.email" label="E-mail" type="email" autocomplete="username" :error="details.errors.email" />
                    <label class="zone"
                        >Time zone of your lessons
                        <ChoiceSelect
                            :value="details.timezone"
                            :options="zones"
                            label="Time zone of your lessons"
                            @choose="(zone) => (details.timezone = zone)"
                    /></label>
                    <FormField
                        v-if="isNewAddress"
                        v-model="details.password"
                        label="Your password, since the address is new"
                        type="password"
                        autocomplete="current-password"
                        :error="details.errors.password"
                    />
                    <a-button type="primary" html-type="submit" :loading="details.processing">Save</a-button>
                </form>
                <p v-if="!account.verified" class="quiet">
                    This address is not confirmed yet.
                    <a-button size="small" @click="router.post('/account/verification', {}, { preserveScroll: true })">Send the link again</a-button>
                </p>
            </section>
            <section>
                <h2>Password</h2>
                <form @submit.prevent="changePassword">
                    <FormField
                        v-model="password.current_password"
                        label="Present password"
                        type="password"
                        autocomplete="current-password"
                        :error="password.errors.current_password"
                    />
                    <NewPasswordFields
                        v-model:password="password.password"
                        v-model:again="password.password_confirmation"
                        label="New password"
                        :error="password.errors.password"
                    />
                    <a-button type="primary" html-type="submit" :loading="password.processing">Change the password</a-button>
                </form>
            </section>
            <SecondFactorSetup :account="account" />
            <section>
                <h2>Other devices</h2>
                <p class="quiet">Signed in on a computer that is not yours? It will have to sign in again.</p>
                <form @submit.prevent="endOthers">
                    <FormField v-model="others.password" label="Password" type="password" autocomplete="current-password" :error="others.errors.password" />
                    <a-button html-type="submit" :loading="others.processing">End other sessions</a-button>
                </form>
            </section>
            <InvitationList :invitations="invitations" />
            <LimitList :limits="limits" />
            <section>
                <h2>Your studio as a file</h2>
                <p class="quiet">All students, scores and plans in one zip, which another Tarnwind takes in as it was.</p>
                <p><a href="/account/studio.zip" download>Export the studio</a></p>
                <StudioImport />
                <p class="after"><a href="/what-is-kept">What is kept of your students, and why</a></p>
            </section>
            <section class="leave">
                <h2>Leave</h2>
                <template v-if="!isLeaving">
                    <p class="quiet">The account and everything in it is deleted: students, scores, plans.</p>
                    <a-button danger @click="isLeaving = true">Delete the account …</a-button>
                </template>
                <form v-else @submit.prevent="leave">
                    <p>
                        It cannot be brought back. <a href="/account/studio.zip" download>Export the studio first</a>, if there is anything you may want again.
                    </p>
                    <FormField v-model="leaving.password" label="Password" type="password" autocomplete="current-password" :error="leaving.errors.password" />
                    <div class="row">
                        <a-button danger type="primary" html-type="submit" :loading="leaving.processing">Delete everything</a-button>
                        <a-button @click="isLeaving = false">Stay</a-button>
                    </div>
                </form>
            </section>
        </div>
    </PageFrame>
</template>

<style scoped>
.zone {
    display: grid;
    gap: 4px;
    font-weight: 600;
}

.parts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
    gap: 18px;
    align-items: start;
    margin-top: 14px;
}

.parts :deep(section) {
    padding: 16px 18px 18px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
}

.parts :deep(form) {
    display: grid;
    gap: 10px;
    justify-items: start;
}

.parts :deep(form > .field) {
    width: 100%;
}

.parts :deep(p) {
    margin: 4px 0 10px;
}

.done {
    padding: 8px 14px;
    background: var(--lake-pale);
    border-left: 4px solid var(--lake);
}

.leave {
    border-top: 4px solid var(--rust) !important;
}

.after {
    margin-top: 14px !important;
}

.row {
    display: flex;
    gap: 8px;
}
</style>

<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import QRCode from 'qrcode';
import { ref } from 'vue';
import FormField from '../support/FormField.vue';
import { sendJson } from '../support/http';
import type { AccountData } from './types';

/** A second step of signing in: taking an app into use, new recovery codes, and leaving it again. */
const props = defineProps<{ account: AccountData }>();

const step = ref<'rest' | 'password' | 'app'>('rest');
/** What the password is asked for. */
const wanted = ref<'begin' | 'codes' | 'end'>('begin');
const password = ref('');
const code = ref('');
const trouble = ref('');
const offer = ref<{ secret: string; picture: string } | null>(null);
const codes = ref<string[]>([]);

function ask(what: typeof wanted.value): void {
    wanted.value = what;
    trouble.value = password.value = '';
    codes.value = [];
    step.value = 'password';
}

async function attempt(run: () => Promise<void>): Promise<void> {
    try {
        await run();
        trouble.value = '';
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
    password.value = code.value = '';
}

const goOn = (): Promise<void> =>
    attempt(async () => {
        const given = { password: password.value };
        if (wanted.value === 'begin') {
            const { secret, address } = await sendJson<{ secret: string; address: string }>('POST', '/account/second-factor', given);
            offer.value = { secret, picture: await QRCode.toDataURL(address, { margin: 1, width: 200 }) };
            step.value = 'app';
        } else if (wanted.value === 'codes') {
            codes.value = (await sendJson<{ recovery_codes: string[] }>('POST', '/account/recovery-codes', given)).recovery_codes;
            step.value = 'rest';
        } else {
            await sendJson('DELETE', '/account/second-factor', given);
            step.value = 'rest';
            router.reload();
        }
    });

const confirm = (): Promise<void> =>
    attempt(async () => {
        codes.value = (await sendJson<{ recovery_codes: string[] }>('PUT', '/account/second-factor', { code: code.value })).recovery_codes;
        offer.value = null;
        step.value = 'rest';
        router.reload();
    });
</script>

<template>
    <section>
        <h2>Second step</h2>
        <div v-if="codes.length > 0" class="codes" role="status">
            <p>Each of these opens your account once, when the app is lost. They are shown only now: print them, or write them down.</p>
            <ul>
                <li v-for="one in codes" :key="one">{{ one }}</li>
            </ul>
        </div>
        <template v-if="step === 'rest'">
            <template v-if="props.account.second_factor">
                <p class="quiet">An app is asked for after the password. {{ account.recovery_codes }} recovery codes are left.</p>
                <div class="row">
                    <a-button @click="ask('codes')">New recovery codes</a-button>
                    <a-button @click="ask('end')">No second step</a-button>
                </div>
            </template>
            <template v-else>
                <p class="quiet">An authenticator app on your phone shows six digits that are asked for after the password.</p>
                <a-button @click="ask('begin')">Use an app …</a-button>
            </template>
        </template>
        <form v-else-if="step === 'password'" @submit.prevent="goOn">
            <FormField v-model="password" label="Password" type="password" autocomplete="current-password" :error="trouble" />
            <div class="row">
                <a-button type="primary" html-type="submit">Go on</a-button>
                <a-button @click="step = 'rest'">Not now</a-button>
            </div>
        </form>
        <form v-else-if="offer" @submit.prevent="confirm">
            <p>Point the app at the picture, or type the key in; then type what it shows.</p>
            <img :src="offer.picture" width="200" height="200" alt="The key as a picture for the app" />
            <p class="secret">{{ offer.secret.replace(/(.{4})/g, '$1 ') }}</p>
            <FormField v-model="code" label="Code" autocomplete="one-time-code" :error="trouble" />
            <div class="row">
                <a-button type="primary" html-type="submit">Use it</a-button>
                <a-button @click="step = 'rest'">Not now</a-button>
            </div>
        </form>
    </section>
</template>

<style scoped>
.row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}

.codes {
    padding: 8px 12px;
    background: var(--lake-pale);
    border-radius: 6px;
}

.codes ul {
    columns: 2;
    margin: 0;
    padding-left: 18px;
}

.codes li,
.secret {
    font-family: monospace;
}
</style>

<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { sendJson } from '../support/http';

/** Links by which a student sees her marked copy at home. */
const props = defineProps<{ copy: number; weeks: number[]; links: { id: number; expires: string }[] }>();

const chosen = ref(props.weeks[1] ?? props.weeks[0]);
const link = ref('');
const trouble = ref('');
const words = (weeks: number): string => (weeks === 52 ? 'for a year' : `for ${weeks} weeks`);
const day = (iso: string): string => new Date(`${iso}T12:00:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

async function make(): Promise<void> {
    try {
        link.value = (await sendJson<{ link: string }>('POST', `/copies/${props.copy}/links`, { weeks: chosen.value })).link;
        trouble.value = '';
        router.reload({ only: ['home'] });
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}
</script>

<template>
    <a-popover trigger="click" placement="bottomRight">
        <a-button>Link for home</a-button>
        <template #content>
            <div class="links" role="group" aria-label="Link for home">
                <p>Whoever has the link sees this copy as it is planned then, without an account, and nothing else. It is shown only once.</p>
                <div class="make">
                    <ChoiceSelect
                        :value="chosen"
                        :options="weeks.map((value) => ({ value, label: words(value) }))"
                        label="For how long"
                        @choose="(value) => (chosen = value)"
                    />
                    <a-button type="primary" @click="make">Make a link</a-button>
                </div>
                <p v-if="trouble" class="error" role="alert">{{ trouble }}</p>
                <input v-if="link" readonly :value="link" aria-label="The link" @focus="($event.target as HTMLInputElement).select()" />
                <ul v-if="links.length > 0">
                    <li v-for="one in links" :key="one.id">
                        One is good until {{ day(one.expires) }}
                        <a-button size="small" @click="router.delete(`/copies/${copy}/links/${one.id}`, { preserveScroll: true, preserveState: true })"
                            >Withdraw</a-button
                        >
                    </li>
                </ul>
            </div>
        </template>
    </a-popover>
</template>

<style scoped>
.links {
    display: grid;
    gap: 8px;
    width: 330px;
    max-width: 86vw;
}

p,
ul {
    margin: 0;
    padding: 0;
}

.make {
    display: flex;
    gap: 8px;
}

input {
    width: 100%;
    padding: 6px 8px;
    font: inherit;
    border: 1px solid var(--line);
    border-radius: 6px;
}

li {
    display: flex;
    gap: 8px;
    align-items: center;
    justify-content: space-between;
    padding: 3px 0;
}

.error {
    color: var(--rust);
}
</style>

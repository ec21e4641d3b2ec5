<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import { longDay } from './practice';

/** Days on which there are no lessons. */
const props = defineProps<{ holidays: { id: number; name: string; first: string; last: string }[]; today: string }>();

const name = ref('');
const first = ref(props.today);
const last = ref(props.today);
const errors = ref<Record<string, string>>({});

function add(): void {
    router.post(
        '/holidays',
        { name: name.value, first: first.value, last: last.value },
        {
            preserveScroll: true,
            preserveState: true,
            onSuccess: () => {
                name.value = '';
                errors.value = {};
            },
            onError: (found) => (errors.value = found),
        },
    );
}
</script>

<template>
    <section aria-label="Holidays">
        <h2>Holidays</h2>
        <ul>
            <li v-for="one in holidays" :key="one.id">
                <span
                    ><strong>{{ one.name }}</strong
                    >, {{ longDay(one.first) }}<template v-if="one.last !== one.first"> to {{ longDay(one.last) }}</template></span
                >
                <a-button size="small" type="text" :aria-label="`Remove ${one.name}`" @click="router.delete(`/holidays/${one.id}`, { preserveScroll: true })"
                    >✕</a-button
                >
            </li>
        </ul>
        <form @submit.prevent="add">
            <input v-model="name" class="plain" aria-label="Name of the holiday" placeholder="Autumn week" maxlength="80" required />
            <input v-model="first" class="plain" type="date" aria-label="First day" required />
            <label>to <input v-model="last" class="plain" type="date" aria-label="Last day" required /></label>
            <a-button html-type="submit">Add</a-button>
        </form>
        <p v-for="(text, field) in errors" :key="field" role="alert" class="error">{{ text }}</p>
    </section>
</template>

<style scoped>
ul {
    margin: 0 0 10px;
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    gap: 8px;
    padding: 4px 0;
    border-bottom: 1px dotted var(--line);
}

li span {
    flex: 1;
}

form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
}

.error {
    color: var(--rust);
}
</style>

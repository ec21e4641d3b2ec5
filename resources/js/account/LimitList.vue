<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import type { LimitItem } from './types';

/** How takes are judged: how far from the plan each thing may be before it is told. */
const props = defineProps<{ limits: LimitItem[] }>();

const own = ref<Record<string, number | null>>(Object.fromEntries(props.limits.map(({ kind, own: value }) => [kind, value])));
const trouble = ref('');
const isSaving = ref(false);

const UNITS: Readonly<Record<string, string>> = { share: '%', ms: 'ms', dB: 'dB', blur: 'blur' };
/** Shares are told in per cent. */
const factor = (unit: string): number => (unit === 'share' ? 100 : 1);
const subjects = computed(() => {
    const all = new Map<string, LimitItem[]>();
    for (const limit of props.limits) all.set(limit.subject, [...(all.get(limit.subject) ?? []), limit]);
    return [...all];
});
const changed = computed(() => Object.values(own.value).filter((value) => value !== null).length);

function set({ kind, unit }: LimitItem, event: Event): void {
    const said = (event.target as HTMLInputElement).value;
    own.value = { ...own.value, [kind]: said === '' ? null : Number(said) / factor(unit) };
}

function save(): void {
    router.put(
        '/account/limits',
        { limits: own.value },
        {
            preserveScroll: true,
            onStart: () => (isSaving.value = true),
            onFinish: () => (isSaving.value = false),
            onError: (errors) => (trouble.value = Object.values(errors)[0] ?? ''),
            onSuccess: () => (trouble.value = ''),
        },
    );
}
</script>

<template>
    <section>
        <h2>How takes are judged</h2>
        <p class="quiet">
            How far from the plan something may be before it is told, for an intermediate player; a growing one is allowed more, an advanced one less. What is
            empty is as usual{{ changed > 0 ? `; ${changed} ${changed === 1 ? 'is' : 'are'} yours` : '' }}.
        </p>
        <form @submit.prevent="save">
            <details v-for="[subject, items] in subjects" :key="subject">
                <summary>{{ subject }}</summary>
                <label v-for="limit in items" :key="limit.kind">
                    <span>{{ limit.label }}</span>
                    <input
                        type="number"
                        min="0"
                        step="any"
                        :value="own[limit.kind] === null ? '' : Math.round(own[limit.kind]! * factor(limit.unit) * 100) / 100"
                        :placeholder="String(Math.round(limit.usual * factor(limit.unit) * 100) / 100)"
                        @change="set(limit, $event)"
                    />
                    <span class="quiet">{{ UNITS[limit.unit] ?? limit.unit }}</span>
                </label>
            </details>
            <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
            <a-button type="primary" html-type="submit" :loading="isSaving">Save the limits</a-button>
        </form>
    </section>
</template>

<style scoped>
details {
    width: 100%;
}

summary {
    cursor: pointer;
    font-weight: 600;
}

label {
    display: grid;
    grid-template-columns: 1fr 84px 36px;
    gap: 8px;
    align-items: center;
    padding: 2px 0 2px 14px;
}

input {
    padding: 3px 8px;
    font: inherit;
    border: 1px solid #b9b29f;
    border-radius: 6px;
}

.error {
    color: var(--rust);
}
</style>

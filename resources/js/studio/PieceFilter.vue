<script setup lang="ts">
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { ANYTHING, type choices, type Wanted } from './repertoire';

/** What a teacher looks for among her pieces. */
defineProps<{ wanted: Wanted; options: ReturnType<typeof choices>; count: number }>();
const emit = defineEmits<{ change: [what: Partial<Wanted>] }>();

const ANY = '';
const withAny = (label: string, values: readonly string[]): { value: string; label: string }[] => [
    { value: ANY, label },
    ...values.map((value) => ({ value, label: value })),
];
const LEVELS = Array.from({ length: 9 }, (_, index) => ({ value: index + 1, label: String(index + 1) }));
</script>

<template>
    <form class="filter" role="search" aria-label="Find pieces" @submit.prevent>
        <input
            class="plain"
            type="search"
            :value="wanted.text"
            placeholder="Title, tag, or what it trains"
            aria-label="Find pieces by words"
            @input="emit('change', { text: ($event.target as HTMLInputElement).value })"
        />
        <ChoiceSelect
            :value="wanted.key ?? ANY"
            :options="withAny('any key', options.keys)"
            label="Key"
            @choose="(key) => emit('change', { key: key || null })"
        />
        <ChoiceSelect
            :value="wanted.metre ?? ANY"
            :options="withAny('any metre', options.metres)"
            label="Metre"
            @choose="(metre) => emit('change', { metre: metre || null })"
        />
        <ChoiceSelect
            :value="wanted.trains ?? ANY"
            :options="withAny('trains anything', options.trains)"
            label="What it trains"
            @choose="(trains) => emit('change', { trains: trains || null })"
        />
        <ChoiceSelect
            v-if="options.tags.length > 0"
            :value="wanted.tag ?? ANY"
            :options="withAny('any tag', options.tags)"
            label="Tag"
            @choose="(tag) => emit('change', { tag: tag || null })"
        />
        <span class="levels"
            >hands
            <ChoiceSelect
                :value="wanted.difficulty[0]"
                :options="LEVELS"
                label="Difficulty from"
                @choose="(from) => emit('change', { difficulty: [from, Math.max(from, wanted.difficulty[1])] })"
            />
            to
            <ChoiceSelect
                :value="wanted.difficulty[1]"
                :options="LEVELS"
                label="Difficulty to"
                @choose="(to) => emit('change', { difficulty: [Math.min(to, wanted.difficulty[0]), to] })"
            />
        </span>
        <span class="quiet" role="status">{{ count === 1 ? 'one piece' : `${count} pieces` }}</span>
        <a-button size="small" @click="emit('change', ANYTHING)">All</a-button>
    </form>
</template>

<style scoped>
.filter {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    margin-bottom: 10px;
}

input {
    flex: 1 1 210px;
}

.levels {
    display: inline-flex;
    gap: 6px;
    align-items: center;
}
</style>

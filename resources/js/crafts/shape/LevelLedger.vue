<script setup lang="ts">
import type { NoteLevel } from '@generated/shape';
import { signed } from './words';

/** The notes at the cursor with what their loudness is made of. */
defineProps<{ notes: readonly NoteLevel[]; selected: number | null }>();
defineEmits<{ select: [index: number] }>();
</script>

<template>
    <p v-if="notes.length === 0" class="quiet">Nothing is struck here.</p>
    <ul class="notes">
        <li v-for="(level, index) in notes" :key="level.note" :class="{ selected: index === selected }">
            <button type="button" class="name" :aria-expanded="index === (selected ?? 0)" @click="$emit('select', index)">
                <strong>{{ level.name }}</strong> {{ level.grade }}
            </button>
            <table v-if="index === (selected ?? 0)">
                <tbody>
                    <tr v-for="(entry, place) in level.ledger" :key="place">
                        <td>{{ entry.reason }}</td>
                        <td class="value">{{ signed(entry.value) }}{{ place === 0 ? ' dB' : '' }}</td>
                    </tr>
                    <tr class="sum">
                        <td>{{ level.name }} is played {{ level.grade }}</td>
                        <td class="value">{{ signed(level.level) }} dB</td>
                    </tr>
                </tbody>
            </table>
        </li>
    </ul>
</template>

<style scoped>
.notes {
    margin: 4px 0;
    padding: 0;
    list-style: none;
}

li {
    padding: 1px 8px;
    border-left: 3px solid transparent;
}

.selected {
    border-left-color: var(--lake);
    background: var(--paper);
}

.name {
    padding: 2px 0;
    font: inherit;
    color: inherit;
    background: none;
    border: 0;
    cursor: pointer;
}

table {
    width: 100%;
    margin: 2px 0 8px;
    border-collapse: collapse;
    font-size: 0.93em;
}

td {
    padding: 1px 0;
    color: var(--quiet);
    vertical-align: top;
}

.value {
    padding-left: 12px;
    text-align: right;
    font-variant-numeric: tabular-nums;
    color: var(--ink);
}

.sum td {
    border-top: 1px solid var(--line);
    color: var(--ink);
}
</style>

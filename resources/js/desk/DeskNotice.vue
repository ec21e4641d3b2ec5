<script setup lang="ts">
import { ref } from 'vue';
import type { Desk } from './useDesk';

/** What the teacher must know about her edits, or what went wrong. */
const props = defineProps<{ desk: Desk; trouble: string; copy: { id: number; unreadable: boolean } }>();

const isToldOfPlan = ref(!props.copy.unreadable);
</script>

<template>
    <div v-if="desk.saving.state.value === 'conflict'" class="notice" role="alert">
        <span>{{ desk.saving.message.value }} Nothing has been overwritten.</span>
        <a-button size="small" @click="desk.loadNewer()">Show the newer state</a-button>
        <a-button size="small" @click="desk.saving.overwrite()">Keep what I see</a-button>
    </div>
    <div v-else-if="desk.saving.state.value === 'waiting'" class="notice" role="alert">
        {{ desk.saving.message.value }}
        {{
            desk.saving.isKept.value
                ? 'Your edits are kept in this browser and will be sent again.'
                : 'This browser has no room to keep your edits: leave this page open until they are saved.'
        }}
    </div>
    <div v-else-if="desk.saving.state.value === 'refused'" class="notice" role="alert">
        {{ desk.saving.message.value }} Undo the last edit, or go on; the plan is kept in this browser.
    </div>
    <div v-else-if="trouble" class="notice" role="alert">{{ trouble }}</div>
    <div v-else-if="!isToldOfPlan" class="notice" role="alert">
        <span>Parts of this plan could not be read and are left out; all else is here. Nothing is lost: the plan as it was stays beside it.</span>
        <a :href="`/copies/${copy.id}/plan/as-kept`" download>Download that one</a>
        <a-button size="small" @click="isToldOfPlan = true">Go on</a-button>
    </div>
</template>

<style scoped>
.notice {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 7px 18px;
    background: #f6e3bd;
    border-bottom: 1px solid #d8b878;
}
</style>

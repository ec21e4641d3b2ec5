<script setup lang="ts">
import { Link } from '@inertiajs/vue3';
import type { SaveState } from './saving';
import PlayerTools from '../sound/PlayerTools.vue';
import type { PlayerState } from '../sound/usePlayer';
import type { Desk, DeskProps } from './useDesk';

defineProps<{ desk: Desk; copy: DeskProps['copy']; student: DeskProps['student']; player: PlayerState }>();
defineEmits<{ help: []; versions: [] }>();

const SAVE_WORDS: Record<SaveState, string> = {
    saved: 'Saved',
    pending: 'Saving …',
    waiting: 'Server away: edits wait in this browser',
    conflict: 'Changed elsewhere',
    refused: 'Not accepted',
};
</script>

<template>
    <header class="top">
        <Link href="/" class="home" aria-label="Back to the studio">Tarnwind</Link>
        <div class="title">
            <h1>{{ copy.title }}</h1>
            <p>
                {{ student.name }}<span class="instrument"> · {{ student.instrument }}{{ student.half_pedal ? '' : ' · pedal on and off only' }}</span>
            </p>
        </div>
        <span :class="['save', desk.saving.state.value]" role="status">{{ SAVE_WORDS[desk.saving.state.value] }}</span>
        <PlayerTools :player="player" />
        <a-button size="small" :disabled="!desk.canUndo.value" @click="desk.undo()">Undo</a-button>
        <a-button size="small" :disabled="!desk.canRedo.value" @click="desk.redo()">Redo</a-button>
        <button type="button" class="link" @click="$emit('versions')">Versions</button>
        <Link :href="`/copies/${copy.id}/portrait`" class="link">Portrait</Link>
        <Link :href="`/copies/${copy.id}/reduced/blocks`" class="link">Reductions</Link>
        <Link :href="`/copies/${copy.id}/print`" class="link">Marked copy</Link>
        <a-button shape="circle" aria-label="Shortcuts" @click="$emit('help')">?</a-button>
    </header>
</template>

<style scoped>
.top {
    display: flex;
    align-items: center;
    gap: 14px;
    padding: 8px 18px;
    background: #1f3d47;
    color: #f7f4ec;
}

.home {
    font: 600 1.05rem var(--serif);
    color: #f0d9a8;
    text-decoration: none;
}

.title {
    flex: 1;
    min-width: 0;
    display: flex;
    align-items: baseline;
    gap: 14px;
}

.title h1 {
    font-size: 1.25rem;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
}

.title p {
    margin: 0;
    color: #cfdadb;
    white-space: nowrap;
}

.save {
    font-size: 0.93rem;
    color: #cfdadb;
}

.save.waiting,
.save.conflict,
.save.refused {
    color: #ffd38a;
    font-weight: 600;
}

.link {
    color: #f7f4ec;
    white-space: nowrap;
}

button.link {
    padding: 0;
    font: inherit;
    text-decoration: underline;
    background: none;
    border: 0;
    cursor: pointer;
}

@media (max-width: 1100px) {
    .top {
        gap: 10px;
        padding-inline: 12px;
    }

    .instrument {
        display: none;
    }
}

.top :deep(button[disabled]) {
    color: #93a5a8;
    background: none;
    border-color: #56717a;
}
</style>

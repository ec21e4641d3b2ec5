<script setup lang="ts">
import { computed, ref } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { sendJson } from '../support/http';
import { howFar, STATUSES, type Progress } from './progress';

/** How far a piece is and what it is to be ready for; saved as it is changed. */
const props = defineProps<{ copy: number; title: string; progress: Progress }>();

const now = ref(props.progress);
const trouble = ref('');
const far = computed(() => (now.value.goal_on === null ? '' : howFar(now.value.goal_on, new Date())));

async function save(change: Partial<Progress>): Promise<void> {
    now.value = { ...now.value, ...change };
    try {
        await sendJson<Progress>('PATCH', `/copies/${props.copy}/progress`, change);
        trouble.value = '';
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}

const text = (event: Event): string | null => (event.target as HTMLInputElement).value.trim() || null;
</script>

<template>
    <div class="progress" role="group" :aria-label="`How far ${title} is`">
        <ChoiceSelect :value="now.status" :options="STATUSES" :label="`Status of ${title}`" @choose="(status) => save({ status })" />
        <span class="quiet">for</span>
        <input
            class="plain"
            :value="now.goal ?? ''"
            maxlength="80"
            placeholder="a concert, an exam"
            :aria-label="`What ${title} is for`"
            @change="save({ goal: text($event) })"
        />
        <span class="quiet">on</span>
        <input class="plain" type="date" :value="now.goal_on ?? ''" :aria-label="`Day for ${title}`" @change="save({ goal_on: text($event) })" />
        <strong v-if="far">{{ far }}</strong>
        <span v-if="trouble" role="alert" class="trouble">Not saved. {{ trouble }}</span>
    </div>
</template>

<style scoped>
.trouble {
    color: var(--rust);
}

.progress {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    margin-bottom: 10px;
}
</style>

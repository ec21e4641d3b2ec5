<script setup lang="ts">
import type { PracticeStep } from '@generated/practice';
import { Link } from '@inertiajs/vue3';
import { REDUCED } from '../../studio/practice';
import DraftInput from '../../support/DraftInput.vue';

/** One step: what, how fast, how long, and what opens the next. */
defineProps<{ step: PracticeStep; editable?: boolean; copy?: number }>();
const emit = defineEmits<{ change: [what: { wanted?: boolean; minutes?: number; text?: string }] }>();

function setMinutes(said: string): void {
    const minutes = Math.round(Number(said));
    if (minutes >= 1 && minutes <= 60) emit('change', { minutes });
}
</script>

<template>
    <li :class="['step', { own: step.own }]">
        <details>
            <summary>
                <strong>{{ step.label }}</strong> <span v-if="step.tempo">{{ step.tempo }}</span> <span class="minutes">{{ step.minutes }} min</span>
            </summary>
            <p>{{ step.does }}</p>
            <p class="quiet">
                Go on when: {{ step.gate }}.
                <Link v-if="copy !== undefined && REDUCED.includes(step.kind)" :href="`/copies/${copy}/reduced/${step.kind}`">See it printed</Link>
            </p>
            <div v-if="editable" class="edit">
                <label>Minutes <DraftInput type="number" min="1" max="60" :value="step.minutes" @said="setMinutes" /></label>
                <label>In your words <DraftInput :value="step.own ? step.does : ''" maxlength="500" @said="(text) => emit('change', { text })" /></label>
                <a-button size="small" @click="emit('change', { wanted: false })">Leave out</a-button>
            </div>
        </details>
        <p v-if="step.why" class="why">{{ step.why }}</p>
    </li>
</template>

<style scoped>
.step {
    margin: 5px 0;
    padding-left: 9px;
    border-left: 3px solid var(--line);
}

.own {
    border-left-color: var(--ink);
}

summary {
    cursor: pointer;
}

.minutes {
    float: right;
    color: var(--quiet);
}

p {
    margin: 2px 0;
}

.why {
    color: var(--quiet);
    font-size: 0.93rem;
}

.edit {
    display: grid;
    gap: 5px;
    margin: 6px 0;
}

.edit label {
    display: flex;
    gap: 8px;
    align-items: center;
}

.edit input {
    flex: 1;
    min-width: 0;
    padding: 3px 7px;
    font: inherit;
    border: 1px solid var(--line);
    border-radius: 5px;
}
</style>

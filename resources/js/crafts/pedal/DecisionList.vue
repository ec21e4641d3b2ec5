<script setup lang="ts">
import type { CraftProps } from '../../desk/craft';
import type { Decision } from '@generated/decisions';
import type { PedalState } from './usePedal';
import { useHere } from './useHere';

/** What else the foot could do at the cursor, what it would cost, and what it would sound like. */
const props = defineProps<CraftProps<PedalState>>();

const answer = useHere(props.context, 'decisions');

/** How an alternative stands beside what is planned. */
function beside({ extra }: Decision): string {
    if (extra < -0.05) return `better by ${(-extra).toFixed(1)}`;
    return extra < 0.05 ? 'as good' : `worse by ${extra.toFixed(1)}`;
}

function take({ action }: Decision): void {
    props.state.remedies[action]({ action, label: '', notes: [], value: '', at: null }, null as never);
}
</script>

<template>
    <section v-if="answer && answer.decisions.length > 0" aria-label="What else the foot could do">
        <h3>Or else <span class="quiet">a change by itself costs 0.1</span></h3>
        <ul>
            <li v-for="decision in answer.decisions" :key="decision.words">
                <span
                    ><strong>{{ decision.words }}</strong> <span class="quiet">{{ beside(decision) }} · {{ decision.sounds }}</span></span
                >
                <a-button size="small" :aria-label="`Do this: ${decision.words}`" @click="take(decision)">Do</a-button>
            </li>
        </ul>
    </section>
</template>

<style scoped>
h3 {
    margin-bottom: 2px;
}

h3 .quiet {
    font-size: 0.8em;
    font-weight: 400;
}

ul {
    margin: 0;
    padding: 0;
    list-style: none;
}

li {
    display: flex;
    gap: 8px;
    align-items: start;
    justify-content: space-between;
    margin-bottom: 3px;
    font-size: 0.93em;
}
</style>

<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import { fractionValue } from '../../support/fraction';
import { beatName } from '../../desk/beats';
import { signedMs } from './curve';
import type { TimeState } from './useTime';

/** The rubato at the cursor as a ledger: what each beat takes or gives, and what is owed. */
const props = defineProps<CraftProps<TimeState>>();

const { score, desk } = props.context;
const rows = computed(() =>
    (props.state.ledger.value?.beats ?? []).map((beat) => {
        const at = fractionValue(beat.at);
        const bar = score.measures.findLast((measure) => fractionValue(measure.start) <= at + 1e-6)!;
        return { ...beat, where: `${bar.number}, ${beatName(bar, at - fractionValue(bar.start))}`, time: at };
    }),
);
const taken = computed(() => rows.value.reduce((sum, { taken: ms }) => sum + Math.max(0, ms), 0));
const given = computed(() => rows.value.reduce((sum, { taken: ms }) => sum + Math.min(0, ms), 0));
const owed = computed(() => props.state.ledger.value?.owed ?? 0);
const isSquare = computed(() => Math.abs(owed.value) < 0.5);
</script>

<template>
    <section v-if="state.ledger.value">
        <h3>Rubato</h3>
        <table>
            <thead>
                <tr>
                    <th scope="col">beat</th>
                    <th scope="col">ms</th>
                    <th scope="col">taken</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="row in rows" :key="row.at" :class="{ own: !row.open, current: Math.abs(row.time - state.now.value) < 1e-6 }">
                    <td>
                        <button type="button" class="where" @click="desk.moveTo(desk.momentAt(row.at))">{{ row.where }}</button>
                    </td>
                    <td class="value">{{ Math.round(row.ms) }}</td>
                    <td class="value">{{ Math.abs(row.taken) < 0.5 ? '' : signedMs(row.taken) }}</td>
                </tr>
            </tbody>
            <tfoot>
                <tr>
                    <th scope="row" colspan="2">taken {{ Math.round(taken) }}, given {{ Math.round(-given) }}: {{ isSquare ? 'nothing owed' : 'owed' }}</th>
                    <td class="value" :class="{ owes: !isSquare }">{{ signedMs(owed) }}</td>
                </tr>
            </tfoot>
        </table>
        <div class="row">
            <a-button size="small" :type="state.rubato.value?.back && isSquare ? 'primary' : 'default'" @click="state.giveBack()"
                >Give back <kbd>G</kbd></a-button
            >
            <a-button size="small" @click="state.removeRubato()">No rubato here</a-button>
        </div>
        <p class="quiet">Beats of yours are bold; the others {{ state.rubato.value?.back ? 'give back what those take' : 'stay as they are' }}.</p>
    </section>
</template>

<style scoped>
table {
    width: 100%;
    border-collapse: collapse;
}

th,
td {
    padding: 1px 4px;
    font-weight: 400;
    text-align: left;
}

thead th {
    color: var(--quiet);
}

tfoot th,
tfoot td {
    border-top: 1px solid var(--line);
}

.value,
thead th:not(:first-child) {
    text-align: right;
    font-variant-numeric: tabular-nums;
}

.own td {
    font-weight: 600;
}

.current {
    background: var(--lake-pale);
}

.owes {
    color: var(--amber);
    font-weight: 600;
}

.where {
    padding: 0;
    font: inherit;
    color: inherit;
    background: none;
    border: 0;
    cursor: pointer;
}

.row {
    display: flex;
    gap: 6px;
    margin-top: 6px;
}

p {
    margin: 4px 0 0;
}

kbd {
    margin-left: 5px;
}
</style>

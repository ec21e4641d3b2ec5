<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import BarsByKind from '../../desk/BarsByKind.vue';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { Finding } from '@generated/balance';
import LayerLegend from '../read/LayerLegend.vue';
import { LAYERS } from '../read/layers';
import NoteList from '../read/NoteList.vue';
import LevelLedger from '../shape/LevelLedger.vue';
import { HALF_GRADE, signedGrades } from '../shape/words';
import { heardAs, heardInDecibels } from './lanes';
import type { BalanceState } from './useBalance';

const props = defineProps<CraftProps<BalanceState>>();

const { desk, score } = props.context;
/** The inspector is shown where the balance is known. */
const document = computed(() => props.state.balance.value!);
const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const findings = computed(() => document.value.findings.filter(({ measure }) => measure === desk.measure.value));

/** The lines that are struck at the cursor, with how well they are heard. */
const heard = computed(() => props.state.now.value.map(({ note }) => props.state.audible.value.get(note)).filter((one) => one !== undefined));

const KINDS: Record<Finding['kind'], string> = {
    'melody-masked': 'Melody goes under',
    'melody-not-over': 'Melody not over the rest',
    'inner-line-buried': 'Inner line buried',
    'mode-change-unnoticed': 'Change of mode not noticed',
};
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${beatName(bar, (desk.times[desk.cursor.value] ?? 0) - from)}`">
        <section>
            <h3>Who is it</h3>
            <LayerLegend />
            <NoteList v-if="!desk.selection.value.isRange" :corrections="state.corrections" />
            <template v-else>
                <p class="quiet">1 to 4 give all notes of these bars to a layer.</p>
                <a-checkbox :checked="state.topsOnly.value" @change="state.setTopsOnly(!state.topsOnly.value)">only the top of each chord</a-checkbox>
            </template>
        </section>
        <section v-if="heard.length > 0">
            <h3>Is it heard</h3>
            <p v-for="one in heard" :key="one.note" :title="heardInDecibels(one)">
                {{ heardAs(one) }}
                <span v-if="one.lost !== null && one.lost > one.at" class="quiet">
                    It goes under after {{ Math.round((100 * (one.lost - one.at)) / Math.max(1e-6, one.end - one.at)) }} % of its length.
                </span>
            </p>
        </section>
        <section>
            <h3>{{ desk.selection.value.isRange ? 'Layers in these bars' : 'Layers in this bar' }}</h3>
            <div class="layers">
                <template v-for="{ layer, label } in LAYERS" :key="layer">
                    <span>{{ label }}</span>
                    <a-button size="small" :aria-label="`${label} softer`" @click="state.changeLayer(layer, -HALF_GRADE)">−</a-button>
                    <b>{{ state.ownOf(layer)?.silent ? '—' : signedGrades(state.ownOf(layer)?.change ?? 0) }}</b>
                    <a-button size="small" :aria-label="`${label} louder`" @click="state.changeLayer(layer, HALF_GRADE)">+</a-button>
                    <a-button
                        size="small"
                        :type="state.ownOf(layer)?.silent ? 'primary' : 'default'"
                        :aria-label="`${label}: touch only`"
                        :aria-pressed="state.ownOf(layer)?.silent === true"
                        @click="state.silence(layer)"
                        >touch only</a-button
                    >
                </template>
            </div>
            <p class="quiet">In grades of dynamics; the buttons take half a grade.</p>
            <a-checkbox :checked="state.gradual.value" @change="state.setGradual(!state.gradual.value)">bit by bit, to the end of them</a-checkbox>
        </section>
        <section>
            <h3>Loudness of the notes</h3>
            <LevelLedger :notes="state.now.value" :selected="state.selected.value" @select="state.select" />
        </section>
        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />
        <section>
            <h3>In the whole piece</h3>
            <BarsByKind :places="document.findings" :names="KINDS" :measures="score.measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0 0 4px;
}

.layers {
    display: grid;
    grid-template-columns: auto auto 34px auto auto;
    gap: 4px 8px;
    align-items: center;
    justify-content: start;
    margin-bottom: 6px;
}

.layers b {
    text-align: center;
    font-variant-numeric: tabular-nums;
}
</style>

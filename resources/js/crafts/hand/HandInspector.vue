<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import BarsByKind from '../../desk/BarsByKind.vue';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { Finding, FingeredNote } from '@generated/hand';
import { spanName } from '../../support/intervals';
import FingerLegend from './FingerLegend.vue';
import KeyboardView from './KeyboardView.vue';
import type { HandState } from './useHand';

const props = defineProps<CraftProps<HandState>>();

const { desk, score, student } = props.context;
const fingers = props.state;
/** The inspector is shown where fingers are known. */
const hands = computed(() => props.state.hands.value!);

const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const compared = computed(() => (fingers.alternatives.value?.note === fingers.note.value?.note ? (fingers.alternatives.value?.list ?? []) : []));
const findings = computed(() => hands.value.findings.filter(({ measure }) => measure === desk.measure.value));

const holds = computed(() => hands.value.holds.filter(({ measure }) => measure === desk.measure.value));

/** Both hands would make the keys too small: the hand of the selected note. */
const shown = computed(() => {
    const hand = fingers.note.value?.hand ?? 'right';
    const mine = (all: FingeredNote[]): FingeredNote[] => all.filter((one) => one.hand === hand);
    return { now: mine(fingers.now.value), next: mine(fingers.next.value) };
});

const SOURCES = { printed: 'printed', teacher: 'yours', kept: 'yours, as planned', planned: 'planned' } as const;
const KINDS: Record<Finding['kind'], string> = {
    unjoined: 'Fingers do not join',
    'beyond-reach': 'Beyond reach',
    'shared-key': 'One key for both hands',
    'two-ways': 'Figure in two ways',
    'too-quick': 'Too quick as yet',
    'let-go': 'Cannot be held',
    'off-the-keyboard': 'Not on this piano',
    strain: 'Strain',
    leap: 'Leap',
    crossing: 'Awkward crossing',
    'crossed-hands': 'Hands cross',
    'one-finger': 'One finger for two keys',
    'weak-finger': 'Weak finger',
    stretch: 'Stretch',
    'soft-pedal': 'Soft pedal',
    relief: 'The other hand helps',
};
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${beatName(bar, (desk.times[desk.cursor.value] ?? 0) - from)}`">
        <section>
            <h3>Fingers at the cursor</h3>
            <KeyboardView :now="shown.now" :next="shown.next" />
            <p v-if="fingers.now.value.length === 0" class="quiet">Nothing is struck here.</p>
            <ul class="notes">
                <li
                    v-for="(one, index) in fingers.now.value"
                    :key="one.note"
                    :class="{ selected: index === fingers.selected.value }"
                    @click="fingers.select(index)"
                >
                    <strong class="name">{{ one.name }}</strong>
                    <span class="finger">{{ one.finger }}</span>
                    <span class="quiet">{{ one.hand }}, {{ SOURCES[one.source] }}</span>
                </li>
            </ul>
            <div v-if="fingers.note.value" class="digits" role="group" :aria-label="`Finger of ${fingers.note.value.name}`">
                <button v-for="digit in 5" :key="digit" type="button" @click="fingers.type(digit)">{{ digit }}</button>
                <button
                    type="button"
                    :aria-label="`Other hand for ${fingers.note.value.name}`"
                    @click="fingers.toHand(fingers.note.value.hand === 'left' ? 'right' : 'left')"
                >
                    other hand
                </button>
            </div>
        </section>
        <FingerLegend />
        <section v-if="compared.length > 0" aria-label="Alternatives">
            <h3>Alternatives</h3>
            <table class="alternatives">
                <thead>
                    <tr>
                        <th scope="col">Finger</th>
                        <th scope="col">goes on</th>
                        <th scope="col">effort</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in compared" :key="one.finger">
                        <td>
                            <button type="button" :aria-label="`Take finger ${one.finger}`" @click="fingers.type(one.finger)">{{ one.finger }}</button>
                        </td>
                        <td class="line">{{ one.follows.join(' ') }}</td>
                        <td>
                            {{ one.words }} <span class="quiet">{{ one.extra > 0 ? `+${one.extra}` : one.extra }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
        <section v-if="holds.length > 0">
            <h3>Keys to be kept</h3>
            <p v-for="one in holds" :key="one.note">{{ one.words }}</p>
        </section>
        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />
        <section>
            <h3>In the whole piece, for {{ student.name }}</h3>
            <p class="quiet">
                Right hand {{ spanName(student.reach.right[0]) }}, at most {{ spanName(student.reach.right[1]) }}; left {{ spanName(student.reach.left[0]) }},
                at most {{ spanName(student.reach.left[1]) }}{{ student.reach.measured ? '' : " (not measured: an adult's hands)" }}.
            </p>
            <p class="quiet">Forearms level, shoulders low, wrists loose. Pain is a stop sign.</p>
            <BarsByKind :places="hands.findings" :names="KINDS" :measures="score.measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0;
}

h3 {
    margin-bottom: 4px;
}

.notes {
    margin: 6px 0;
    padding: 0;
    list-style: none;
}

.notes li {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 2px 6px;
    border-left: 3px solid transparent;
    cursor: pointer;
}

.notes .selected {
    border-left-color: var(--lake);
    background: var(--paper);
}

.name {
    min-width: 34px;
}

.finger {
    min-width: 30px;
    font-weight: 600;
}

.alternatives {
    width: 100%;
    border-collapse: collapse;
}

.alternatives th {
    text-align: left;
    font-weight: 400;
    color: var(--quiet);
}

.alternatives :is(th, td) {
    padding: 2px 10px 2px 0;
}

.line {
    min-width: 92px;
    font-family: var(--serif);
}

.digits {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
}

button {
    min-width: 34px;
    min-height: 32px;
    padding: 2px 8px;
    font: inherit;
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}
</style>

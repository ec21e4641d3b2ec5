<script setup lang="ts">
import { computed } from 'vue';
import BarsByKind from '../../desk/BarsByKind.vue';
import { beatName } from '../../desk/beats';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { Finding } from '@generated/time';
import OrnamentFields from '../touch/OrnamentFields.vue';
import { inMinutes } from '../../support/minutes';
import { moving, perMinute, signedMs, timesOf } from './curve';
import NumberField from './NumberField.vue';
import RubatoLedger from './RubatoLedger.vue';
import StandingStill from './StandingStill.vue';
import TapIn from './TapIn.vue';
import type { TimeState } from './useTime';

const props = defineProps<CraftProps<TimeState>>();

const { desk, score } = props.context;
/** The inspector is shown where the time is known. */
const document = computed(() => props.state.time.value!);
const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const findings = computed(() => document.value.findings.filter(({ measure }) => measure === desk.measure.value));
const beat = computed(() => props.state.beat.value);
const unit = computed(() => props.state.unitOf(desk.measure.value));
const times = computed(() => timesOf(document.value, desk.measure.value).map(inMinutes).join(' and '));

/** What goes on of the tempo at the cursor: what began before it, and what stands at it. */
const pacesHere = computed(() => {
    const here = props.state.now.value;
    return document.value.paces.filter(({ at, to, change }) => {
        const from = fractionValue(at);
        const goesOn = change === 'slowing' || change === 'quickening' || change === 'free';
        return from > 0 && (goesOn ? from <= here + 1e-6 && here < fractionValue(to) - 1e-6 : Math.abs(from - here) < 1e-6);
    });
});

const KINDS: Record<Finding['kind'], string> = {
    owed: 'Rubato that owes',
    'pulse-lost': 'Pulse lost',
    'slowing-early': 'Slowing too early',
    'slowing-steep': 'Slowing too steep',
    'last-note-slower': 'Last note slower still',
    'hold-short': 'Fermata too short',
    'hold-long': 'Fermata too long',
    'no-return': 'No tempo after it',
    'target-missed': 'Misses the next tempo',
    'ratio-drifts': 'Not the printed ratio',
    'silence-filled': 'Silence filled by pedal',
    'last-bar-cut': 'Last bar cut short',
    'beyond-rate': 'Beyond measured rate',
};

const percent = (share: number): number => Math.round(100 * share);
const isRepeated = computed(() => timesOf(document.value, desk.measure.value).length > 1);
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${beatName(bar, state.now.value - from)} · begins at ${times} of ${inMinutes(document.duration)}`">
        <section v-if="beat">
            <h3>This beat</h3>
            <table aria-label="What this beat is made of">
                <tbody>
                    <tr>
                        <td>by the tempo, {{ Math.round(perMinute(beat, unit, beat.strict)) }} a minute</td>
                        <td class="value">{{ Math.round(beat.strict) }} ms</td>
                    </tr>
                    <tr v-for="(entry, index) in beat.entries" :key="index">
                        <td>{{ entry.reason }}</td>
                        <td class="value">{{ signedMs(entry.ms) }}</td>
                    </tr>
                    <tr v-if="beat.entries.length > 0" class="sum">
                        <td>it lasts, at {{ Math.round(perMinute(beat, unit, moving(beat))) }} a minute</td>
                        <td class="value">{{ Math.round(beat.ms) }} ms</td>
                    </tr>
                </tbody>
            </table>
            <div class="fields">
                <NumberField
                    v-if="state.now.value > 0"
                    name="Tempo from here, of the one before"
                    :value="percent(state.tempoHere.value?.ratio ?? 1)"
                    :least="20"
                    :most="500"
                    unit="%"
                    @set="(value) => state.setRatio(value / 100)"
                />
            </div>
        </section>

        <section v-for="pace in pacesHere" :key="pace.at + pace.change">
            <h3>
                {{
                    pace.mark
                        ? pace.says.charAt(0).toUpperCase() + pace.says.slice(1)
                        : pace.printed
                          ? `Printed: ${pace.says}`
                          : pace.says.charAt(0).toUpperCase() + pace.says.slice(1)
                }}
            </h3>
            <div v-if="pace.mark && state.paceOf(pace.mark)" class="fields">
                <NumberField
                    name="To"
                    :value="percent(pace.share)"
                    :least="20"
                    :most="300"
                    unit="% of the tempo"
                    @set="(value) => state.setPace(pace.mark!, { end: value / 100 })"
                />
                <NumberField
                    name="Late"
                    :value="state.paceOf(pace.mark)!.shape"
                    :least="1"
                    :most="8"
                    :step="0.5"
                    unit="1 even, 3 as players do"
                    @set="(value) => state.setPace(pace.mark!, { shape: value })"
                />
                <label
                    ><input
                        type="checkbox"
                        :checked="state.paceOf(pace.mark)!.stays"
                        @change="state.setPace(pace.mark!, { stays: ($event.target as HTMLInputElement).checked })"
                    />
                    the tempo it reaches stays</label
                >
                <a-button size="small" @click="state.removePace(pace.mark)">Take it away</a-button>
            </div>
            <p v-else-if="pace.change === 'slowing' || pace.change === 'quickening'" class="quiet">
                To {{ percent(pace.share) }} % by {{ pace.to === score.moments.at(-1)?.at ? 'the end' : 'where it ends' }}. Slower <kbd>R</kbd> or Quicker
                <kbd>A</kbd> puts your own here.
            </p>
        </section>

        <RubatoLedger :context="context" :state="state" />

        <StandingStill
            v-if="state.hold.value"
            title="Fermata"
            :about="`Written ${state.hold.value.written.toFixed(1)} s; it has faded after ${state.hold.value.computed.toFixed(1)} s.`"
            name="Held for"
            :value="Math.round(state.hold.value.seconds * 10) / 10"
            :range="[0.1, 30, 0.1]"
            unit="s"
            :when="state.hold.value.when"
            :is-repeated="isRepeated"
            :back="state.hold.value.mark ? 'As printed' : 'Do not hold'"
            back-key="F"
            @set="(seconds) => state.setFermata(seconds, state.hold.value!.when)"
            @choose="(when) => state.setFermata(state.hold.value!.mark ? state.hold.value!.seconds : null, when)"
            @back="state.toggleFermata()"
        />
        <StandingStill
            v-if="state.silence.value"
            title="Silence before this"
            :about="state.silence.value.reason"
            name="For"
            :value="Math.round(state.silence.value.ms)"
            :range="[20, 10000, 10]"
            unit="ms"
            :when="state.silence.value.when"
            :is-repeated="isRepeated"
            :back="state.silence.value.mark ? 'As printed' : 'Leave it out'"
            back-key="B"
            @set="(ms) => state.setSilence(ms, state.silence.value!.when)"
            @choose="(when) => state.setSilence(state.silence.value!.ms, when)"
            @back="state.toggleSilence()"
        />

        <section v-if="state.leanHere.value">
            <h3>Given time</h3>
            <div class="fields">
                <NumberField
                    name="Longer by"
                    :value="percent(state.leanHere.value.longer)"
                    :least="1"
                    :most="200"
                    unit="% of the note"
                    @set="(value) => state.setLean(value / 100)"
                />
                <a-button size="small" @click="state.setLean(0)">As the others <kbd>N</kbd></a-button>
            </div>
        </section>

        <section>
            <h3>End of this phrase</h3>
            <p class="quiet">
                {{
                    state.endingHere.value.made
                        ? `${state.endingHere.value.made.reason}: takes ${Math.round(state.endingHere.value.made.ms)} ms`
                        : state.endingHere.value.own
                          ? 'No time is taken, as you have it'
                          : 'No time is taken'
                }}.
            </p>
            <div class="fields">
                <NumberField
                    name="Its last beat longer by"
                    :value="percent(state.endingHere.value.own?.longer ?? state.endingHere.value.made?.longer ?? 0)"
                    :least="0"
                    :most="100"
                    unit="%"
                    @set="(value) => state.setEnding(value / 100)"
                />
                <a-button v-if="state.endingHere.value.own" size="small" @click="state.setEnding(null)">As the school has it <kbd>E</kbd></a-button>
            </div>
        </section>

        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />

        <TapIn :tapping="state.tapping" />

        <section v-if="state.notesHere.value.length > 0">
            <h3>Ornaments {{ state.ornamentHere.value ? 'here, as you have them' : 'here, as in the piece' }}</h3>
            <details :open="state.ornamentHere.value !== null">
                <summary>Graces, trills and rolls of {{ state.notesHere.value.length === 1 ? 'this note' : 'these notes' }}</summary>
                <div class="ornaments">
                    <OrnamentFields :ornaments="state.ornamentHere.value?.how ?? document.ornaments" :leads="false" @change="state.setOrnament" />
                </div>
                <a-button v-if="state.ornamentHere.value" size="small" @click="state.setOrnament(null)">As in the piece</a-button>
            </details>
        </section>

        <section>
            <h3>In the whole piece</h3>
            <template v-if="document.proposal.places.length > 0">
                <p class="quiet">It would breathe: {{ document.proposal.reason }}.</p>
                <ul class="places">
                    <li v-for="place in document.proposal.places" :key="place.at">
                        <button type="button" @click="desk.moveToMeasure(place.measure)">Bar {{ score.measures[place.measure]?.number }}</button>
                        {{ place.what }}
                    </li>
                </ul>
                <a-button size="small" type="primary" :loading="desk.busy.value === 'time'" @click="desk.suggest('time')">Take the suggestion</a-button>
            </template>
            <BarsByKind :places="document.findings" :names="KINDS" :measures="score.measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0;
}

table {
    width: 100%;
    border-collapse: collapse;
}

td {
    padding: 1px 0;
    vertical-align: top;
}

.value {
    padding-left: 12px;
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
}

.sum td {
    border-top: 1px solid var(--line);
}

.fields {
    display: grid;
    gap: 6px;
    justify-items: start;
    margin-top: 4px;
}

.ornaments {
    display: grid;
    grid-template-columns: auto auto;
    gap: 5px 12px;
    align-items: center;
    margin: 6px 0;
}

.places {
    margin: 4px 0 8px;
    padding: 0;
    list-style: none;
}

.places button {
    padding: 0;
    font: inherit;
    color: var(--lake);
    text-decoration: underline;
    background: none;
    border: 0;
    cursor: pointer;
}

kbd {
    margin-left: 3px;
}
</style>

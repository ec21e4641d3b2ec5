<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { SpanReport } from '@generated/pedal';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import BarNote from '../words/BarNote.vue';
import DecisionList from './DecisionList.vue';
import { depthName, DEPTHS, MANNERS } from './depth';
import type { PedalMark } from './edits';
import KeptList from './KeptList.vue';
import RingView from './RingView.vue';
import type { PedalState } from './usePedal';

const props = defineProps<CraftProps<PedalState>>();

const { desk, score } = props.context;
const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const to = computed(() => from.value + fractionValue(bar.value.length));

const key = computed(() => score.keys.find((area) => fractionValue(area.to) > from.value)?.name ?? '');

const harmonies = computed(() =>
    props.state.harmonies.value
        .filter((harmony) => fractionValue(harmony.from) < to.value && fractionValue(harmony.to) > from.value)
        .map((harmony) => ({ ...harmony, where: fractionValue(harmony.from) < from.value ? 'goes on' : beat(fractionValue(harmony.from)) })),
);

const actions = computed(() => {
    const marks = new Map(props.state.pedals.value.map((mark) => [mark.id, mark]));
    return (props.state.examination.value?.spans ?? [])
        .filter((span) => fractionValue(span.down) < to.value && fractionValue(span.up) > from.value)
        .map((span) => {
            const down = fractionValue(span.down);
            const up = fractionValue(span.up);
            const mark = span.mark === null ? null : (marks.get(span.mark) ?? null);
            const what = span.kind === 'legato' ? 'Change' : 'Down';
            const when = down < from.value ? 'held from before' : beat(down);
            const isCurrent = mark !== null && mark === props.state.current.value;
            return { span, mark, isCurrent, timing: timed(span), title: down < from.value ? 'Pedal' : what, when, until: up < to.value ? beat(up) : null };
        });
});

const findings = computed(() => (props.state.examination.value?.findings ?? []).filter((finding) => finding.measure === desk.measure.value));

const depths = DEPTHS.map(({ value, label }) => ({ value: String(value), label }));
const depthOf = (value: string): PedalMark['depth'] => DEPTHS.find((one) => String(one.value) === value)?.value ?? 'full';

/** When the foot moves around the new sound, and what a late or early one does. */
function timed({ kind, timing: { up_ms: up, down_ms: down, window_ms: window, closes } }: SpanReport): string {
    const ms = (value: number): string => (value < 0 ? `${-value} ms before` : `${value} ms after`);
    const moves = kind === 'legato' && up !== null ? `up ${ms(up)}, down ${ms(down)}` : `down ${ms(down)}`;
    return window === null || closes === null ? moves : `${moves}; later than ${window} ms it misses ${closes}`;
}

const ORIGIN: Record<PedalMark['origin'], string> = { printed: 'printed', suggested: 'suggested', teacher: 'yours' };

function beat(time: number): string {
    return beatName(bar.value, time - from.value);
}
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${key} · ${beatName(bar, (desk.times[desk.cursor.value] ?? 0) - from)}`">
        <section>
            <h3>Harmony</h3>
            <ul class="harmonies">
                <li v-for="harmony in harmonies" :key="harmony.from">
                    <strong>{{ harmony.name }}</strong> <span class="numeral">{{ harmony.numeral }}</span>
                    <span class="quiet">{{ harmony.where }}</span>
                </li>
            </ul>
        </section>

        <section>
            <h3>Pedal</h3>
            <p v-if="actions.length === 0" class="quiet">No pedal in this bar.</p>
            <article v-for="action in actions" :key="action.span.down" class="action">
                <p class="action-title">
                    <strong>{{ action.title }}</strong> {{ action.when }}<template v-if="action.until">, up {{ action.until }}</template>
                    <span class="origin"
                        >{{ action.span.depth === 'full' ? '' : `${depthName(action.span.depth)} · ` }}{{ action.mark ? ORIGIN[action.mark.origin] : '' }}</span
                    >
                </p>
                <ul class="reasons">
                    <li v-for="reason in action.isCurrent ? action.span.reasons : action.span.reasons.slice(0, 2)" :key="reason">{{ reason }}</li>
                    <li v-if="action.isCurrent">{{ action.timing }}</li>
                </ul>
                <div v-if="action.isCurrent && action.mark?.kind === 'span'" class="how">
                    <ChoiceSelect
                        :value="String(action.mark.depth)"
                        :options="depths"
                        label="Depth of this pedal"
                        @choose="(value) => state.setDepth(depthOf(value))"
                    />
                    <ChoiceSelect :value="action.mark.manner ?? 'after'" :options="MANNERS" label="How the foot goes down" @choose="state.setManner" />
                </div>
                <label v-if="action.mark && action.mark.origin === 'teacher'" class="words">
                    <span class="visually-hidden">Your reason for this pedal</span>
                    <a-input
                        size="small"
                        placeholder="Your reason"
                        :value="action.mark.words"
                        :maxlength="500"
                        @change="(event: Event) => action.mark && state.setWords(action.mark, (event.target as HTMLInputElement).value)"
                    />
                </label>
            </article>
        </section>

        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />

        <RingView :context="context" :state="state" />
        <KeptList :context="context" :state="state" />
        <DecisionList :context="context" :state="state" />

        <BarNote :context="context" />
    </InspectorFrame>
</template>

<style scoped>
h3 {
    margin-bottom: 4px;
}

p,
ul {
    margin: 0;
}

.harmonies {
    padding: 0;
    list-style: none;
}

.numeral {
    font-family: var(--serif);
    color: var(--heather);
    margin: 0 0.35em;
}

.action {
    margin: 6px 0 10px;
    padding-left: 10px;
    border-left: 2px solid var(--veiled);
}

.action-title {
    display: flex;
    gap: 0.4em;
    flex-wrap: wrap;
}

.origin {
    margin-left: auto;
    color: var(--quiet);
    font-size: 0.87em;
}

.reasons {
    padding-left: 1.05em;
    font-size: 0.93em;
    color: var(--quiet);
}

.how {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
    margin-top: 3px;
}

.words {
    display: block;
    margin-top: 4px;
}
</style>

<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue';
import type { CraftProps } from '../../desk/craft';
import BarsByKind from '../../desk/BarsByKind.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import DraftInput from '../../support/DraftInput.vue';
import { sendJson } from '../../support/http';
import type { RenditionDocument } from '@generated/rendition';
import RecordPanel from '../../takes/RecordPanel.vue';
import { grades } from '../shape/words';
import { takeName, type Kind, type ListedTake } from '../../takes/types';
import VerdictView from '../../takes/VerdictView.vue';
import { fractionValue } from '../../support/fraction';
import type { HearState, Version } from './useHear';

/** With its charts it comes when there is something to be drawn. */
const TakeProgress = defineAsyncComponent(() => import('./TakeProgress.vue') as Promise<Component>);

const props = defineProps<CraftProps<HearState>>();

const { desk, score, copy } = props.context;
const bar = computed(() => score.measures[desk.measure.value]!);
const numberOf = (index: number): string => score.measures[index]?.number ?? '';
const last = score.measures.length - 1;

const passage = computed(() => {
    const { isRange, bars } = desk.selection.value;
    if (!isRange) return { first: 0, last, words: 'the piece' };
    const words = bars.first === bars.last ? `bar ${numberOf(bars.first)}` : `bars ${numberOf(bars.first)}–${numberOf(bars.last)}`;
    return { first: bars.first, last: bars.last, words };
});
const selected = computed(() => (desk.selection.value.isRange ? desk.selection.value.bars : null));
const plan = (): Promise<RenditionDocument> => sendJson<RenditionDocument>('POST', `/copies/${copy.id}/rendition`, { plan: desk.plan.value });
const names = computed(() => Object.fromEntries((props.state.hear.value?.kinds ?? []).map(({ kind, label }) => [kind, label])) as Record<Kind, string>);

const take = computed(() => props.state.judged.value?.take ?? null);
const document = computed(() => props.state.document.value);
const played = computed(() => {
    const passed = document.value?.passage;
    if (!passed) return '';
    const hands = passed.hands.length === 1 ? `, ${passed.hands[0]} hand alone` : '';
    const bars = Array.from({ length: passed.last - passed.first + 1 }, (_, index) => passed.first + index);
    const whole =
        passed.first === 0 && passed.last === last
            ? 'the whole piece'
            : bars.length === 1
              ? `bar ${numberOf(passed.first)}`
              : `bars ${numberOf(passed.first)}–${numberOf(passed.last)}`;
    return `${whole}${hands}, at ${Math.round(100 * passed.rate)} % of the tempo of the plan`;
});
/** What the instrument does not tell, and the plan has. */
const untold = computed(() => {
    if (!document.value) return [];
    const { tells, lanes } = document.value;
    const isHalf = lanes.planned_foot.some(({ depth }) => depth > 0.1 && depth < 0.9);
    return [
        ...(tells.pedal === 'nothing' ? ['This instrument sent no pedal: of the foot nothing is said.'] : []),
        ...(tells.pedal === 'on-and-off' && isHalf ? ['Its pedal knows only up and down: of depths nothing is said.'] : []),
        ...(tells.velocity ? [] : ['It does not tell how hard keys are struck: of levels nothing is said.']),
    ];
});

const VERSIONS: { value: Version; label: string }[] = [
    { value: 'played', label: 'The take' },
    { value: 'plan', label: 'The plan' },
    { value: 'foot', label: 'with the plan’s pedal' },
    { value: 'levels', label: 'with its balance' },
    { value: 'time', label: 'in its time' },
];
const isPlaying = (version: Version): boolean => props.state.playing.value === `${take.value?.id} ${version}`;

const places = computed(() => (document.value?.measures ?? []).map(({ kind, bar: measure }) => ({ kind, measure })));
const compared = computed(() => {
    const [now, before] = [document.value?.summary, props.state.beside.value?.document.summary];
    if (!now || !before) return [];
    return before.flatMap(({ kind, faults }) => {
        const found = now.find((one) => one.kind === kind);
        return found && found.faults !== faults ? [{ kind, before: faults, now: found.faults }] : [];
    });
});
const arrived = (answer: { take: ListedTake }): void => props.state.arrived(answer);
</script>

<template>
    <InspectorFrame :bar="bar" :about="take ? takeName(take) : 'no take yet'">
        <section>
            <details :open="take === null">
                <summary>{{ take ? 'Record another take' : 'Record' }}</summary>
                <RecordPanel
                    :devices="state.devices"
                    :urls="state.urls"
                    :plan="plan"
                    :sound="state.sound"
                    :faults="state.hear.value?.faults ?? []"
                    :passage="passage"
                    :selected="selected"
                    @arrived="arrived"
                />
            </details>
            <p><a :href="`/copies/${copy.id}/foot`">Train the foot</a></p>
        </section>

        <p v-if="state.isLoading.value" role="status" class="quiet">Listening …</p>
        <template v-if="take && document">
            <section>
                <h3>What to do next</h3>
                <p class="quiet">{{ played }}.</p>
                <p v-for="one in untold" :key="one" class="quiet">{{ one }}</p>
                <VerdictView :verdict="document.verdict" :number-of="numberOf" can-jump @jump="({ at }) => state.goTo(fractionValue(at))" />
            </section>

            <section>
                <h3>Hear</h3>
                <div class="row">
                    <a-button v-for="version in VERSIONS" :key="version.value" size="small" @click="state.listen(version.value)">{{
                        isPlaying(version.value) ? 'Stop' : version.label
                    }}</a-button>
                    <a-button v-if="state.beside.value" size="small" @click="state.listen('played', state.beside.value)">The earlier take</a-button>
                </div>
            </section>

            <section v-if="compared.length > 0">
                <h3>Beside {{ takeName(state.beside.value!.take) }}</h3>
                <ul class="compared">
                    <li v-for="one in compared" :key="one.kind">
                        {{ names[one.kind] }}: {{ one.before }} before, {{ one.now }} now <strong>{{ one.now < one.before ? 'better' : 'worse' }}</strong>
                    </li>
                </ul>
            </section>

            <section>
                <h3>In this bar</h3>
                <p v-if="state.hereMeasures.value.length === 0" class="quiet">Nothing was amiss here.</p>
                <p v-for="measure in state.hereMeasures.value" :key="measure.kind + measure.at + measure.says" class="finding warning">
                    <span class="severity">{{ names[measure.kind] }}</span> {{ measure.says }}
                </p>
            </section>

            <section>
                <h3>All that was heard</h3>
                <BarsByKind :places="places" :names="names" :measures="score.measures" @jump="desk.moveToMeasure" />
            </section>

            <section>
                <h3>This take</h3>
                <label class="name">
                    Name
                    <DraftInput class="plain" :value="take.name ?? ''" maxlength="80" aria-label="Name of the take" @said="state.rename" />
                </label>
                <p class="quiet">
                    {{ take.by === 'student' ? 'Recorded at home' : 'Recorded here' }}{{ take.device ? ` on ${take.device}` : ', from a file' }}.
                    {{ document.passage.louder > 1 ? `Louder than the plan as a whole, by ${grades(document.passage.louder)}.` : '' }}
                    {{ document.passage.louder < -1 ? `Softer than the plan as a whole, by ${grades(document.passage.louder)}.` : '' }}
                </p>
                <label>
                    <input type="checkbox" :checked="state.against.value === 'now'" @change="state.judgeByNow(state.against.value !== 'now')" />
                    judged by the plan as it is now
                </label>
                <div class="row">
                    <a class="ant-btn ant-btn-default ant-btn-sm" :href="`/copies/${copy.id}/takes/${take.id}/download.mid`">As MIDI</a>
                    <a-popconfirm title="Delete this take for good?" ok-text="Delete" cancel-text="Keep" @confirm="state.forget">
                        <a-button size="small" danger>Delete</a-button>
                    </a-popconfirm>
                </div>
            </section>

            <section v-if="state.takes.value.length > 1">
                <h3>Over {{ state.takes.value.length }} takes</h3>
                <TakeProgress :takes="state.takes.value" />
            </section>
        </template>
        <p v-else-if="!state.isLoading.value" class="quiet">
            Play the plan here, or drop a MIDI file: it is laid note by note onto the score, and measured against the plan.
        </p>
        <p class="quiet care">Pain is a stop sign. Stop when hand or shin tires.</p>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0 0 4px;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-top: 4px;
}

summary {
    font: 600 1.05rem var(--serif);
    cursor: pointer;
}

details[open] summary {
    margin-bottom: 8px;
}

.compared {
    margin: 0;
    padding-left: 1.1em;
}

.name {
    display: flex;
    gap: 8px;
    align-items: center;
}

.care {
    margin-top: 14px;
}
</style>

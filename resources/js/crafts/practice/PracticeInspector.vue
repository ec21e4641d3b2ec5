<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import DraftInput from '../../support/DraftInput.vue';
import { FAULTS } from '../../sound/faults';
import type { Kind } from './edits';
import StepCard from './StepCard.vue';
import type { PracticeState } from './usePractice';

/** The chunk at the cursor: what makes it hard, and its steps. */
const props = defineProps<CraftProps<PracticeState>>();

const { desk, score } = props.context;
const bar = computed(() => score.measures[desk.measure.value]!);
const chunk = computed(() => props.state.chunk.value);
const chain = computed(() => props.state.chain.value);
const number = (index: number): string => score.measures[index]?.number ?? '';
const barsOf = ({ first, last }: { first: number; last: number }): string =>
    first === last ? `bar ${number(first)}` : `bars ${number(first)}–${number(last)}`;

const NAMES: Record<Kind, string> = {
    listen: 'Listen',
    tapped: 'Rhythm tapped',
    blocks: 'Block chords',
    outer: 'Outer notes',
    'melody-and-bass': 'Melody and bass',
    'right-hand': 'Right hand',
    'left-hand': 'Left hand',
    'silent-inner': 'Inner notes touched, not heard',
    'without-pedal': 'Without pedal',
    'pedal-alone': 'Pedal alone',
    'weak-beats': 'Accents on weak beats',
    'groups-of-four': 'Groups of four',
    differences: 'The differences',
    together: 'Together',
    link: 'Into the next',
    line: 'As one line',
    whole: 'From beginning to end',
};
/** What can be added to a chunk. */
const ADDED: readonly Kind[] = [
    'tapped',
    'blocks',
    'outer',
    'melody-and-bass',
    'right-hand',
    'left-hand',
    'silent-inner',
    'without-pedal',
    'pedal-alone',
    'weak-beats',
    'groups-of-four',
];
const open = computed(() => ADDED.filter((kind) => !chain.value?.steps.some((step) => step.kind === kind)).map((value) => ({ value, label: NAMES[value] })));
const place = (id: string): number => score.measures.findIndex((measure) => measure.id === id);
const faultName = (fault: string): string => FAULTS.find(({ value }) => value === fault)?.label ?? '';
const minutes = computed(() => chain.value?.steps.reduce((sum, step) => sum + step.minutes, 0) ?? 0);
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${state.practice.value!.minutes} minutes in all, each step once`">
        <section v-if="chunk">
            <h3>{{ `Chunk: ${barsOf(chunk.bars)}` }}</h3>
            <p v-if="chain">
                Number {{ state.ranks.value.get(chunk.first) }} of {{ state.ranks.value.size }} in the order of work; it is to go at {{ chunk.goal
                }}<template v-if="chunk.ceiling">, measured rates carry it to {{ chunk.ceiling }}</template
                >.
            </p>
            <p v-if="chunk.twin && chunk.twin.differences.length === 0">
                The same as {{ barsOf(chunk.twin.bars) }}: practised there, known here.
                <button type="button" @click="desk.moveToMeasure(chunk.twin.bars.first)">Go there</button>
            </p>
            <template v-else-if="chunk.twin">
                <p>Like {{ barsOf(chunk.twin.bars) }}, but:</p>
                <ul>
                    <li v-for="one in chunk.twin.differences" :key="one.measure + one.text">bar {{ number(one.measure) }}: {{ one.text }}</li>
                </ul>
            </template>
            <ul v-if="chunk.reasons.length > 0" class="reasons" aria-label="What makes it hard">
                <li v-for="reason in chunk.reasons" :key="reason">{{ reason }}</li>
            </ul>
            <p v-if="chunk.own" class="quiet">You cut it so.</p>
        </section>
        <section v-if="chain" aria-label="Steps">
            <h3>Steps, {{ minutes }} min</h3>
            <ol>
                <StepCard
                    v-for="step in chain.steps"
                    :key="step.id"
                    :step="step"
                    :copy="context.copy.id"
                    editable
                    @change="(what) => state.change(step.kind, what)"
                />
            </ol>
            <p v-if="state.leftOut.value.length > 0" class="left-out">
                Left out:
                <button v-for="mark in state.leftOut.value" :key="mark.id" type="button" @click="state.change(mark.step, { wanted: true })">
                    {{ NAMES[mark.step] }} <span class="visually-hidden">back in</span>
                </button>
            </p>
            <ChoiceSelect
                :value="undefined"
                :options="open"
                placeholder="Add a step"
                label="Add a step"
                @choose="(kind) => state.change(kind, { wanted: true })"
            />
        </section>
        <p v-if="state.leftOutWider.value.length > 0" class="left-out">
            Left out elsewhere:
            <button v-for="mark in state.leftOutWider.value" :key="mark.id" type="button" @click="state.putBack(mark)">
                {{ NAMES[mark.step] }}, {{ barsOf({ first: place(mark.first), last: place(mark.last) }) }} <span class="visually-hidden">back in</span>
            </button>
        </p>
        <section v-if="state.wider.value.length > 0" aria-label="With other chunks">
            <h3>With what is around it</h3>
            <template v-for="one in state.wider.value" :key="one.key">
                <p class="quiet">{{ one.key === 'listen' ? 'Before all' : barsOf(one.bars) }}</p>
                <ol>
                    <StepCard v-for="step in one.steps" :key="step.id" :step="step" editable @change="(what) => state.change(step.kind, what, one)" />
                </ol>
            </template>
        </section>
        <section aria-label="Examples for home">
            <h3>Examples for home</h3>
            <p class="quiet">Heard there with the fault, and as it is planned: the selected bars, or this chunk.</p>
            <ul class="examples">
                <li v-for="mark in state.examples.value" :key="mark.id">
                    <button type="button" @click="desk.moveToMeasure(place(mark.first))">
                        {{ barsOf({ first: place(mark.first), last: place(mark.last) }) }}
                    </button>
                    {{ faultName(mark.fault) }}
                    <button
                        type="button"
                        :aria-label="`Forget the example of ${barsOf({ first: place(mark.first), last: place(mark.last) })}`"
                        @click="state.forgetExample(mark.id)"
                    >
                        ✕
                    </button>
                    <DraftInput
                        :value="mark.words ?? ''"
                        maxlength="500"
                        placeholder="what to listen for"
                        :aria-label="`Words of the example of ${barsOf({ first: place(mark.first), last: place(mark.last) })}`"
                        @said="(words) => state.sayOfExample(mark.id, words)"
                    />
                </li>
            </ul>
            <ChoiceSelect :value="undefined" :options="FAULTS" placeholder="Add an example" label="Add an example" @choose="state.exemplify" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p,
ul,
ol {
    margin: 4px 0;
    padding: 0;
}

ol {
    list-style: none;
}

.examples {
    list-style: none;
}

.examples input {
    width: 100%;
    margin: 3px 0 7px;
    padding: 3px 7px;
    font: inherit;
    border: 1px solid var(--line);
    border-radius: 5px;
}

.reasons {
    padding-left: 18px;
}

.left-out {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
}

button {
    padding: 1px 8px;
    font: inherit;
    color: var(--ink);
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}
</style>

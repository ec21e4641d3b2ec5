<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import BarsByKind from '../../desk/BarsByKind.vue';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import { fractionValue } from '../../support/fraction';
import type { Finding } from '@generated/shape';
import ExpressionPalettes from '../words/ExpressionPalettes.vue';
import { DYNAMICS, type Choices, type Staves } from './edits';
import LevelLedger from './LevelLedger.vue';
import PassageChoices from './PassageChoices.vue';
import type { ShapeState } from './useShape';
import { grades, signed, signedGrades } from './words';

const props = defineProps<CraftProps<ShapeState>>();

const { desk, score } = props.context;
/** The inspector is shown where the shape is known. */
const document = computed(() => props.state.shape.value!);
const phrase = computed(() => props.state.phrase.value);
const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const findings = computed(() => document.value.findings.filter(({ measure }) => measure === desk.measure.value));
const isShaped = computed(() => props.state.school.value !== 'as-printed');

const STAVES: { value: Staves; label: string }[] = [
    { value: 'both', label: 'both staves' },
    { value: 'upper', label: 'upper staff' },
    { value: 'lower', label: 'lower staff' },
];

const KINDS: Record<Finding['kind'], string> = {
    'no-room-to-grow': 'No room to grow',
    'no-room-to-fall': 'No room to fall',
    'subito-unprepared': 'Sudden, not prepared',
    'print-contradicted': 'Against the print',
    'flat-phrase': 'Flat phrase',
    'second-goal': 'Two goals',
    'climax-spent': 'Climax spent early',
    'echo-alike': 'Echo no softer',
    bump: 'Bump after a long note',
    'resolution-louder': 'Resolution louder',
    'high-note-out': 'High note sticks out',
    'up-beat-accented': 'Up-beat accented',
    'repeated-alike': 'Repeated notes alike',
};

const setChoices = (choices: Choices): void => desk.setSettings('shape', choices);
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${beatName(bar, (desk.times[desk.cursor.value] ?? 0) - from)}`">
        <section v-if="phrase">
            <h3>Phrase {{ phrase.index + 1 }}{{ phrase.climax ? ', with the climax' : '' }}</h3>
            <p v-if="phrase.manner && (phrase.own || !phrase.climax)" class="quiet">{{ phrase.own ? 'Rise, fall and level are yours' : phrase.manner }}.</p>
            <ol class="goals" aria-label="Notes it may grow to">
                <li v-for="one in phrase.goals" :key="one.note">
                    <a-button size="small" :type="one.note === phrase.goal ? 'primary' : 'default'" @click="state.setGoal(one.note)">{{ one.name }}</a-button>
                    <span class="quiet">{{ one.reasons.join(', ') }}</span>
                </li>
            </ol>
            <div v-if="isShaped || phrase.own" class="arch" role="group" aria-label="Arch of the phrase">
                <span :title="`${phrase.rise} dB`"
                    >grows by <b>{{ grades(phrase.rise) }}</b></span
                >
                <span :title="`${phrase.fall} dB`"
                    >falls by <b>{{ grades(phrase.fall) }}</b></span
                >
                <span :title="`${signed(phrase.level)} dB`"
                    >as a whole <b>{{ phrase.level === 0 ? 'as printed' : signedGrades(phrase.level) }}</b></span
                >
            </div>
            <p v-else class="quiet">As printed: choose a school above to let phrases grow and fall.</p>
            <p v-if="phrase.join" class="join">
                To the next phrase: {{ phrase.join }}.
                <a-button size="small" :type="state.breathes.value ? 'primary' : 'default'" @click="state.breathe()">Breath</a-button>
            </p>
            <a-button v-if="phrase.own" size="small" @click="state.plainArch()">As the school has it <kbd>P</kbd></a-button>
        </section>
        <section>
            <h3>Dynamics here</h3>
            <div class="letters" role="group" aria-label="Dynamics">
                <a-button v-for="(letters, index) in DYNAMICS" :key="letters" size="small" :title="`Key ${index + 1}`" @click="state.putDynamic(letters)">
                    <em>{{ letters }}</em>
                </a-button>
                <ChoiceSelect :value="state.staves.value" :options="STAVES" label="Staves the dynamic is for" @choose="state.setStaves" />
            </div>
        </section>
        <section>
            <h3>Loudness of the notes</h3>
            <LevelLedger :notes="state.now.value" :selected="state.selected.value" @select="state.select" />
        </section>
        <section>
            <h3>Words</h3>
            <ExpressionPalettes :words="state.words" />
        </section>
        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />
        <section>
            <h3>{{ desk.selection.value.isRange ? 'In these bars' : 'In the whole piece' }}</h3>
            <PassageChoices
                v-if="isShaped"
                :choices="state.choices.value"
                :is-passage="desk.selection.value.isRange"
                @change="(choices) => (desk.selection.value.isRange ? state.setManner(choices) : setChoices(choices))"
                @clear="state.setManner(null)"
            />
            <BarsByKind :places="document.findings" :names="KINDS" :measures="score.measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0;
}

.goals {
    margin: 6px 0;
    padding: 0;
    list-style: none;
}

.goals li {
    display: flex;
    gap: 8px;
    align-items: baseline;
    margin-bottom: 4px;
}

.arch,
.letters {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
}

.letters {
    gap: 4px;
}

kbd {
    margin-left: 5px;
}
</style>

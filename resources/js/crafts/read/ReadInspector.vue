<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { beatName } from '../../desk/beats';
import type { CraftProps } from '../../desk/craft';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import { fractionValue } from '../../support/fraction';
import type { ReadHarmony } from '@generated/read';
import ChordEditor from './ChordEditor.vue';
import type { ChordName } from './edits';
import { twins } from '../../desk/twins';
import LayerLegend from './LayerLegend.vue';
import NoteList from './NoteList.vue';
import type { ReadState } from './useRead';

const props = defineProps<CraftProps<ReadState>>();

const { desk, score } = props.context;
const { corrections } = props.state;
/** The inspector is shown where there is a reading. */
const reading = computed(() => props.state.reading.value!);

const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const to = computed(() => from.value + fractionValue(bar.value.length));
const now = computed(() => corrections.now.value);
const inBar = (at: string): boolean => fractionValue(at) >= from.value - 1e-9 && fractionValue(at) < to.value - 1e-9;

const key = computed(() => reading.value.keys.find((area) => fractionValue(area.to) > now.value + 1e-9)?.name ?? '');
const section = computed(
    () => reading.value.sections.find((one) => fractionValue(one.from) <= now.value + 1e-9 && fractionValue(one.to) > now.value + 1e-9)?.letter ?? '',
);
const harmonies = computed(() =>
    reading.value.harmonies.filter((harmony) => fractionValue(harmony.from) < to.value - 1e-9 && fractionValue(harmony.to) > from.value + 1e-9),
);
const cadences = computed(() => reading.value.cadences.filter(({ at }) => inBar(at)));
const phrases = computed(() => reading.value.boundaries.filter(({ at }) => inBar(at)));
const alike = computed(() => twins(reading.value.likenesses, desk.measure.value));
const patterns = computed(() => reading.value.patterns.filter((one) => one.from <= desk.measure.value && desk.measure.value < one.from + one.length));
const lines = computed(() => reading.value.inner_lines.filter(({ measure }) => measure === desk.measure.value));

const editing = ref<string | null>(null);
watch(bar, () => (editing.value = null));

function where(at: string): string {
    return fractionValue(at) < from.value - 1e-9 ? 'goes on' : beatName(bar.value, fractionValue(at) - from.value);
}

function strength(value: number): string {
    return value >= 0.8 ? 'clearly' : value >= 0.6 ? 'probably' : 'perhaps';
}

function name(harmony: ReadHarmony, chord: ChordName): void {
    corrections.nameChord(harmony, chord);
    editing.value = null;
}
</script>

<template>
    <InspectorFrame :bar="bar" :about="[section && `Section ${section}`, key, bar.time, reading.textures[desk.measure.value]].filter(Boolean).join(' · ')">
        <section>
            <h3>Harmony</h3>
            <article v-for="harmony in harmonies" :key="harmony.from" class="harmony">
                <p>
                    <strong>{{ harmony.words }}</strong> <span class="numeral">{{ harmony.numeral }}</span> <span class="quiet">{{ where(harmony.from) }}</span>
                    <span class="acts">
                        <button v-if="harmony.fixed" type="button" @click="corrections.forgetChord(harmony)">read again</button>
                        <button type="button" :aria-expanded="editing === harmony.from" @click="editing = editing === harmony.from ? null : harmony.from">
                            rename
                        </button>
                    </span>
                </p>
                <p v-if="harmony.fixed" class="quiet">named by you</p>
                <p v-if="harmony.remark" class="remark">{{ harmony.remark }}</p>
                <ul v-if="harmony.outside.length > 0" class="outside">
                    <li v-for="one in harmony.outside" :key="one.note">{{ one.words }}</li>
                </ul>
                <ChordEditor v-if="editing === harmony.from" :harmony="harmony" @name="(chord) => name(harmony, chord)" @close="editing = null" />
            </article>
            <p v-for="cadence in cadences" :key="cadence.at" class="quiet">A {{ cadence.kind }} cadence, {{ where(cadence.at) }}.</p>
        </section>
        <section>
            <h3>Phrase</h3>
            <article v-for="phrase in phrases" :key="phrase.at" class="phrase">
                <p>
                    {{ phrase.section ? 'A section' : 'A phrase' }} begins, {{ where(phrase.at) }}
                    <span class="quiet">{{ phrase.fixed ? 'set by you' : strength(phrase.strength) }}</span>
                </p>
                <p v-if="!phrase.fixed" class="quiet">{{ phrase.reasons.join(', ') }}</p>
            </article>
            <a-button size="small" :disabled="desk.cursor.value === 0" @click="corrections.togglePhrase">{{
                corrections.boundary.value ? 'No phrase begins at the cursor' : 'A phrase begins at the cursor'
            }}</a-button>
        </section>
        <section>
            <h3>Notes at the cursor</h3>
            <LayerLegend />
            <NoteList :corrections="corrections" />
        </section>
        <section v-if="alike.length + patterns.length > 0">
            <h3>Like other bars</h3>
            <article v-for="{ measure, likeness } in alike" :key="likeness.words" class="like">
                <p>
                    {{ likeness.words }} <button type="button" @click="desk.moveToMeasure(measure)">see bar {{ score.measures[measure]?.number }}</button>
                </p>
                <ul v-if="likeness.differences.length > 0" class="outside">
                    <li v-for="difference in likeness.differences" :key="`${difference.measure} ${difference.text}`">
                        <button type="button" @click="desk.moveToMeasure(difference.measure)">bar {{ score.measures[difference.measure]?.number }}</button>
                        {{ difference.text }}
                    </li>
                </ul>
            </article>
            <p v-for="pattern in patterns" :key="pattern.words">{{ pattern.words }}</p>
        </section>
        <section v-if="lines.length > 0">
            <h3>Inner line</h3>
            <p v-for="line in lines" :key="line.words">{{ line.words }}</p>
        </section>
    </InspectorFrame>
</template>

<style scoped>
p,
ul {
    margin: 0;
}

h3 {
    margin-bottom: 4px;
}

.harmony,
.phrase,
.like {
    margin-bottom: 6px;
}

.numeral {
    font-family: var(--serif);
    color: var(--heather);
}

.remark {
    color: var(--heather);
}

.outside {
    padding-left: 1.05em;
    font-size: 0.93em;
    color: var(--quiet);
}

.acts {
    float: right;
    display: flex;
    gap: 4px;
}

article button {
    padding: 0 7px;
    font: inherit;
    font-size: 0.87em;
    color: var(--lake);
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 5px;
    cursor: pointer;
}
</style>

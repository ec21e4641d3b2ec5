<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import ValuesPopover from '../../support/ValuesPopover.vue';
import { DEPTHS, MANNERS } from './depth';
import type { Way } from './edits';
import type { PedalState, School } from './usePedal';

const props = defineProps<CraftProps<PedalState>>();

const SCHOOLS: readonly { value: School; label: string; haze?: number }[] = [
    { value: 'singing', label: 'Singing', haze: 0.5 },
    { value: 'clean', label: 'Clean', haze: 0 },
    { value: 'haze', label: 'Haze', haze: 1 },
    { value: 'dampers-off', label: 'Dampers off' },
    { value: 'as-printed', label: 'As printed' },
];
const RATES = [
    { value: 'free', label: 'as it needs' },
    { value: 'beat', label: 'every beat' },
    { value: 'half-bar', label: 'every half bar' },
    { value: 'harmony', label: 'every harmony' },
    { value: 'bar', label: 'every bar' },
    { value: 'two-bars', label: 'every two bars' },
] as const;
const HABITS = MANNERS.filter(({ value }) => value === 'after' || value === 'with');
const NOTATIONS = [
    { value: 'line', label: 'a line' },
    { value: 'signs', label: 'signs' },
] as const;

/** The selected bars have their own way, else the piece; at the cursor that of its passage shows. */
const isRange = computed(() => props.context.desk.selection.value.isRange);
const way = computed<Way>(() => props.state.passage.value ?? props.state.settings.value);
const school = computed<School>(() => way.value.school ?? 'singing');
const haze = computed(() => way.value.haze ?? SCHOOLS.find(({ value }) => value === school.value)?.haze ?? 0.5);
const depth = computed(() => String(way.value.depth ?? 'best'));
const depths = [{ value: 'best', label: 'what is best' }, ...DEPTHS.map(({ value, label }) => ({ value: String(value), label }))];

const besideName = computed(() => props.state.beside.options.value.find(({ value }) => value === props.state.beside.name.value)?.label ?? '');

function chooseSchool(value: School): void {
    const own = SCHOOLS.find((one) => one.value === value)?.haze;
    void props.state.setWay({ school: value, ...(own === undefined ? {} : { haze: own }) });
}

/** Between clean and haze the school is the nearest. */
function chooseHaze(value: number): void {
    void props.state.setWay({ haze: value, school: value < 0.25 ? 'clean' : value > 0.75 ? 'haze' : 'singing' });
}

function chooseDepth(value: string): void {
    const found = DEPTHS.find((one) => String(one.value) === value);
    void props.state.setWay({ depth: found?.value });
}
</script>

<template>
    <a-button type="primary" aria-label="Suggest pedal" :loading="context.desk.busy.value === 'pedal'" @click="state.suggest()"
        >Suggest<span class="long">&nbsp;pedal</span> <kbd>S</kbd></a-button
    >
    <label class="field">
        <span class="long">{{ isRange || state.passage.value ? 'Way here' : 'Way' }}</span>
        <ChoiceSelect :value="school" :options="SCHOOLS" label="Way of pedalling" @choose="chooseSchool" />
    </label>
    <a-button v-if="state.beside.answer.value" class="tool" :title="`The selected bars, or this one, as in ${besideName}`" @click="state.takeOver()"
        >As {{ besideName }}</a-button
    >
    <ValuesPopover label="Foot …" title="The way of pedalling">
        <span>clean to haze</span>
        <a-slider
            class="haze"
            :value="haze"
            :min="0"
            :max="1"
            :step="0.05"
            :disabled="school === 'dampers-off' || school === 'as-printed'"
            aria-label="Clean to haze"
            @after-change="(value: number | [number, number]) => typeof value === 'number' && chooseHaze(value)"
        />
        <span>changes</span>
        <ChoiceSelect :value="way.rate ?? 'free'" :options="RATES" label="How often the pedal changes" @choose="(rate) => state.setWay({ rate })" />
        <span>the foot goes down</span>
        <ChoiceSelect :value="way.habit ?? 'after'" :options="HABITS" label="When the foot goes down" @choose="(habit) => state.setWay({ habit })" />
        <span>how deep</span>
        <ChoiceSelect :value="depth" :options="depths" label="How deep pedals are" @choose="chooseDepth" />
        <span>laid beside</span>
        <ChoiceSelect
            :value="state.beside.name.value"
            :options="state.beside.options.value"
            label="Another pedalling beside this one"
            @choose="state.beside.lay"
        />
        <span>printed as</span>
        <ChoiceSelect
            :value="state.settings.value.notation ?? 'line'"
            :options="NOTATIONS"
            label="How the pedal is printed"
            @choose="(notation) => context.desk.setSettings('pedal', { notation })"
        />
        <template #after>
            <p class="of">{{ isRange ? 'For the selected bars.' : state.passage.value ? 'For this passage.' : 'For the piece; select bars for a passage.' }}</p>
            <a-button v-if="state.passage.value && !isRange" size="small" @click="state.clearPassage()">As in the rest of the piece</a-button>
        </template>
    </ValuesPopover>
</template>

<style scoped>
.haze {
    width: 150px;
    margin: 6px 4px;
}

.of {
    margin: 0 0 6px;
    color: var(--quiet);
    font-size: 0.9em;
}
</style>

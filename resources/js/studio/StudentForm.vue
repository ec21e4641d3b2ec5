<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import PianoValues from './PianoValues.vue';
import type { AdjustedPiano, Instrument, Skill, StudentItem } from './types';
import { SPANS } from '../support/intervals';
import { ACTIONS, HIGHEST, LOWEST, SOFT_PEDALS } from './pianos';
import { clicksFromRate, rateFromClicks } from './rates';

const props = defineProps<{ student: StudentItem | null; instruments: Instrument[]; pianos: AdjustedPiano[] }>();
const emit = defineEmits<{ close: [] }>();

const form = useForm({
    name: props.student?.name ?? '',
    instrument: props.student?.instrument ?? 'concert-grand',
    piano_id: props.student?.piano_id ?? null,
    half_pedal: props.student?.half_pedal ?? true,
    sostenuto: props.student?.sostenuto ?? false,
    lowest_key: props.student?.lowest_key ?? 21,
    highest_key: props.student?.highest_key ?? 108,
    action: props.student?.action ?? 'medium',
    soft_pedal: props.student?.soft_pedal ?? 'works',
    weak_fingers: props.student?.weak_fingers ?? false,
    skill: props.student?.skill ?? 'intermediate',
    foot_comfortable: props.student?.foot_comfortable ?? null,
    foot_catches: props.student?.foot_catches ?? null,
    run_rate: props.student?.run_rate ?? null,
    repetition_rate: props.student?.repetition_rate ?? null,
    right_comfortable: props.student?.right_comfortable ?? null,
    right_largest: props.student?.right_largest ?? null,
    left_comfortable: props.student?.left_comfortable ?? null,
    left_largest: props.student?.left_largest ?? null,
});

/** The kinds of instruments, and those she has adjusted. */
const choices = computed(() => [
    ...props.instruments.map(({ value, label }) => ({ value, label })),
    ...props.pianos.map(({ id, name }) => ({ value: String(id), label: name })),
]);
const kind = computed(() => props.instruments.find(({ value }) => value === form.instrument));
const piano = computed(() => props.pianos.find(({ id }) => id === form.piano_id) ?? null);
const adjusting = ref(false);

function chooseInstrument(value: string): void {
    const own = props.pianos.find(({ id }) => String(id) === value);
    form.piano_id = own?.id ?? null;
    if (!own) form.instrument = value;
    adjusting.value = false;
}

/** A copy that has just been kept is hers. */
function adjusted(): void {
    adjusting.value = false;
    form.piano_id ??= Math.max(0, ...props.pianos.map(({ id }) => id)) || null;
}

function pianoRemoved(): void {
    adjusting.value = false;
    form.piano_id = null;
}

const REACHES = [
    { hand: 'Right hand', comfortable: 'right_comfortable', largest: 'right_largest' },
    { hand: 'Left hand', comfortable: 'left_comfortable', largest: 'left_largest' },
] as const;
const SPAN_OPTIONS = [{ value: 0, label: 'not measured' }, ...SPANS];

const SKILLS: { value: Skill; label: string }[] = [
    { value: 'growing', label: 'growing: more is let pass' },
    { value: 'intermediate', label: 'intermediate' },
    { value: 'advanced', label: 'advanced: less is let pass' },
];

/** As teachers measure it: the highest metronome mark at which four notes to a click are even. */
const RATES = [
    { field: 'run_rate', label: 'Quickest even run', hint: 'four notes of a scale to a click' },
    { field: 'repetition_rate', label: 'Quickest repeated note', hint: 'four strokes of one key to a click' },
] as const;

/** How quick the foot is, in milliseconds; without a value what is usual. */
const FOOT = [
    { field: 'foot_comfortable', label: 'From one change to the next, in comfort', usual: 350, min: 150, max: 2000 },
    { field: 'foot_catches', label: 'To catch what is struck', usual: 150, min: 60, max: 1000 },
] as const;

function save(): void {
    const options = { preserveScroll: true, onSuccess: () => emit('close') };
    if (props.student) form.patch(`/students/${props.student.id}`, options);
    else form.post('/students', options);
}

function remove(): void {
    if (props.student) router.delete(`/students/${props.student.id}`, { preserveScroll: true, onSuccess: () => emit('close') });
}
</script>

<template>
    <a-modal
        open
        :title="student ? `Change ${student.name}` : 'Add a student'"
        ok-text="Save"
        cancel-text="Cancel"
        :confirm-loading="form.processing"
        @ok="save"
        @cancel="emit('close')"
    >
        <form class="form" @submit.prevent="save">
            <label for="student-name">First name or nickname</label>
            <a-input id="student-name" v-model:value="form.name" :maxlength="60" />
            <p v-if="form.errors.name" class="error" role="alert">{{ form.errors.name }}</p>
            <label for="student-instrument">Instrument at home</label>
            <span class="rate">
                <ChoiceSelect id="student-instrument" :value="piano ? String(piano.id) : form.instrument" :options="choices" @choose="chooseInstrument" />
                <a-button v-if="!adjusting" size="small" @click="adjusting = true">{{ piano ? 'Adjust …' : 'Adjust a copy …' }}</a-button>
            </span>
            <PianoValues
                v-if="adjusting && kind"
                :key="form.piano_id ?? form.instrument"
                :piano="piano"
                :name="kind.label"
                :profile="kind.profile"
                @kept="adjusted"
                @close="adjusting = false"
                @removed="pianoRemoved"
            />
            <span class="rate">
                <label for="student-skill">Heard as</label>
                <ChoiceSelect id="student-skill" :value="form.skill" :options="SKILLS" @choose="(skill) => (form.skill = skill)" />
            </span>
            <a-checkbox v-model:checked="form.half_pedal">The pedal knows half pedal</a-checkbox>
            <a-checkbox v-model:checked="form.sostenuto">The middle pedal keeps single notes</a-checkbox>
            <fieldset>
                <legend>Its keys and left pedal</legend>
                <span class="rate">
                    <label for="student-lowest">Lowest key</label>
                    <ChoiceSelect id="student-lowest" :value="form.lowest_key" :options="LOWEST" @choose="(key) => (form.lowest_key = key)" />
                    <label for="student-highest">highest</label>
                    <ChoiceSelect id="student-highest" :value="form.highest_key" :options="HIGHEST" @choose="(key) => (form.highest_key = key)" />
                </span>
                <span class="rate">
                    <label for="student-action">Keys are</label>
                    <ChoiceSelect id="student-action" :value="form.action" :options="ACTIONS" @choose="(action) => (form.action = action)" />
                    <label for="student-soft">soft pedal</label>
                    <ChoiceSelect id="student-soft" :value="form.soft_pedal" :options="SOFT_PEDALS" @choose="(pedal) => (form.soft_pedal = pedal)" />
                </span>
            </fieldset>
            <fieldset>
                <legend>How quickly she or he plays evenly</legend>
                <p class="quiet">Once measured, every piece says up to which tempo each bar can go. Let it be easy: stop before the arm tightens.</p>
                <template v-for="{ field, label, hint } in RATES" :key="field">
                    <label :for="`student-${field}`">{{ label }}</label>
                    <span class="rate">
                        <span>{{ hint }}, click at</span>
                        <a-input-number
                            :id="`student-${field}`"
                            :value="clicksFromRate(form[field]) ?? ''"
                            :min="10"
                            :max="400"
                            placeholder="–"
                            @change="(value: unknown) => (form[field] = rateFromClicks(typeof value === 'number' ? value : null))"
                        />
                        <span v-if="form[field] !== null" class="quiet">{{ form[field]?.toFixed(1) }} a second</span>
                    </span>
                    <p v-if="form.errors[field]" class="error" role="alert">{{ form.errors[field] }}</p>
                </template>
            </fieldset>
            <fieldset>
                <legend>How quick the foot is</legend>
                <template v-for="{ field, label, usual, min, max } in FOOT" :key="field">
                    <span class="rate">
                        <label :for="`student-${field}`">{{ label }}</label>
                        <a-input-number
                            :id="`student-${field}`"
                            :value="form[field] === null ? '' : Math.round(1000 * form[field]!)"
                            :min="min"
                            :max="max"
                            :step="10"
                            :placeholder="String(usual)"
                            @change="(value: unknown) => (form[field] = typeof value === 'number' ? value / 1000 : null)"
                        />
                        <span class="quiet">ms</span>
                    </span>
                    <p v-if="form.errors[field]" class="error" role="alert">{{ form.errors[field] }}</p>
                </template>
            </fieldset>
            <fieldset>
                <legend>How wide the hands open</legend>
                <p class="quiet">The widest span of white keys from thumb to little finger, first what is comfortable, then at most. Never force it.</p>
                <template v-for="{ hand, comfortable, largest } in REACHES" :key="hand">
                    <span class="rate">
                        <strong>{{ hand }}</strong>
                        <ChoiceSelect
                            :value="form[comfortable] ?? 0"
                            :options="SPAN_OPTIONS"
                            :label="`${hand}, comfortable`"
                            @choose="(span) => (form[comfortable] = span === 0 ? null : span)"
                        />
                        <span>at most</span>
                        <ChoiceSelect
                            :value="form[largest] ?? 0"
                            :options="SPAN_OPTIONS"
                            :label="`${hand}, at most`"
                            @choose="(span) => (form[largest] = span === 0 ? null : span)"
                        />
                    </span>
                    <p v-if="form.errors[comfortable] || form.errors[largest]" class="error" role="alert">
                        {{ form.errors[comfortable] || form.errors[largest] }}
                    </p>
                </template>
            </fieldset>
            <a-checkbox v-model:checked="form.weak_fingers">Fourth and fifth finger are still weak: spare them where it is loud</a-checkbox>
            <a-popconfirm v-if="student" :title="`Remove ${student.name} and all copies?`" ok-text="Remove" cancel-text="Keep" @confirm="remove">
                <a-button danger class="remove">Remove this student</a-button>
            </a-popconfirm>
        </form>
    </a-modal>
</template>

<style scoped>
.form {
    display: grid;
    gap: 8px;
}

label {
    font-weight: 600;
}

fieldset {
    display: grid;
    gap: 4px;
    margin: 6px 0 0;
    padding: 10px 14px 12px;
    border: 1px solid var(--line);
    border-radius: 8px;
}

legend {
    padding: 0 6px;
    font-weight: 600;
}

fieldset p {
    margin: 0;
}

.rate {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
}

.error {
    margin: 0;
    color: var(--rust);
}

.remove {
    justify-self: start;
    margin-top: 8px;
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Sound } from '../sound/lazyPiano';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { SimulatedFault } from '@generated/hear';
import type { RenditionDocument } from '@generated/rendition';
import CalibrationPanel from './CalibrationPanel.vue';
import type { Devices } from './devices';
import { liveSound } from './liveSound';
import ScreenPiano from './ScreenPiano.vue';
import SimulationChoice from './SimulationChoice.vue';
import type { Simulation } from './simulated';
import type { ArrivedTake } from './types';
import { useRecorder } from './useRecorder';

/** Records a take: on an instrument, on the screen, by a simulated pianist, or from a file. */
const props = defineProps<{
    devices: Devices;
    urls: { takes: string; simulation: string; calibrations: string };
    plan: () => Promise<RenditionDocument>;
    sound: () => Sound;
    faults: readonly SimulatedFault[];
    /** What is played: bars by index, and in words. */
    passage: { first: number; last: number; words: string };
    /** The passage as the simulated pianist is asked for it; null for all of the piece. */
    selected: { first: number; last: number } | null;
    step?: string | null;
    hand?: 'right' | 'left' | null;
    /** Share of the tempo of the plan at which it is counted in. */
    rate?: number;
}>();
const emit = defineEmits<{ arrived: [answer: ArrivedTake] }>();

const countIn = ref(true);
const heard = ref(true);
const atOnce = ref(false);
const calibrating = ref(false);
const simulation = ref<Simulation>({ skill: 'intermediate', faults: [], seed: 1, depth: true, bars: null, passage: null, hand: null });
const recorder = useRecorder(props.devices, props.urls, props.plan, props.sound, (answer) => {
    simulation.value = { ...simulation.value, seed: simulation.value.seed + 1 };
    emit('arrived', answer);
});
const { state, trouble, seconds, keys, pedalMoves, kept } = recorder;

const device = computed(() => props.devices.devices.value.find(({ id }) => id === props.devices.chosen.value));
const options = computed(() => props.devices.devices.value.map(({ id, name }) => ({ value: id, label: name })));
const isBusy = computed(() => state.value === 'counting' || state.value === 'recording');

const sounds = liveSound(props.sound);
props.devices.listen((message) => {
    // A real instrument sounds by itself.
    if (heard.value && !atOnce.value && device.value?.kind !== 'midi') sounds(message);
});

function toggle(): void {
    if (isBusy.value) void recorder.stop();
    else if (state.value === 'still')
        void recorder.start({
            first: props.passage.first,
            countIn: countIn.value,
            rate: props.rate ?? 1,
            step: props.step ?? null,
            simulation: { ...simulation.value, passage: props.selected, hand: props.hand ?? simulation.value.hand },
            atOnce: atOnce.value,
        });
}
defineExpose({ toggle });

function drop(event: DragEvent): void {
    const file = event.dataTransfer?.files[0];
    if (file) void recorder.bring(file);
}

function choose(event: Event): void {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (file) void recorder.bring(file);
    input.value = '';
}

const clock = computed(() => `${Math.floor(seconds.value / 60)}:${String(seconds.value % 60).padStart(2, '0')}`);
</script>

<template>
    <div class="record" @dragover.prevent @drop.prevent="drop">
        <p v-if="kept" role="status" class="kept">
            A recording on {{ kept.device }} has not been kept yet.
            <a-button size="small" type="primary" :disabled="state !== 'still'" @click="recorder.sendKept">Keep it</a-button>
            <a-button size="small" @click="recorder.forgetKept">Forget it</a-button>
        </p>
        <div class="row">
            <ChoiceSelect :value="devices.chosen.value" :options="options" label="Instrument" @choose="devices.choose" />
            <a-button v-if="devices.canAsk" size="small" :disabled="isBusy" @click="devices.look">Look for instruments</a-button>
        </div>
        <p v-if="devices.trouble.value" role="status" class="quiet">{{ devices.trouble.value }}</p>
        <SimulationChoice
            v-if="device?.kind === 'simulated'"
            :value="simulation"
            :faults="faults"
            :selected="selected"
            @change="(value) => (simulation = value)"
        />
        <ScreenPiano v-if="device?.kind === 'screen'" @message="devices.hear" />
        <div class="row options">
            <label><input v-model="countIn" type="checkbox" /> count-in</label>
            <label v-if="device?.kind === 'simulated'"><input v-model="atOnce" type="checkbox" /> at once</label>
            <label v-if="device?.kind !== 'midi'"><input v-model="heard" type="checkbox" /> heard</label>
            <a-button v-if="device?.kind !== 'simulated' && !calibrating" size="small" type="link" :disabled="isBusy" @click="calibrating = true"
                >Get to know this instrument</a-button
            >
        </div>
        <CalibrationPanel v-if="calibrating" :devices="devices" :url="urls.calibrations" @done="calibrating = false" />
        <div class="row">
            <a-button :type="isBusy ? 'default' : 'primary'" :disabled="state === 'waiting' || state === 'sending'" @click="toggle">{{
                isBusy ? 'Stop' : `Record ${passage.words}`
            }}</a-button>
            <a-button v-if="isBusy" type="text" @click="recorder.cancel">Throw it away</a-button>
            <label v-if="!isBusy" class="file">
                <input type="file" accept=".mid,.midi,audio/midi" aria-label="A MIDI file" @change="choose" />
                <span>or a MIDI file</span>
            </label>
        </div>
        <p v-if="state !== 'still'" role="status" class="status">
            <template v-if="state === 'waiting'">Getting ready …</template>
            <template v-else-if="state === 'counting'">Counting in …</template>
            <template v-else-if="state === 'recording'"
                ><span class="dot" aria-hidden="true" /> {{ clock }} · {{ keys }} keys{{ pedalMoves > 0 ? `, ${pedalMoves} moves of the pedal` : '' }}</template
            >
            <template v-else>Listening to it …</template>
        </p>
        <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
    </div>
</template>

<style scoped>
.record {
    display: flex;
    flex-direction: column;
    gap: 8px;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 10px;
    align-items: center;
}

p {
    margin: 0;
}

.kept {
    padding: 6px 10px;
    border: 1px solid var(--amber);
    border-radius: 6px;
}

.file input {
    position: absolute;
    opacity: 0;
    width: 1px;
    height: 1px;
}

.file span {
    color: var(--lake);
    text-decoration: underline;
    cursor: pointer;
}

.file input:focus-visible + span {
    outline: 2px solid var(--lake);
    outline-offset: 2px;
}

.status {
    font-variant-numeric: tabular-nums;
}

.dot {
    display: inline-block;
    width: 10px;
    height: 10px;
    margin-right: 4px;
    background: var(--rust);
    border-radius: 50%;
}

.error {
    color: var(--rust);
}
</style>

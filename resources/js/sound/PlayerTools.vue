<script setup lang="ts">
import { computed } from 'vue';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import type { Listening, PlayerState } from './usePlayer';
import { STEPS, VERSIONS } from './versions';

/** Playing and stopping, and behind it what is heard and how. */
const props = defineProps<{ player: PlayerState }>();

const CLICKS = [
    { value: 'none', label: 'none' },
    { value: 'with', label: 'breathes with the plan' },
    { value: 'against', label: 'goes evenly on against it' },
] as const;

const TEMPOS = [30, 40, 50, 60, 70, 80, 90, 100, 110].map((value) => ({ value, label: `${value} % of the tempo` }));
const PARTS: { value: Listening['muted'][number]; label: string }[] = [
    { value: 'right', label: 'right hand' },
    { value: 'left', label: 'left hand' },
    { value: 'melody', label: 'melody' },
    { value: 'inner', label: 'inner lines' },
    { value: 'filling', label: 'filling' },
    { value: 'bass', label: 'bass' },
];
const label = computed(() => ({ still: 'Play', loading: 'Loading …', playing: 'Stop' })[props.player.state.value]);
const changed = computed(() => {
    const { version, tempo, muted } = props.player.options;
    return version !== 'planned' || tempo !== 100 || muted.length > 0;
});

/** The step of playing along that the options are at. */
const step = computed(() => {
    const { version, tempo, countIn } = props.player.options;
    return countIn ? STEPS.findIndex((one) => one.version === version && one.tempo === tempo) : -1;
});
const versions = computed(() =>
    VERSIONS.map((one) => (one.value === 'earlier' && props.player.earlier.value !== null ? { ...one, label: `as in “${props.player.earlier.value}”` } : one)),
);
const steps = STEPS.map((one, value) => ({ value, label: `${value + 1}. ${one.label}` }));

function alongside(index: number): void {
    const { version, tempo } = STEPS[index]!;
    props.player.set({ version, tempo, countIn: true });
}

const checked = (event: Event): boolean => (event.target as HTMLInputElement).checked;

function mute(part: Listening['muted'][number], isHeard: boolean): void {
    const { muted } = props.player.options;
    props.player.set({ muted: isHeard ? muted.filter((other) => other !== part) : [...muted, part] });
}
</script>

<template>
    <div class="player" role="group" aria-label="Listen">
        <a-button size="small" :aria-pressed="player.state.value === 'playing'" @click="player.toggle()">{{ label }}</a-button>
        <a-popover trigger="click" placement="bottomRight">
            <a-button size="small" aria-label="What is heard, and how">{{ changed ? '♪ •' : '♪' }}</a-button>
            <template #content>
                <div class="options">
                    <label for="listen-version">What is heard</label>
                    <ChoiceSelect id="listen-version" :value="player.options.version" :options="versions" @choose="(version) => player.set({ version })" />
                    <label for="listen-tempo">How fast</label>
                    <ChoiceSelect id="listen-tempo" :value="player.options.tempo" :options="TEMPOS" @choose="(tempo) => player.set({ tempo })" />
                    <label for="listen-click">A click on the beats</label>
                    <ChoiceSelect id="listen-click" :value="player.options.click" :options="CLICKS" @choose="(click) => player.set({ click })" />
                    <label><input type="checkbox" :checked="player.options.loop" @change="player.set({ loop: checked($event) })" /> again and again</label>
                    <label
                        ><input type="checkbox" :checked="player.options.countIn" @change="player.set({ countIn: checked($event) })" /> a bar counted in</label
                    >
                    <label
                        ><input type="checkbox" :checked="player.options.foot" @change="player.set({ foot: checked($event) })" /> the foot itself is
                        heard</label
                    >
                    <fieldset>
                        <legend>Play along: leave out what you play</legend>
                        <ChoiceSelect
                            class="steps"
                            :value="step < 0 ? undefined : step"
                            :options="steps"
                            label="Step of playing along"
                            placeholder="step by step, counted in"
                            @choose="alongside"
                        />
                        <label v-for="part in PARTS" :key="part.value">
                            <input type="checkbox" :checked="!player.options.muted.includes(part.value)" @change="mute(part.value, checked($event))" />
                            {{ part.label }}
                        </label>
                    </fieldset>
                    <p class="quiet">
                        From the cursor, or the bars that are selected. Space plays and stops; with Shift what is planned and the other version change places.
                    </p>
                    <p v-if="player.isLoading.value" class="quiet" role="status">{{ Math.round(100 * player.loaded.value) }} % of the piano loaded …</p>
                    <a-button size="small" @click="player.saveMidi()">Save as MIDI</a-button>
                    <a-button size="small" :disabled="player.recorded.value !== null" @click="player.save()">{{
                        player.recorded.value === null ? 'Save as a sound file' : `Saving … ${Math.round(100 * player.recorded.value)} %`
                    }}</a-button>
                    <p class="quiet">Headphones: at a moderate level. Piano samples: see the credits in the README.</p>
                </div>
            </template>
        </a-popover>
    </div>
</template>

<style scoped>
.player {
    display: flex;
    gap: 4px;
}

.options {
    display: grid;
    gap: 6px;
    width: 270px;
}

fieldset {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 4px 8px;
    margin: 4px 0;
    padding: 6px 10px;
    border: 1px solid var(--line);
    border-radius: 6px;
}

.steps {
    grid-column: 1 / -1;
}

legend {
    padding: 0 4px;
    font-size: 0.93em;
}

p {
    margin: 0;
}
</style>

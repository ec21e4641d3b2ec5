<script setup lang="ts">
import { Head } from '@inertiajs/vue3';
import { computed, onMounted, ref } from 'vue';
import { longDay } from '../studio/practice';
import ChoiceSelect from '../support/ChoiceSelect.vue';
import { useDevices } from '../takes/devices';
import type { ExerciseKind, HardChange, LoggedRound } from '../takes/foot';
import FootStage from '../takes/FootStage.vue';
import ScreenPedal from '../takes/ScreenPedal.vue';
import ScreenPiano from '../takes/ScreenPiano.vue';
import { useFootTraining } from '../takes/useFootTraining';

/** The trainer of the foot: change with a chord, catch the bass, hold half way, and the hard changes of a piece. */
const props = defineProps<{
    title: string | null;
    student: string | null;
    url: string;
    back: string;
    isHome: boolean;
    kinds: ExerciseKind[];
    begin: { tempo: number; tolerance: number };
    hard: HardChange[];
    rounds: LoggedRound[];
}>();

const devices = useDevices();
const rounds = ref<LoggedRound[]>([...props.rounds]);
const training = useFootTraining(props.url, devices, (logged) => (rounds.value = logged));
const { chosen, exercise, round, moves, now, state, trouble, mark, isPlaying } = training;

/** Where one has got to, by exercise: the newest round of it. */
const reached = (kind: string, place: string | null): { tempo: number; tolerance: number } | null => {
    const last = rounds.value.findLast((one) => one.exercise === kind && one.place === place);
    return last ? { tempo: last.tempo, tolerance: last.tolerance } : null;
};
/** Chords that one plays oneself, the foot changing with each. */
const openOwn = (): void => void training.choose({ kind: 'change', first: null, own: true, ...(reached('change', null) ?? props.begin) });
const open = ({ kind }: ExerciseKind): void => void training.choose({ kind, first: null, ...(reached(kind, null) ?? props.begin) });
const openHard = (one: HardChange): void =>
    void training.choose({
        kind: 'change',
        first: one.first,
        tempo: one.tempo,
        tolerance: props.begin.tolerance,
        ...reached('change', one.place),
    });
onMounted(() => props.kinds[0] && open(props.kinds[0]));

const options = computed(() =>
    devices.devices.value
        .filter(({ kind }) => kind !== 'simulated')
        .map(({ id, name, kind }) => ({ value: id, label: kind === 'screen' ? 'Key or finger' : name })),
);
onMounted(() => devices.choose('screen'));

const per = (share: number): string => `${Math.round(100 * share)} %`;
const nameOf = (kind: string): string => props.kinds.find((one) => one.kind === kind)?.label ?? kind;
const recent = computed(() => [...rounds.value].reverse().slice(0, 12));
</script>

<template>
    <Head title="The foot" />
    <header class="top">
        <a class="home" :href="back">{{ title ?? 'Tarnwind' }}</a>
        <h1>The foot</h1>
        <span v-if="student">{{ student }}</span>
    </header>
    <main>
        <nav class="kinds" aria-label="Exercises">
            <button
                v-for="kind in kinds"
                :key="kind.kind"
                type="button"
                :aria-pressed="chosen?.kind === kind.kind && chosen.first === null && !chosen.own"
                @click="open(kind)"
            >
                {{ kind.label }}
            </button>
            <button type="button" :aria-pressed="chosen?.own === true" @click="openOwn">Change with your own chords</button>
        </nav>
        <nav v-if="hard.length > 0" class="kinds" :aria-label="`Changes of ${title}`">
            <span class="quiet">From {{ title }}:</span>
            <button v-for="one in hard" :key="one.first" type="button" :aria-pressed="chosen?.first === one.first" @click="openHard(one)">
                {{ one.place }} <small>{{ one.window }} ms</small>
            </button>
        </nav>

        <section v-if="exercise" aria-label="The exercise">
            <p class="does">
                {{ chosen?.own ? 'Play nine chords at your own pace. Foot up as each sounds, down again just after.' : exercise.does }}
                <span class="quiet">♩ = {{ Math.round(exercise.tempo) }}, within {{ exercise.tolerance }} ms</span>
            </p>
            <FootStage :exercise="exercise" :moves="moves" :now="now" />
            <p class="mark" role="status" aria-live="off">
                <span v-if="mark" :class="{ met: mark.met }">{{ mark.met ? '✓' : '✗' }} {{ mark.says }}</span>
            </p>
            <div class="row">
                <ChoiceSelect :value="devices.chosen.value" :options="options" label="Pedal" @choose="devices.choose" />
                <a-button v-if="devices.canAsk" @click="devices.look">Look for instruments</a-button>
                <a-button type="primary" :disabled="state === 'loading' || state === 'judging'" @click="isPlaying ? training.finish() : training.start()">{{
                    state === 'loading' ? 'Loading …' : isPlaying ? 'Stop' : round ? 'Next round' : 'Begin'
                }}</a-button>
                <span v-if="state === 'judging'" role="status">Listening …</span>
            </div>
            <p v-if="devices.trouble.value" role="status" class="quiet">{{ devices.trouble.value }}</p>
            <ScreenPiano v-if="chosen?.own && devices.chosen.value === 'screen'" @message="devices.hear" />
            <ScreenPedal v-else-if="devices.chosen.value === 'screen'" @message="devices.hear" />
            <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
            <article v-if="round" class="round" aria-label="The round">
                <p>
                    <strong>{{ per(round.share) }}</strong> {{ round.says }}
                    <span v-if="round.lag !== null" class="quiet">
                        The foot came up {{ Math.abs(Math.round(round.lag)) }} ms {{ round.lag < 0 ? 'before' : 'after' }} the sound, in the middle of all;
                        {{ Math.round(round.gap) }} ms of gap, {{ Math.round(round.smear) }} ms of smear on average.
                    </span>
                </p>
                <ol v-if="round.targets.length > 0" class="targets">
                    <li v-for="target in round.targets" :key="target.at" :class="{ met: target.met }">
                        {{ target.says }}
                        <small v-if="target.up !== null">up {{ Math.round(target.up) }} ms</small>
                        <small v-if="target.down !== null">down {{ Math.round(target.down) }} ms</small>
                    </li>
                </ol>
            </article>
        </section>

        <section v-if="recent.length > 0">
            <h2>Rounds so far</h2>
            <table>
                <thead>
                    <tr>
                        <th scope="col">Day</th>
                        <th scope="col">Exercise</th>
                        <th scope="col">♩</th>
                        <th scope="col">within</th>
                        <th scope="col">met</th>
                        <th scope="col">foot up after</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(one, index) in recent" :key="index">
                        <td>{{ longDay(one.day) }}</td>
                        <td>{{ nameOf(one.exercise) }}{{ one.place ? `, ${one.place}` : '' }}</td>
                        <td>{{ Math.round(one.tempo) }}</td>
                        <td>{{ Math.round(one.tolerance) }} ms</td>
                        <td>{{ per(one.share) }}</td>
                        <td>{{ one.lag === null ? '–' : `${Math.round(one.lag)} ms` }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <p class="quiet">
            Heel on the floor, ball of the foot on the pedal; sit far enough back. Stop when the shin tires, and at once where something hurts; lasting pain
            belongs to a doctor or therapist who knows musicians.
        </p>
    </main>
</template>

<style scoped>
.top {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    align-items: baseline;
    padding: 10px 16px;
    background: #1f3d47;
    color: #f7f4ec;
}

.top h1 {
    font-size: 1.3rem;
}

.home {
    color: #f0d9a8;
    font: 600 1.05rem var(--serif);
}

main {
    max-width: 980px;
    margin: 0 auto;
    padding: 14px 16px 50px;
}

.kinds {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: center;
    margin-bottom: 10px;
}

.kinds button {
    min-height: 34px;
    padding: 4px 12px;
    font: inherit;
    color: var(--ink);
    background: var(--sheet);
    border: 1px solid #b9b29f;
    border-radius: 6px;
    cursor: pointer;
}

.kinds button[aria-pressed='true'] {
    font-weight: 600;
    background: var(--lake-pale);
    box-shadow: inset 0 -3px 0 var(--lake);
}

.does {
    margin: 4px 0 8px;
    font-size: 1.05rem;
}

.mark {
    height: 1.6em;
    margin: 4px 0;
    font: 600 1.15rem var(--sans);
    font-variant-numeric: tabular-nums;
    text-align: center;
    color: var(--rust);
}

.mark .met {
    color: #3f6b45;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    margin-bottom: 8px;
}

.round {
    margin: 12px 0;
    padding: 10px 14px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-left: 4px solid #7f9fa4;
    border-radius: 8px;
}

.round p {
    margin: 0;
}

.targets {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    margin: 8px 0 0;
    padding: 0;
    list-style: none;
}

.targets li {
    padding: 1px 8px;
    border: 1px solid var(--rust);
    border-radius: 6px;
}

.targets li.met {
    border-color: #5f8f5f;
}

.targets small {
    margin-left: 4px;
    color: var(--quiet);
}

h2 {
    margin: 20px 0 6px;
}

th,
td {
    padding: 2px 16px 2px 0;
    font-weight: 400;
    text-align: left;
}

.error {
    color: var(--rust);
}
</style>

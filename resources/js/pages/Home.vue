<script setup lang="ts">
import { Head } from '@inertiajs/vue3';
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import type { Paper } from '../copy/paper';
import { FAULTS, type Fault } from '../sound/faults';
import type { Heard } from '../sound/passages';
import { lazyPiano } from '../sound/lazyPiano';
import { usePassages } from '../sound/usePassages';
import MarkedPages from '../studio/MarkedPages.vue';
import { browserShelf, sendTo, startLogging } from '../studio/logging';
import { dayName, REDUCED, type Entry, type PracticeDayData, type PracticeItem, type Told } from '../studio/practice';
import StepTold from '../studio/StepTold.vue';
import { getJson } from '../support/http';
import { useDevices } from '../takes/devices';
import RecordPanel from '../takes/RecordPanel.vue';
import type { ArrivedTake } from '../takes/types';
import VerdictView from '../takes/VerdictView.vue';
import type { RenditionDocument } from '@generated/rendition';

/** What a student has at home: this week's steps, the plan to be heard, examples, and her marked copy. */
const props = defineProps<{
    title: string;
    student: string;
    paper: Paper;
    composer: string | null;
    engraving: string;
    /** What is drawn over the copy, and names of what is shown. */
    layers: string;
    shown: string[];
    rendition: string;
    /** Where the piece is reduced: block chords, outer notes, melody and bass. */
    reduced: string;
    log: string;
    takes: string;
    simulation: string;
    calibrations: string;
    foot: string;
    /** Printed numbers of the bars. */
    numbers: string[];
    notes: { bar: string; text: string }[];
    examples: { bars: string; first: number; last: number; fault: Fault; words: string }[];
    today: string;
    days: PracticeDayData[];
    entries: Entry[];
}>();

const { playing, isLoading, trouble, toggle } = usePassages(props.rendition);
const entries = ref<Entry[]>([...props.entries]);
const devices = useDevices();
const sound = lazyPiano();
const urls = { takes: props.takes, simulation: props.simulation, calibrations: props.calibrations };
const plan = (): Promise<RenditionDocument> => getJson<RenditionDocument>(props.rendition);
/** The step that is being played, or the whole piece; null for neither. */
const recording = ref<string | null>(null);
const arrived = ref<ArrivedTake | null>(null);
const numberOf = (bar: number): string => props.numbers[bar] ?? '';

const HANDS: Partial<Record<string, 'right' | 'left'>> = { 'right-hand': 'right', 'left-hand': 'left' };

/** Steps that are played at an instrument as they are written. */
const PLAYED: readonly string[] = ['right-hand', 'left-hand', 'without-pedal', 'together', 'link', 'line', 'whole', 'review'];

function played(answer: ArrivedTake, item: PracticeItem | null): void {
    arrived.value = answer;
    recording.value = null;
    if (item && answer.opens !== null) {
        const now = {
            id: -answer.take.id,
            step: item.step,
            day: props.today,
            minutes: item.minutes,
            tempo: null,
            feel: null,
            passed: answer.opens,
            by: 'student' as const,
            note: null,
        };
        entries.value = [...entries.value, now];
    }
}
const telling = ref<string | null>(null);
const refused = ref('');
const waiting = ref(0);
const logging = startLogging(
    browserShelf(props.log),
    sendTo(props.log),
    (entry) => (entries.value = [...entries.value.filter(({ id }) => id !== entry.id), entry]),
    (_, why) => (refused.value = why),
);

async function flush(): Promise<void> {
    await logging.flush();
    waiting.value = logging.waiting();
}

async function tell(told: Told): Promise<void> {
    telling.value = null;
    refused.value = '';
    const sending = logging.tell(told);
    waiting.value = logging.waiting();
    await sending;
    waiting.value = logging.waiting();
}

let timer = 0;
const retry = (): void => void flush();
onMounted(() => {
    void flush();
    window.addEventListener('online', retry);
    timer = window.setInterval(() => void (logging.waiting() > 0 && flush()), 20_000);
});
onBeforeUnmount(() => {
    window.removeEventListener('online', retry);
    window.clearInterval(timer);
});

const busy = computed(() => props.days.filter(({ items }) => items.length > 0));
const toldOf = (item: PracticeItem, date: string): Entry | undefined => entries.value.findLast(({ step, day }) => step === item.step && day === date);

/** What of a passage is heard in a step of a kind; of others it is all. */
const HEARD: Partial<Record<string, Pick<Heard, 'hand' | 'without' | 'fault'>>> = {
    'left-hand': { hand: 'left' },
    'right-hand': { hand: 'right' },
    'melody-and-bass': { without: ['filling', 'inner'] },
    'silent-inner': { without: ['inner'] },
    'without-pedal': { fault: 'no-pedal' },
};
/** What cannot be heard: a foot alone, and chords that are not played so. */
const SILENT: readonly string[] = ['pedal-alone', 'blocks', 'outer'];

const heard = (item: PracticeItem, date: string): Heard => ({
    key: `${date} ${item.step}`,
    first: item.first,
    last: item.last,
    rate: item.rate,
    countIn: true,
    ...HEARD[item.kind],
});
const seen = ref<string | null>(null);
const faultName = (fault: Fault): string => FAULTS.find(({ value }) => value === fault)?.label ?? '';
</script>

<template>
    <Head :title="title" />
    <header class="top">
        <p>Tarnwind</p>
        <nav aria-label="On this page">
            <a href="#practice">Practice</a>
            <a href="#play">Play</a>
            <a v-if="examples.length > 0" href="#examples">Listen</a>
            <a href="#copy">Your copy</a>
        </nav>
    </header>
    <main>
        <h1>{{ title }}</h1>
        <p class="for">for {{ student }}</p>
        <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>

        <section id="practice">
            <h2>This week</h2>
            <p v-if="busy.length === 0" class="quiet">Nothing is planned of this piece in the next seven days. Play what you like of it.</p>
            <p v-if="waiting > 0" role="status" class="waiting">
                {{ waiting === 1 ? 'One entry waits' : `${waiting} entries wait` }} here until the network is back.
            </p>
            <p v-if="refused" role="alert" class="trouble">Not taken: {{ refused }}</p>
            <div v-for="day in busy" :key="day.date" class="day">
                <h3>
                    {{ dayName(day.date, today) }} <span>{{ day.items.reduce((sum, { minutes }) => sum + minutes, 0) }} min</span>
                </h3>
                <article v-for="item in day.items" :key="item.step" :class="['step', { done: toldOf(item, day.date)?.passed }]">
                    <h4>
                        {{ item.label }}, {{ item.bars }} <small>{{ [item.tempo, `${item.minutes} min`].filter(Boolean).join(' · ') }}</small>
                    </h4>
                    <p>{{ item.does }}</p>
                    <p v-for="word in item.words" :key="word.bar + word.text" class="word">
                        “{{ word.text }}” <span class="quiet">bar {{ word.bar }}</span>
                    </p>
                    <p class="quiet">Go on when: {{ item.gate }}.</p>
                    <div class="buttons">
                        <a-button v-if="!SILENT.includes(item.kind)" @click="toggle(heard(item, day.date))">{{
                            playing === heard(item, day.date).key ? (isLoading ? 'Loading …' : 'Stop') : 'Hear it'
                        }}</a-button>
                        <a-button v-if="REDUCED.includes(item.kind)" @click="seen = seen === item.kind ? null : item.kind">{{
                            seen === item.kind ? 'Close it' : 'See it'
                        }}</a-button>
                        <template v-if="day.date === today && telling !== item.step">
                            <span v-if="toldOf(item, day.date)" class="said">{{ toldOf(item, day.date)?.passed ? 'Done' : 'Practised; it comes again' }}</span>
                            <a-button v-else type="primary" @click="telling = item.step">I have practised it</a-button>
                            <a-button v-if="PLAYED.includes(item.kind) && recording !== item.step" @click="recording = item.step">Play it to Tarnwind</a-button>
                        </template>
                    </div>
                    <MarkedPages v-if="seen === item.kind" :engraving="`${reduced}/${item.kind}/engraving`" :notes="[]" :title="`${title}, ${item.label}`" />
                    <RecordPanel
                        v-if="recording === item.step && day.date === today"
                        :devices="devices"
                        :urls="urls"
                        :plan="plan"
                        :sound="sound.open"
                        :faults="[]"
                        :passage="{ first: item.first, last: item.last, words: item.bars }"
                        :selected="{ first: item.first, last: item.last }"
                        :step="item.step"
                        :hand="HANDS[item.kind] ?? null"
                        :rate="item.rate"
                        @arrived="(answer) => played(answer, item)"
                    />
                    <div v-if="arrived?.take.step === item.step" class="heard">
                        <p v-if="arrived.opens !== null" class="said">
                            {{ arrived.opens ? 'The next step is open.' : 'Not yet: once more, with this in mind.' }}
                        </p>
                        <VerdictView v-if="arrived.verdict" :verdict="arrived.verdict" :number-of="numberOf" />
                    </div>
                    <StepTold v-if="telling === item.step && day.date === today" :item="item" :day="today" @told="tell" @cancel="telling = null" />
                </article>
            </div>
            <p class="quiet">Stop when you are tired, and at once where something hurts: tell your teacher.</p>
        </section>

        <section id="play">
            <h2>Play it to Tarnwind</h2>
            <p class="quiet">On a digital piano, or on the keys here; it is measured against what your teacher has planned.</p>
            <a-button v-if="recording !== ''" @click="recording = ''">Record the piece</a-button>
            <RecordPanel
                v-else
                :devices="devices"
                :urls="urls"
                :plan="plan"
                :sound="sound.open"
                :faults="[]"
                :passage="{ first: 0, last: numbers.length - 1, words: 'the piece' }"
                :selected="null"
                @arrived="(answer) => played(answer, null)"
            />
            <div v-if="arrived && arrived.take.step === null && arrived.verdict" class="heard">
                <VerdictView :verdict="arrived.verdict" :number-of="numberOf" />
            </div>
            <p><a :href="foot">Train the foot</a></p>
        </section>

        <section v-if="examples.length > 0" id="examples">
            <h2>Listen for the difference</h2>
            <article v-for="(example, index) in examples" :key="index" class="step">
                <h4>
                    {{ example.bars }}: <small>{{ faultName(example.fault) }}</small>
                </h4>
                <p v-if="example.words" class="word">{{ example.words }}</p>
                <div class="buttons">
                    <a-button @click="toggle({ key: `poor ${index}`, first: example.first, last: example.last, rate: 1, fault: example.fault })">{{
                        playing === `poor ${index}` ? 'Stop' : 'Not so'
                    }}</a-button>
                    <a-button type="primary" @click="toggle({ key: `good ${index}`, first: example.first, last: example.last, rate: 1 })">{{
                        playing === `good ${index}` ? 'Stop' : 'But so'
                    }}</a-button>
                </div>
            </article>
        </section>

        <section id="copy">
            <h2>Your copy</h2>
            <MarkedPages
                :engraving="engraving"
                :layers="layers"
                :paper="paper"
                :notes="shown.includes('notes') ? notes : []"
                :title="title"
                :student="student"
                printable
            />
        </section>
    </main>
</template>

<style scoped>
.top {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 18px;
    align-items: center;
    justify-content: space-between;
    padding: 10px 16px;
    background: #1f3d47;
    color: #f0d9a8;
}

.top p {
    margin: 0;
    font: 600 1.1rem var(--serif);
}

nav {
    display: flex;
    gap: 16px;
}

nav a {
    padding: 6px 0;
    color: #f7f4ec;
}

main {
    max-width: 900px;
    margin: 0 auto;
    padding: 18px 16px 60px;
}

h1 {
    margin: 0;
}

.for {
    margin: 0 0 14px;
    font: italic 1.05rem var(--serif);
}

section {
    margin-bottom: 30px;
}

h2 {
    margin: 0 0 8px;
}

.day h3 {
    display: flex;
    justify-content: space-between;
    margin: 16px 0 6px;
    padding-bottom: 3px;
    border-bottom: 1px solid var(--line);
}

.day h3 span,
h4 small {
    color: var(--quiet);
    font-weight: 400;
}

.step {
    margin: 0 0 10px;
    padding: 10px 14px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-left: 4px solid #7f9fa4;
    border-radius: 8px;
}

.step.done {
    background: transparent;
    border-left-color: #5f8f5f;
}

h4 {
    margin: 0;
    font-size: 1.05rem;
}

.step p {
    margin: 4px 0;
}

.word {
    font: italic 1.05rem var(--serif);
}

.word span {
    font: 0.9rem var(--sans, inherit);
}

.buttons {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    margin: 8px 0;
}

.heard {
    margin-top: 8px;
    padding: 8px 12px;
    background: var(--paper);
    border-radius: 8px;
}

.said {
    font-weight: 600;
    color: #3f6b45;
}

.waiting {
    padding: 6px 10px;
    border: 1px solid var(--amber);
    border-radius: 6px;
}

.trouble {
    color: var(--rust);
}

@media print {
    .top,
    #practice,
    #examples,
    h2 {
        display: none;
    }
}
</style>

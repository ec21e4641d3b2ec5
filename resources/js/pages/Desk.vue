<script setup lang="ts">
import { Head } from '@inertiajs/vue3';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import CountInspector from '../crafts/count/CountInspector.vue';
import CountLane from '../crafts/count/CountLane.vue';
import CountTools from '../crafts/count/CountTools.vue';
import { countStrip } from '../crafts/count/strip';
import TapAlong from '../crafts/count/TapAlong.vue';
import { useTapAlong } from '../crafts/count/useTapAlong';
import { useCounting } from '../crafts/count/useCounting';
import FingerLayer from '../crafts/hand/FingerLayer.vue';
import HandInspector from '../crafts/hand/HandInspector.vue';
import HandTools from '../crafts/hand/HandTools.vue';
import { useFingers } from '../crafts/hand/useFingers';
import { useHands } from '../crafts/hand/useHands';
import { pedalKeys } from '../crafts/pedal/actions';
import { dragEnd } from '../crafts/pedal/drag';
import * as edits from '../crafts/pedal/edits';
import FootLine from '../crafts/pedal/FootLine.vue';
import PedalInspector from '../crafts/pedal/PedalInspector.vue';
import PedalTools from '../crafts/pedal/PedalTools.vue';
import { pedalStrip } from '../crafts/pedal/strip';
import { twins } from '../crafts/read/likeness';
import PhraseArches from '../crafts/read/PhraseArches.vue';
import ReadInspector from '../crafts/read/ReadInspector.vue';
import ReadLane from '../crafts/read/ReadLane.vue';
import ReadTools from '../crafts/read/ReadTools.vue';
import { readStrip, stripSections } from '../crafts/read/strip';
import TwinBars from '../crafts/read/TwinBars.vue';
import { useCorrections } from '../crafts/read/useCorrections';
import { useReading } from '../crafts/read/useReading';
import DeskHeader from '../desk/DeskHeader.vue';
import DeskNotice from '../desk/DeskNotice.vue';
import TouchInspector from '../crafts/touch/TouchInspector.vue';
import GestureLine from '../crafts/touch/GestureLine.vue';
import SlurLayer from '../crafts/touch/SlurLayer.vue';
import TouchLane from '../crafts/touch/TouchLane.vue';
import TouchTools from '../crafts/touch/TouchTools.vue';
import { useTouch } from '../crafts/touch/useTouch';
import FormStrip from '../desk/FormStrip.vue';
import HarmonyLane from '../desk/HarmonyLane.vue';
import ShortcutSheet from '../desk/ShortcutSheet.vue';
import { findingsStrip } from '../desk/strip';
import SystemView from '../desk/SystemView.vue';
import type { Naming } from '../desk/naming';
import { useDesk, type DeskProps } from '../desk/useDesk';
import { layMoments, type Bar, type Laid } from '../engraving/layout';
import { useEngraving } from '../engraving/useEngraving';
import { followPointer, placeUnder } from '../desk/pointer';
import { fractionValue } from '../support/fraction';
import type { PedalMark } from '../types/generated/plan';
import type { Slur } from '../types/generated/touch';

const props = defineProps<DeskProps>();

const desk = useDesk(props);
const { systems, total, trouble: engravingTrouble, engrave } = useEngraving(`/copies/${props.copy.id}/engraving`);

const SCALE = 38;
const column = ref<HTMLElement>();
const sheetOpen = ref(false);

const bars = new Map<string, Bar>();
props.score.measures.forEach(({ id, start, length }, index) => {
    const moments = props.score.moments.flatMap(({ measure, notes }, moment) => (measure === index ? [{ moment, time: desk.times[moment] ?? 0, notes }] : []));
    bars.set(id, { from: fractionValue(start), to: fractionValue(start) + fractionValue(length), moments });
});
const laid = computed<Laid[]>(() => systems.value.map((system) => layMoments(system, bars)));
const marks = computed(() => edits.placed(desk.pedal.value, desk.line));
const current = computed(() => edits.markAt(desk.pedal.value, desk.line, desk.cursor.value)?.mark ?? null);
const tempo = computed(() => desk.plan.value.tempo ?? props.score.tempo);

let width = 0;
const resize = new ResizeObserver(([entry]) => {
    const now = Math.round(entry?.contentRect.width ?? 0);
    if (now < 100 || Math.abs(now - width) < 8) return;
    width = now;
    void engrave(width, SCALE);
});
onMounted(() => column.value && resize.observe(column.value));
onBeforeUnmount(() => resize.disconnect());

const VIEWS = { read: 'Read', count: 'Count', hand: 'Hand', touch: 'Touch', pedal: 'Pedal' } as const;
type View = keyof typeof VIEWS;
const view = ref<View>('pedal');
const counting = useCounting(props.copy.id);
const reader = useReading(props.copy.id);
const reading = reader.reading;
const naming = ref<Naming>('both');
const hander = useHands(props.copy.id, desk.piece, () => desk.fingers.value);
const hands = hander.hands;
const fingers = useFingers(desk, props.score, hander);
const toucher = useTouch(props.copy.id, desk, props.score, props.gestures);
const touch = toucher.touch;
const corrections = useCorrections(desk, props.score, reading);

function show(name: View): void {
    view.value = name;
    if (name === 'count') void counting.ask(tempo.value);
    if (name === 'read' || name === 'count') void reader.ask(desk.plan.value);
    if (name === 'hand') void hander.ask(desk.plan.value);
    if (name === 'touch') void toucher.ask(desk.plan.value);
    if (name === 'pedal') desk.freshen();
}

/** The views in working order. */
function nextView(): void {
    const names = Object.keys(VIEWS) as View[];
    show(names[(names.indexOf(view.value) + 1) % names.length]!);
}

watch(desk.reading, (marks) => {
    if (reading.value || marks.length > 0) void reader.ask(desk.plan.value);
});
watch(desk.plan, (plan) => {
    if (view.value === 'hand') void hander.ask(plan);
    if (view.value === 'touch') void toucher.ask(plan);
    if (view.value === 'pedal') desk.freshen();
});
watch(reading, (now) => now && (desk.harmonies.value = now.harmonies));

const layers = computed(() =>
    view.value === 'read' && reading.value ? new Map(reading.value.notes.flatMap(({ pieces, layer }) => pieces.map((id) => [id, layer]))) : null,
);
const alike = computed(() => new Set(twins(reading.value?.likenesses ?? [], desk.measure.value).map(({ measure }) => props.score.measures[measure]?.id ?? '')));

function subdivide(syllables: number): void {
    counting.subdivision.value = syllables;
    void counting.ask(tempo.value);
}

watch(tempo, () => {
    if (view.value === 'count') void counting.ask(tempo.value);
});

const starts = props.score.measures.map((measure) => fractionValue(measure.start));
const columns = computed(() => {
    if (view.value === 'count' && counting.counting.value) return countStrip(starts.length, counting.counting.value);
    if (view.value === 'read' && reading.value) return readStrip(starts.length, reading.value, desk.measure.value);
    if (view.value === 'hand' && hands.value) return findingsStrip(starts.length, hands.value.findings);
    if (view.value === 'touch' && touch.value) return findingsStrip(starts.length, touch.value.findings);
    return pedalStrip(starts, desk.examination.value);
});

/** Keys of every view. */
function moves(byBar: boolean): Record<string, () => void> {
    const bar = (step: number) => () => desk.moveToMeasure(desk.measure.value + step);
    const moment = (step: number) => () => desk.moveTo(desk.cursor.value + step);
    return {
        ArrowLeft: byBar ? bar(-1) : moment(-1),
        ArrowRight: byBar ? bar(1) : moment(1),
        ArrowUp: bar(-1),
        ArrowDown: bar(1),
        Home: () => desk.moveTo(0),
        End: () => desk.moveTo(props.score.moments.length),
        v: nextView,
        z: desk.undo,
        y: desk.redo,
        '?': () => (sheetOpen.value = true),
    };
}

const tapping = useTapAlong(desk, props.score, tempo, counting.counting, reading);

const KEYS: Record<View, () => Record<string, (event: KeyboardEvent) => void>> = {
    read: () => corrections.keys,
    count: () => tapping.keys,
    hand: () => fingers.keys,
    touch: () => toucher.keys,
    pedal: () => pedalKeys(desk),
};

function onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (sheetOpen.value || target.closest('input:not([type="checkbox"]), textarea, select, [role="combobox"], [role="listbox"], [role="dialog"]')) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const held = event.ctrlKey || event.metaKey;
    const keys = held ? { z: () => (event.shiftKey ? desk.redo() : desk.undo()), y: desk.redo } : { ...moves(event.shiftKey), ...KEYS[view.value]() };
    const run = (keys as Record<string, ((event: KeyboardEvent) => void) | undefined>)[key];
    if (!run || event.altKey) return;
    event.preventDefault();
    run(event);
}
onMounted(() => {
    window.addEventListener('keydown', onKey);
    const asked = new URLSearchParams(window.location.search);
    const bar = Number(asked.get('bar') ?? NaN);
    if (Number.isInteger(bar)) desk.moveToMeasure(bar);
    const wanted = (Object.keys(VIEWS) as View[]).find((name) => name === asked.get('view'));
    if (wanted) show(wanted);
});
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));

const placedGestures = computed(() =>
    desk.gestures.value.flatMap((mark) => {
        const time = desk.line.quarters(mark.at);
        return time === null ? [] : [{ mark, time }];
    }),
);

/** Drags one end of a slur; where it is let go it ends. */
function dragSlur(slur: Slur, end: 'from' | 'to', start: PointerEvent): void {
    followPointer(start, (last) => {
        const found = placeUnder(last, [...(column.value?.querySelectorAll<HTMLElement>('.system') ?? [])], laid.value);
        if (found) toucher.dropSlur(slur, end, found.laid, found.x);
    });
}

function drag(mark: PedalMark, end: 'from' | 'to', event: PointerEvent): void {
    dragEnd(desk, [...(column.value?.querySelectorAll<HTMLElement>('.system') ?? [])], laid.value, mark, end, event);
}
</script>

<template>
    <Head :title="`${copy.title} for ${student.name}`" />
    <div class="desk">
        <DeskHeader :desk="desk" :copy="copy" :student="student" @help="sheetOpen = true" />

        <div class="tools" role="toolbar" aria-label="Views and tools">
            <div class="views" role="group" aria-label="View">
                <button v-for="(label, name) in VIEWS" :key="name" type="button" :aria-pressed="view === name" @click="show(name)">{{ label }}</button>
            </div>
            <label class="field">
                <span>♩<span class="long"> a minute</span></span>
                <a-input-number
                    :value="Math.round(tempo * 10) / 10"
                    :min="10"
                    :max="400"
                    aria-label="Quarters a minute"
                    style="width: 66px"
                    @change="(value: unknown) => typeof value === 'number' && desk.setTempo(value)"
                />
            </label>
            <PedalTools v-if="view === 'pedal'" :desk="desk" :schools="schools" />
            <ReadTools v-else-if="view === 'read'" :naming="naming" @name="(value) => (naming = value)" @phrase="corrections.togglePhrase()" />
            <HandTools
                v-else-if="view === 'hand'"
                :school="desk.plan.value.fingering ?? 'ease'"
                @choose="desk.setFingering"
                @compare="fingers.askAlternatives()"
                @clear="fingers.clear()"
            />
            <TouchTools
                v-else-if="view === 'touch'"
                :touch="toucher"
                :profile="desk.plan.value.touch ?? 'written'"
                :lengths="touch?.style ?? null"
                :own="desk.plan.value.lengths ?? {}"
                @choose="desk.setProfile"
                @change="desk.setLengths"
            />
            <CountTools v-else :subdivision="counting.subdivision.value" @choose="subdivide" />
        </div>

        <DeskNotice
            :desk="desk"
            :trouble="desk.trouble.value || engravingTrouble || counting.trouble.value || reader.trouble.value || hander.trouble.value || toucher.trouble.value"
        />

        <div class="middle">
            <main class="scroll" tabindex="0" aria-label="The score">
                <div ref="column" :class="['column', { touching: view === 'touch' && touch, fingered: view === 'hand' }]">
                    <p v-if="laid.length === 0 && !engravingTrouble" class="engraving-note" role="status">Engraving …</p>
                    <SystemView v-for="(place, index) in laid" :key="index" :laid="place" :cursor="desk.cursor.value" :layers="layers" @select="desk.moveTo">
                        <template v-if="view === 'touch'" #above><GestureLine :laid="place" :gestures="placedGestures" /></template>
                        <template v-else-if="view === 'read' && reading" #above><PhraseArches :laid="place" :reading="reading" /></template>
                        <template v-if="view === 'hand' && hands" #over>
                            <FingerLayer
                                :laid="place"
                                :fingers="hander.byNote.value"
                                :hands="hands"
                                :planned="desk.plan.value.fingering !== 'print'"
                                :octaves="desk.octaves.value"
                                :selected="fingers.note.value?.note ?? null"
                            />
                        </template>
                        <template v-else-if="view === 'touch' && touch" #over>
                            <SlurLayer :laid="place" :slurs="touch.slurs" :lengths="toucher.byNote.value" :current="toucher.current.value" @drag="dragSlur" />
                        </template>
                        <template v-if="view === 'read'">
                            <template v-if="reading">
                                <TwinBars :laid="place" :bars="alike" />
                                <ReadLane :laid="place" :reading="reading" :naming="naming" :measures="score.measures" @jump="desk.moveToMeasure" />
                            </template>
                        </template>
                        <TouchLane v-else-if="view === 'touch' && touch" :laid="place" :touch="touch" />
                        <template v-else-if="view === 'pedal'">
                            <FootLine
                                :laid="place"
                                :marks="marks"
                                :examination="desk.examination.value"
                                :quarters-per-minute="tempo"
                                :current="current"
                                @drag="drag"
                                @open="(finding) => desk.moveTo(desk.momentAt(finding.at))"
                            />
                            <HarmonyLane :laid="place" :harmonies="desk.harmonies.value" />
                        </template>
                        <CountLane v-else-if="view === 'count' && counting.counting.value" :laid="place" :counting="counting.counting.value" />
                    </SystemView>
                    <p v-if="laid.length > 0 && laid.length < total" class="engraving-note" role="status">{{ laid.length }} of {{ total }} lines engraved …</p>
                </div>
            </main>
            <PedalInspector v-if="view === 'pedal'" :desk="desk" :score="score" :student="student" />
            <ReadInspector v-else-if="view === 'read' && reading" :desk="desk" :score="score" :reading="reading" :corrections="corrections" />
            <HandInspector
                v-else-if="view === 'hand' && hands"
                :desk="desk"
                :score="score"
                :student="student"
                :hands="hands"
                :fingers="fingers"
                :alternatives="hander.alternatives.value"
            />
            <TouchInspector v-else-if="view === 'touch' && touch" :desk="desk" :score="score" :document="touch" :touch="toucher" />
            <p v-else-if="view === 'read' || view === 'hand' || view === 'touch'" class="engraving-note wait" role="status">Reading the score …</p>
            <CountInspector
                v-else-if="counting.counting.value"
                :counting="counting.counting.value"
                :measures="score.measures"
                :measure="desk.measure.value"
                @jump="desk.moveToMeasure"
            >
                <TapAlong :tapping="tapping" :hands="reading !== null" />
            </CountInspector>
        </div>

        <FormStrip
            :measures="score.measures"
            :columns="columns"
            :sections="view === 'read' && reading ? stripSections(starts, reading) : []"
            :current="desk.measure.value"
            @jump="desk.moveToMeasure"
        />
        <ShortcutSheet :open="sheetOpen" @close="sheetOpen = false" />
    </div>
</template>

<style scoped>
.desk {
    display: flex;
    flex-direction: column;
    height: 100vh;
    height: 100dvh;
}

.tools {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
    padding: 7px 16px;
    background: var(--sheet);
    border-bottom: 1px solid var(--line);
}

.views {
    display: flex;
    margin-right: 4px;
    border: 1px solid #b9b29f;
    border-radius: 6px;
    overflow: hidden;
}

.views button {
    padding: 4px 12px;
    font: inherit;
    color: var(--ink);
    background: var(--sheet);
    border: 0;
    cursor: pointer;
}

.views button[aria-pressed='true'] {
    font-weight: 600;
    background: var(--lake-pale);
    box-shadow: inset 0 -3px 0 var(--lake);
}

.tools :deep(kbd) {
    margin-left: 3px;
    color: var(--quiet);
}

.tools :deep(.tool) {
    padding-inline: 8px;
}

.tools :deep(.field) {
    display: flex;
    align-items: center;
    gap: 6px;
    margin-left: 8px;
    color: var(--quiet);
}

@media (max-width: 1320px) {
    .tools :deep(kbd) {
        display: none;
    }
}

.tools :deep(.gap) {
    width: 6px;
}

.middle {
    flex: 1;
    min-height: 0;
    display: flex;
}

.scroll {
    flex: 1;
    min-width: 0;
    overflow-y: auto;
    padding: 14px 22px 30px;
}

.scroll:focus-visible {
    outline: none;
}

/* Slurs are drawn as they are to be played, where they can be moved. */
.touching :deep(.engraving g.slur) {
    visibility: hidden;
}

.column {
    max-width: 1500px;
    margin: 0 auto;
}

.wait {
    width: 320px;
}

/* Room for columns of digits over and under the line. */
.fingered :deep(.system) {
    padding-block: 16px 34px;
}

.engraving-note {
    color: var(--quiet);
    text-align: center;
}

@media (max-width: 1100px) {
    .tools {
        gap: 4px;
        padding-inline: 10px;
    }

    .tools :deep(.field) {
        margin-left: 2px;
    }

    .tools :deep(.long) {
        display: none;
    }

    .tools :deep(.gap) {
        width: 0;
    }

    .middle :deep(.inspector) {
        width: 270px;
    }

    .scroll {
        padding-inline: 12px;
    }
}
</style>

<script setup lang="ts">
import { Head } from '@inertiajs/vue3';
import { computed, onBeforeUnmount, onMounted, provide, ref, watch } from 'vue';
import { CRAFTS } from '@crafts';
import type { Context } from '../desk/craft';
import DeskHeader from '../desk/DeskHeader.vue';
import DeskNotice from '../desk/DeskNotice.vue';
import FormStrip from '../desk/FormStrip.vue';
import { deskKeys, undoKeys } from '../desk/deskKeys';
import { INTENDED, useIntended } from '../desk/intended';
import { keyFor } from '../desk/keys';
import { LIKE_BARS, useLikeBars } from '../desk/likeBars';
import { followPointer, placeUnder } from '../desk/pointer';
import ShortcutSheet from '../desk/ShortcutSheet.vue';
import SignInAgain from '../desk/SignInAgain.vue';
import SmallScreen from '../desk/SmallScreen.vue';
import type { StripColumn } from '../desk/strip';
import SystemView from '../desk/SystemView.vue';
import ToolRow from '../desk/ToolRow.vue';
import VersionDrawer from '../desk/VersionDrawer.vue';
import { useAnswers } from '../desk/useAnswers';
import { useDesk, type DeskProps } from '../desk/useDesk';
import { barsOf, layMoments, nearestSpot, type Laid } from '../engraving/layout';
import { useEngraving } from '../engraving/useEngraving';
import { usePlayer } from '../sound/usePlayer';

const props = defineProps<DeskProps>();

const desk = useDesk(props);
const {
    systems,
    total,
    trouble: engravingTrouble,
    engrave,
} = useEngraving(`/copies/${props.copy.id}/engraving`, props.score.engraving, props.score.measures.length);

const player = usePlayer(desk, props.copy, props.score.moments, async () => {
    const { known: shape, ask: askShape } = context.answer('shape');
    await askShape(desk.plan.value);
    return shape.value?.phrases ?? [];
});

const SCALE = 38;
const column = ref<HTMLElement>();
const sheetOpen = ref(false);
const versionsOpen = ref(false);
const comparedVersion = ref<number | null>(null);

const bars = barsOf(props.score, desk.times);
const known = new WeakMap<object, Laid>();
/** A system is laid once, however many follow it. */
const laid = computed<Laid[]>(() =>
    systems.value.map((system) => {
        const one = known.get(system) ?? layMoments(system, bars);
        known.set(system, one);
        return one;
    }),
);

let width = 0;
const resize = new ResizeObserver(([entry]) => {
    const now = Math.round(entry?.contentRect.width ?? 0);
    if (now < 100 || Math.abs(now - width) < 8) return;
    width = now;
    void engrave(width, SCALE);
});
onMounted(() => column.value && resize.observe(column.value));
onBeforeUnmount(() => resize.disconnect());

const context: Context = {
    copy: props.copy,
    desk,
    score: props.score,
    student: props.student,
    teacher: props.teacher,
    answer: useAnswers(
        props.copy.id,
        desk.piece,
        CRAFTS.reduce((all, { joinings }) => ({ ...all, ...joinings }), {}),
    ),
    lines: { laid, under: (pointer) => placeUnder(pointer, [...(column.value?.querySelectorAll<HTMLElement>('.system') ?? [])], laid.value) },
};
const crafts = CRAFTS.map((craft) => ({ craft, state: craft.use(context) }));
const front = ref((crafts.find(({ craft }) => craft.opens) ?? crafts.at(-1)!).craft.name);
const shown = computed(() => crafts.find(({ craft }) => craft.name === front.value)!);
const tools = computed(() => shown.value.state.keys.filter(({ label }) => label !== undefined));
const reading = computed(() => context.answer('read').known.value);
provide(LIKE_BARS, useLikeBars(desk, props.score.measures, reading));
provide(
    INTENDED,
    useIntended(
        desk,
        props.score.measures,
        reading,
        computed(() => front.value),
    ),
);
const isKnown = computed(() => context.answer(shown.value.craft.asks[0]).known.value !== null);
const trouble = computed(
    () =>
        [
            desk.trouble,
            engravingTrouble,
            player.trouble,
            ...crafts.flatMap(({ state }) => state.trouble ?? []),
            ...shown.value.craft.asks.map((name) => context.answer(name).trouble),
        ]
            .map(({ value }) => value)
            .find((text) => text !== '') ?? '',
);

/** Asks for what the craft in front says about the plan as it is now; the notes are seen first. */
function ask(): void {
    if (laid.value.length === 0 && !engravingTrouble.value) return;
    const { craft, state } = shown.value;
    craft.asks.forEach((name, index) => void context.answer(name).ask(desk.plan.value, index === 0 ? state.asked?.value : {}));
    // Which bars are alike every view may want to know.
    if (!craft.asks.includes('read')) void context.answer('read').ask(desk.plan.value, {});
}
/** What waits in the browser is sent at once, and what could not be asked is asked. */
function signedInAgain(): void {
    desk.saving.retry();
    ask();
}
/** What could not be asked while the server was away is asked when it is back. */
watch(desk.saving.state, (now, before) => before === 'waiting' && now !== 'waiting' && ask());
watch([desk.plan, front, () => shown.value.state.asked?.value, () => laid.value.length > 0], ask);

const clear: StripColumn[] = props.score.measures.map(() => ({ height: 0, look: 'clear', sign: null, says: '' }));

const nextView = (): void => {
    front.value = crafts[(crafts.indexOf(shown.value) + 1) % crafts.length]!.craft.name;
};
const everywhere = deskKeys(desk, props.score, {
    nextView,
    play: player.toggle,
    compare: player.compare,
    help: () => (sheetOpen.value = true),
    views: CRAFTS.map(({ title }) => title.toLowerCase()),
});
const groups = computed(() => [{ title: 'Everywhere', keys: everywhere }, ...crafts.map(({ craft, state }) => ({ title: craft.title, keys: state.keys }))]);

function onKey(event: KeyboardEvent): void {
    if (sheetOpen.value) return;
    const key = undoKeys(desk, event) ?? keyFor(event, [shown.value.state.keys, everywhere]);
    if (!key) return;
    event.preventDefault();
    key.run(event);
}
onMounted(() => {
    window.addEventListener('keydown', onKey);
    const asked = new URLSearchParams(window.location.search);
    const bar = Number(asked.get('bar') ?? NaN);
    if (Number.isInteger(bar)) desk.moveToMeasure(bar);
    const wanted = CRAFTS.find(({ name }) => name === asked.get('view'));
    if (wanted) front.value = wanted.name;
    comparedVersion.value = Number(asked.get('compared')) || null;
    versionsOpen.value = comparedVersion.value !== null;
});
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));

function barUnder(pointer: PointerEvent): number | null {
    const found = context.lines.under(pointer);
    const spot = found && nearestSpot(found.laid, found.x);
    return spot ? (props.score.moments[spot.moment]?.measure ?? null) : null;
}

/** Selects bars by dragging over them; a finger scrolls, and has the handles. */
function dragRange(start: PointerEvent): void {
    if (start.pointerType === 'touch' || start.button !== 0) return;
    const from = barUnder(start);
    if (from === null) return;
    followPointer(
        start,
        () => undefined,
        (moving) => {
            const to = barUnder(moving);
            if (to !== null) desk.select(from, to);
        },
        desk.selectNone,
    );
}

function dragHandle(end: 'first' | 'last', start: PointerEvent): void {
    const { bars: selected } = desk.selection.value;
    const anchor = end === 'first' ? selected.last : selected.first;
    followPointer(
        start,
        () => undefined,
        (moving) => {
            const bar = barUnder(moving);
            if (bar !== null) desk.select(anchor, bar);
        },
    );
}
</script>

<template>
    <Head :title="`${copy.title} for ${student.name}`" />
    <SmallScreen :copy="copy" />
    <div class="desk">
        <DeskHeader :desk="desk" :copy="copy" :student="student" :player="player" @help="sheetOpen = true" @versions="versionsOpen = !versionsOpen" />

        <div class="tools" role="toolbar" aria-label="Views and tools">
            <div class="views" role="group" aria-label="View">
                <button v-for="{ craft } in crafts" :key="craft.name" type="button" :aria-pressed="front === craft.name" @click="front = craft.name">
                    {{ craft.title }}
                </button>
            </div>
            <label class="field">
                <span>♩<span class="long"> a minute</span></span>
                <a-input-number
                    :value="Math.round(desk.tempo.value * 10) / 10"
                    :min="10"
                    :max="400"
                    aria-label="Quarters a minute"
                    @change="(value: unknown) => typeof value === 'number' && desk.setTempo(value)"
                />
            </label>
            <component :is="shown.craft.view.tools" v-if="shown.craft.view.tools" :key="front" :context="context" :state="shown.state" />
            <ToolRow :tools="tools" />
        </div>

        <SignInAgain @back="signedInAgain" />
        <DeskNotice :desk="desk" :trouble="trouble" :copy="copy" />

        <div class="middle">
            <main class="scroll" tabindex="0" aria-label="The score">
                <div ref="column" :class="['column', shown.craft.look]">
                    <p v-if="laid.length === 0 && !engravingTrouble" class="engraving-note" role="status">Engraving …</p>
                    <SystemView
                        v-for="(place, index) in laid"
                        :key="index"
                        :laid="place"
                        :desk="desk"
                        :playhead="player.playhead.value"
                        :tints="shown.state.tints?.value ?? null"
                        @select="desk.moveTo"
                        @range="dragRange"
                        @handle="dragHandle"
                    >
                        <template v-if="shown.craft.view.above" #above>
                            <component :is="shown.craft.view.above" :context="context" :state="shown.state" :laid="place" />
                        </template>
                        <template v-if="shown.craft.view.over" #over>
                            <component :is="shown.craft.view.over" :context="context" :state="shown.state" :laid="place" />
                        </template>
                        <component :is="shown.craft.view.lane" v-if="shown.craft.view.lane" :context="context" :state="shown.state" :laid="place" />
                    </SystemView>
                    <p v-if="laid.length > 0 && laid.length < total" class="engraving-note" role="status">{{ laid.length }} of {{ total }} lines engraved …</p>
                </div>
            </main>
            <component :is="shown.craft.view.inspector" v-if="isKnown" :key="front" :context="context" :state="shown.state" />
            <p v-else class="engraving-note wait" role="status">Reading the score …</p>
        </div>

        <FormStrip
            :measures="score.measures"
            :columns="[...(shown.state.columns.value ?? clear)]"
            :sections="[...(shown.state.sections?.value ?? [])]"
            :desk="desk"
        />
        <VersionDrawer
            v-model:asked="comparedVersion"
            :open="versionsOpen"
            :desk="desk"
            :copy="copy"
            :measures="score.measures"
            @close="versionsOpen = false"
        />
        <ShortcutSheet :open="sheetOpen" :groups="groups" @close="sheetOpen = false" />
    </div>
</template>

<style scoped>
.desk {
    --inspector: 320px;
    display: flex;
    flex-direction: column;
    height: 100vh;
    height: 100dvh;
}

.tools {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 47px;
    padding: 7px 16px;
    background: var(--sheet);
    border-bottom: 1px solid var(--line);
}

.views {
    display: flex;
    flex: none;
    margin-right: 4px;
    border: 1px solid #b9b29f;
    border-radius: 6px;
    overflow: hidden;
}

.views button {
    padding: 4px 10px;
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

.tools :deep(.ant-input-number) {
    width: 66px;
}

.tools :deep(.tool) {
    padding-inline: 8px;
}

.tools :deep(.choice) {
    max-width: 190px;
    text-overflow: ellipsis;
}

.tools :deep(.field) {
    display: flex;
    align-items: center;
    flex: none;
    gap: 6px;
    margin-left: 8px;
    color: var(--quiet);
}

@media (max-width: 1320px) {
    .tools :deep(kbd),
    .tools :deep(.long) {
        display: none;
    }

    .tools :deep(.field) {
        margin-left: 2px;
    }

    .views button {
        padding-inline: 8px;
    }
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
    flex: none;
    width: var(--inspector);
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

    .tools :deep(.choice) {
        max-width: 104px;
    }

    .tools :deep(.tool) {
        padding-inline: 6px;
    }

    .tools :deep(.ant-input-number) {
        width: 50px;
    }

    .tools :deep(.ant-input-number-input) {
        padding-inline: 6px;
    }

    .views button {
        padding-inline: 3px;
    }

    .desk {
        --inspector: 270px;
    }

    .scroll {
        padding-inline: 12px;
    }
}

/* SmallScreen stands in its place. */
@media (max-width: 700px) {
    .desk {
        display: none;
    }
}
</style>

<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { svgElement } from '../engraving/engraver';
import { headAt, nearestSpot, type Laid } from '../engraving/layout';
import { inTurn } from './inTurn';
import type { Desk } from './useDesk';

/** One engraved line; what stands above and under it, the lanes of the craft in front, comes from outside. */
const props = withDefaults(defineProps<{ laid: Laid; desk: Desk; tints?: ReadonlyMap<string, string> | null; playhead?: number | null }>(), {
    tints: null,
    playhead: null,
});

/** `range`: a pointer that may drag over bars has gone down; `handle`: one end of the selection is taken. */
const emit = defineEmits<{
    select: [moment: number, note: string | null];
    range: [start: PointerEvent];
    handle: [end: 'first' | 'last', start: PointerEvent];
}>();

const root = ref<HTMLElement>();
const sheet = ref<HTMLElement>();
/** Whether it is near the window: only such lines hold their engraving, so that long pieces stay light. */
const near = ref(false);
/** Its lanes come after the notes. */
const hasLanes = ref(false);

let observer: IntersectionObserver | null = null;
let cancel: (() => void)[] = [];
onMounted(() => {
    if (!root.value) return;
    // A margin counts only around the element that scrolls.
    const around = root.value.closest('.scroll');
    observer = new IntersectionObserver((entries) => entries.forEach((entry) => approach(entry.isIntersecting)), { root: around, rootMargin: '900px 0px' });
    observer.observe(root.value);
});
onBeforeUnmount(() => {
    observer?.disconnect();
    cancel.forEach((stop) => stop());
});

function approach(isNear: boolean): void {
    cancel.forEach((stop) => stop());
    cancel = [];
    if (!isNear) {
        near.value = hasLanes.value = false;
    } else if (!near.value) {
        cancel = [inTurn(() => (near.value = true)), inTurn(() => (hasLanes.value = true))];
    }
}

async function show(): Promise<void> {
    await nextTick();
    sheet.value?.replaceChildren(...(near.value ? [svgElement(props.laid.system.svg)] : []));
    tint();
}

/** Marks each note head with its tint, for the stylesheet. */
function tint(): void {
    for (const note of sheet.value?.querySelectorAll<SVGElement>('g.note') ?? []) {
        const tint = props.tints?.get(note.id);
        if (tint === undefined) delete note.dataset['layer'];
        else note.dataset['layer'] = tint;
    }
}

watch([near, () => props.laid.system], show);
watch(() => props.tints, tint);

const spot = computed(() => props.laid.spots.find(({ moment }) => moment === props.desk.cursor.value) ?? null);

/** Where it is heard now. */
const heard = computed(() => (props.playhead === null ? null : (props.laid.spots.find(({ moment }) => moment === props.playhead) ?? null)));
watch(
    () => heard.value !== null,
    (isHere) => isHere && root.value?.scrollIntoView({ block: 'nearest' }),
);

/** The part of this line that is selected, as shares of its width. */
const selected = computed(() => {
    const { isRange, bars } = props.desk.selection.value;
    const here = props.laid.system.measures.filter(({ id }) => {
        const bar = props.desk.piece.barOf(id);
        return bar !== undefined && bar >= bars.first && bar <= bars.last;
    });
    const [first, last] = [here[0], here.at(-1)];
    if (!first || !last) return null;
    const width = props.laid.system.width;
    return {
        isRange,
        left: `${(100 * first.left) / width}%`,
        width: `${(100 * (last.right - first.left)) / width}%`,
        first: props.desk.piece.barOf(first.id) === bars.first,
        last: props.desk.piece.barOf(last.id) === bars.last,
    };
});

function pick(event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const found = nearestSpot(props.laid, ((event.clientX - box.left) * props.laid.system.width) / box.width);
    const sheetBox = sheet.value?.getBoundingClientRect();
    const head =
        sheetBox &&
        headAt(
            props.laid,
            ((event.clientX - sheetBox.left) * props.laid.system.width) / sheetBox.width,
            ((event.clientY - sheetBox.top) * props.laid.system.width) / sheetBox.width,
        );
    if (found) emit('select', found.moment, head ?? null);
}

function reveal(): void {
    if (spot.value) root.value?.scrollIntoView({ block: 'nearest' });
}

watch(spot, reveal);
// The desk may have been opened at a later bar.
onMounted(reveal);
</script>

<template>
    <section ref="root" class="system" @click="pick" @pointerdown="emit('range', $event)">
        <div v-if="selected" :class="['selection', { range: selected.isRange }]" :style="{ left: selected.left, width: selected.width }" aria-hidden="true">
            <template v-for="end in ['first', 'last'] as const" :key="end">
                <span v-if="selected[end]" :class="['end', end]" @pointerdown.stop="emit('handle', end, $event)" @click.stop />
            </template>
        </div>
        <div v-if="spot" class="cursor" :style="{ left: `${(100 * (spot.x - 9)) / laid.system.width}%`, width: `${1800 / laid.system.width}%` }" />
        <div v-if="heard" class="playhead" :style="{ left: `${(100 * heard.x) / laid.system.width}%` }" />
        <slot v-if="hasLanes" name="above" />
        <div class="engraved">
            <div ref="sheet" class="engraving" :style="{ aspectRatio: `${laid.system.width} / ${laid.system.height}` }" />
            <slot v-if="hasLanes" name="over" />
        </div>
        <slot v-if="hasLanes" />
        <div v-else class="lanes-placeholder" />
    </section>
</template>

<style scoped>
.system {
    position: relative;
    padding: 0 0 14px;
    scroll-margin: 12px;
    cursor: pointer;
}

.engraved {
    position: relative;
}

.playhead {
    position: absolute;
    top: 0;
    bottom: 10px;
    width: 2px;
    margin-left: -1px;
    background: var(--amber);
    pointer-events: none;
}

.cursor {
    position: absolute;
    top: 0;
    bottom: 10px;
    background: rgba(31, 95, 107, 0.16);
    border-inline: 1px solid rgba(31, 95, 107, 0.5);
    border-radius: 5px;
    pointer-events: none;
}

.selection {
    position: absolute;
    top: 0;
    bottom: 10px;
    pointer-events: none;
}

.selection.range {
    background: rgba(108, 74, 120, 0.1);
    border-block: 2px solid rgba(108, 74, 120, 0.45);
}

/* Ends of the selection to be dragged; a finger finds them at the bar it has tapped. */
.end {
    position: absolute;
    top: -4px;
    z-index: 2;
    display: none;
    width: 26px;
    height: 26px;
    border: 2px solid var(--sheet);
    border-radius: 50%;
    background: var(--heather);
    cursor: ew-resize;
    pointer-events: auto;
    touch-action: none;
}

.range .end {
    display: block;
    width: 14px;
    height: 14px;
}

.end.first {
    left: 0;
    translate: -50% 0;
}

.end.last {
    right: 0;
    translate: 50% 0;
}

@media (pointer: coarse) {
    .end,
    .range .end {
        display: block;
        width: 26px;
        height: 26px;
    }
}

.lanes-placeholder {
    height: 92px;
}
</style>

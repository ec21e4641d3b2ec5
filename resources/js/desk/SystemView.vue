<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { svgElement } from '../engraving/engraver';
import { nearestSpot, type Laid } from '../engraving/layout';

/** One engraved line; what stands above and under it, the lanes of the craft in front, comes from outside. */
const props = withDefaults(defineProps<{ laid: Laid; cursor: number; layers?: ReadonlyMap<string, string> | null }>(), { layers: null });

const emit = defineEmits<{ select: [moment: number] }>();

const root = ref<HTMLElement>();
const sheet = ref<HTMLElement>();
const near = ref(false);

/** Only systems near the window hold their engraving, so that long pieces stay light. */
let observer: IntersectionObserver | null = null;
onMounted(() => {
    if (!root.value) return;
    // A margin counts only around the element that scrolls.
    const around = root.value.closest('.scroll');
    observer = new IntersectionObserver((entries) => entries.forEach((entry) => (near.value = entry.isIntersecting)), {
        root: around,
        rootMargin: '900px 0px',
    });
    observer.observe(root.value);
});
onBeforeUnmount(() => observer?.disconnect());

async function show(): Promise<void> {
    await nextTick();
    sheet.value?.replaceChildren(...(near.value ? [svgElement(props.laid.system.svg)] : []));
    tint();
}

/** Marks each note head with the layer it belongs to, for the stylesheet. */
function tint(): void {
    for (const note of sheet.value?.querySelectorAll<SVGElement>('g.note') ?? []) {
        const layer = props.layers?.get(note.id);
        if (layer === undefined) delete note.dataset['layer'];
        else note.dataset['layer'] = layer;
    }
}

watch([near, () => props.laid.system], show);
watch(() => props.layers, tint);

const spot = computed(() => props.laid.spots.find(({ moment }) => moment === props.cursor) ?? null);

function pick(event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const found = nearestSpot(props.laid, ((event.clientX - box.left) * props.laid.system.width) / box.width);
    if (found) emit('select', found.moment);
}

function reveal(): void {
    if (spot.value) root.value?.scrollIntoView({ block: 'nearest' });
}

watch(spot, reveal);
// The desk may have been opened at a later bar.
onMounted(reveal);
</script>

<template>
    <section ref="root" class="system" @click="pick">
        <div v-if="spot" class="cursor" :style="{ left: `${(100 * (spot.x - 9)) / laid.system.width}%`, width: `${1800 / laid.system.width}%` }" />
        <slot v-if="near" name="above" />
        <div class="engraved">
            <div ref="sheet" class="engraving" :style="{ aspectRatio: `${laid.system.width} / ${laid.system.height}` }" />
            <slot v-if="near" name="over" />
        </div>
        <slot v-if="near" />
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

.cursor {
    position: absolute;
    top: 0;
    bottom: 10px;
    background: rgba(31, 95, 107, 0.16);
    border-inline: 1px solid rgba(31, 95, 107, 0.5);
    border-radius: 5px;
    pointer-events: none;
}

.lanes-placeholder {
    height: 92px;
}
</style>

<script setup lang="ts">
import { nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { letterOf, type Key } from './keys';

/** Tools in one row, each with its key; those that do not fit stand behind one button. */
const props = defineProps<{ tools: readonly Key[] }>();

const row = ref<HTMLElement>();
const hidden = ref<readonly Key[]>([]);

/** The row is one line high: what does not fit in it wraps into the next, which is not seen; the first may be too wide for it. */
function measure(): void {
    const line = row.value;
    if (!line) return;
    const buttons = [...line.querySelectorAll<HTMLElement>('.ant-btn')];
    const top = buttons[0]?.offsetTop ?? 0;
    const fits = (button?: HTMLElement): boolean =>
        !button || (button.offsetTop <= top && button.offsetLeft + button.offsetWidth <= line.offsetLeft + line.clientWidth + 1);
    hidden.value = sorted().filter((_, index) => !fits(buttons[index]));
}

/** Those that give way first stand last. */
function sorted(): readonly Key[] {
    return [...props.tools].sort((a, b) => Number(a.rare ?? false) - Number(b.rare ?? false));
}

const resize = new ResizeObserver(measure);
onMounted(() => row.value && resize.observe(row.value));
onBeforeUnmount(() => resize.disconnect());
watch(
    () => props.tools,
    () => void nextTick(measure),
);
</script>

<template>
    <div ref="row" class="row">
        <a-button
            v-for="tool in sorted()"
            :key="tool.what"
            :class="['tool', { away: hidden.includes(tool) }]"
            :tabindex="hidden.includes(tool) ? -1 : 0"
            :aria-hidden="hidden.includes(tool)"
            @click="tool.run()"
            >{{ tool.label }} <kbd>{{ letterOf(tool) }}</kbd></a-button
        >
    </div>
    <a-dropdown v-if="hidden.length > 0" :trigger="['click']">
        <a-button class="more" aria-label="More tools">More</a-button>
        <template #overlay>
            <a-menu>
                <a-menu-item v-for="tool in hidden" :key="tool.what" @click="tool.run()">
                    {{ tool.label }} <kbd>{{ letterOf(tool) }}</kbd>
                </a-menu-item>
            </a-menu>
        </template>
    </a-dropdown>
</template>

<style scoped>
.row {
    flex: 1 1 0;
    min-width: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    height: 32px;
    overflow: hidden;
}

.away {
    visibility: hidden;
}
</style>

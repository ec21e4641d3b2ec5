<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue';
import { sendJson } from '../support/http';
import type { Devices } from './devices';
import { heardIn } from './messages';

/** A minute of getting to know an instrument: as soft as can be, as loud as can be, and a scale. */
const props = defineProps<{ devices: Devices; url: string }>();
const emit = defineEmits<{ done: [] }>();

const PARTS = [
    { name: 'soft', does: 'Play some notes as softly as you can.' },
    { name: 'loud', does: 'Now as loudly as you ever would.' },
    { name: 'scale', does: 'Now a scale over the keys you use, evenly.' },
] as const;
/** Notes after which a part can be left. */
const ENOUGH = 5;

const part = ref(0);
const played = ref<Record<(typeof PARTS)[number]['name'], [number, number][]>>({ soft: [], loud: [], scale: [] });
const trouble = ref('');
const learnt = ref<{ softest: number; loudest: number } | null>(null);
const name = (): (typeof PARTS)[number]['name'] => PARTS[part.value]!.name;

const stop = props.devices.listen((message) => {
    const heard = heardIn(message);
    if (heard?.kind === 'down' && learnt.value === null) played.value[name()].push([heard.midi, heard.velocity]);
});
onBeforeUnmount(stop);

async function next(): Promise<void> {
    if (part.value < PARTS.length - 1) {
        part.value++;
        return;
    }
    try {
        const answer = await sendJson<{ calibration: { softest: number; loudest: number } }>('POST', props.url, {
            device: props.devices.device().name,
            ...played.value,
        });
        learnt.value = answer.calibration;
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : '';
    }
}

function again(): void {
    part.value = 0;
    played.value = { soft: [], loud: [], scale: [] };
    trouble.value = '';
    learnt.value = null;
}
</script>

<template>
    <div class="calibration" role="group" aria-label="Getting to know the instrument">
        <template v-if="learnt">
            <p>
                Known: it tells {{ Math.round(learnt.softest) }} for the softest and {{ Math.round(learnt.loudest) }} for the loudest. Takes are read by that.
            </p>
            <a-button size="small" @click="emit('done')">Good</a-button>
        </template>
        <template v-else>
            <p>
                <strong>{{ part + 1 }} of {{ PARTS.length }}</strong> {{ PARTS[part]?.does }}
                <span class="quiet">{{ played[name()].length }} {{ played[name()].length === 1 ? 'note' : 'notes' }}</span>
            </p>
            <p v-if="trouble" role="alert" class="error">{{ trouble }}</p>
            <div class="row">
                <a-button size="small" type="primary" :disabled="played[name()].length < ENOUGH" @click="next">{{
                    part === PARTS.length - 1 ? 'Learn it' : 'Next'
                }}</a-button>
                <a-button size="small" @click="again">Once more</a-button>
                <a-button size="small" type="text" @click="emit('done')">Leave it</a-button>
            </div>
        </template>
    </div>
</template>

<style scoped>
.calibration {
    padding: 8px 10px;
    border: 1px solid var(--line);
    border-radius: 8px;
}

p {
    margin: 0 0 6px;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
}

.error {
    color: var(--rust);
}
</style>

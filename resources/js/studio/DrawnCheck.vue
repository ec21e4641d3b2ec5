<script setup lang="ts">
import { ref, watch } from 'vue';
import { CANNOT_BE_DRAWN, undrawnInWords, type ReadBar } from '../engraving/drawn';
import { askEngraver } from '../engraving/engraver';
import { HttpError, sendForm } from '../support/http';

/** Compares what the engraver draws of a score file with what was read of it, and says what differs. */
const props = defineProps<{ form: FormData }>();

const LONGEST = 60_000;

const checking = ref(false);
const trouble = ref('');
let run = 0;

watch(
    () => props.form,
    async (form) => {
        const mine = ++run;
        checking.value = true;
        const found = await troubleOf(form);
        if (mine !== run) return;
        trouble.value = found;
        checking.value = false;
    },
    { immediate: true },
);

async function troubleOf(form: FormData): Promise<string> {
    try {
        const { musicxml, bars } = await sendForm<{ musicxml: string; bars: ReadBar[] }>('/pieces/engraving', form);
        return undrawnInWords(bars, await askEngraver((engraver) => engraver.drawn(musicxml), LONGEST));
    } catch (error) {
        return error instanceof HttpError ? `Whether it can be drawn is not known. ${error.message}` : CANNOT_BE_DRAWN;
    }
}
</script>

<template>
    <p v-if="checking" class="quiet" role="status">Comparing what is drawn with what was read …</p>
    <p v-else-if="trouble" class="undrawn" role="alert">{{ trouble }}</p>
    <p v-else class="quiet">Every bar and every note that was read is drawn.</p>
</template>

<style scoped>
.undrawn {
    margin: 0;
    padding: 8px 12px;
    background: #f7e1da;
    border-left: 4px solid var(--rust);
    border-radius: 0 6px 6px 0;
}
</style>

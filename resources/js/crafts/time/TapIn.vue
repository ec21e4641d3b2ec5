<script setup lang="ts">
import TapPad from '../../support/TapPad.vue';
import { signedMs } from './curve';
import type { Tapping } from './useTapping';

/** A pad on which the beats of a passage are tapped, and what is to become of them. */
defineProps<{ tapping: Tapping }>();
</script>

<template>
    <section aria-label="Tap in">
        <h3>Tap it in</h3>
        <template v-if="tapping.running.value">
            <p class="quiet">Every beat of {{ tapping.tapping.value?.words }}, and the first after it, as you would play it: space bar or finger.</p>
            <TapPad @tap="tapping.tap">
                <strong>{{ tapping.taps.value.length }}</strong>
                <span>of {{ tapping.wanted.value }}{{ tapping.perMinute.value ? `, ${Math.round(tapping.perMinute.value)} a minute` : '' }}</span>
            </TapPad>
            <a-button size="small" @click="tapping.stop()">Stop <kbd>T</kbd></a-button>
        </template>
        <template v-else-if="tapping.result.value">
            <p>
                Tapped at {{ Math.round(100 * tapping.result.value.speed) }} % of the tempo{{
                    tapping.perMinute.value ? `, ${Math.round(tapping.perMinute.value)} a minute` : ''
                }}; against the tempo it owes {{ signedMs(tapping.result.value.owed) }} ms.
            </p>
            <div class="row">
                <a-button size="small" type="primary" @click="tapping.keepRubato(true)">Keep, giving back</a-button>
                <a-button size="small" @click="tapping.keepRubato(false)">Keep as tapped</a-button>
                <a-button size="small" @click="tapping.keepTempo()">Only the tempo, for the piece</a-button>
                <a-button size="small" @click="tapping.start()">Again</a-button>
            </div>
        </template>
        <template v-else>
            <p class="quiet">A tempo or a rubato by hand: the beats of {{ tapping.passage.value.words }}.</p>
            <a-button size="small" @click="tapping.start()">Start <kbd>T</kbd></a-button>
        </template>
    </section>
</template>

<style scoped>
p {
    margin: 0 0 6px;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
}

kbd {
    margin-left: 5px;
}
</style>

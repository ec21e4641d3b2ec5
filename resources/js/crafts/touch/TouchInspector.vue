<script setup lang="ts">
import { computed } from 'vue';
import { beatName } from '../../desk/beats';
import BarsByKind from '../../desk/BarsByKind.vue';
import { mend, type CraftProps } from '../../desk/craft';
import FindingList from '../../desk/FindingList.vue';
import InspectorFrame from '../../desk/InspectorFrame.vue';
import PlacedWords from '../../desk/PlacedWords.vue';
import WordPalette from '../../desk/WordPalette.vue';
import { fractionValue } from '../../support/fraction';
import type { Finding } from '@generated/touch';
import LayerTouch from './LayerTouch.vue';
import type { TouchState } from './useTouch';

const props = defineProps<CraftProps<TouchState>>();

const { desk, score } = props.context;
const touch = props.state;
/** The inspector is shown where key lengths are known. */
const document = computed(() => props.state.touch.value!);

const here = computed(() => {
    const place = score.moments[desk.cursor.value]?.place;
    return touch.gestureMarks.value.filter(({ at }) => at.measure === place?.measure && at.offset === place.offset);
});

const held = computed(() => touch.now.value.some(({ note }) => touch.holds.value.some((mark) => mark.note === note)));

const breathing = computed(() => touch.now.value.some(({ note }) => touch.commas.value.some((mark) => mark.note === note)));

const bar = computed(() => score.measures[desk.measure.value]!);
const from = computed(() => fractionValue(bar.value.start));
const findings = computed(() => document.value.findings.filter(({ measure }) => measure === desk.measure.value));

const KINDS: Record<Finding['kind'], string> = {
    'hidden-by-pedal': 'Hidden by the pedal',
    'long-staccato': 'Long staccato',
    'slur-broken': 'Slur broken',
    'key-held-through': 'Key held through a rest',
};
</script>

<template>
    <InspectorFrame :bar="bar" :about="`${bar.time} · ${beatName(bar, (desk.times[desk.cursor.value] ?? 0) - from)}`">
        <section>
            <h3>Keys at the cursor</h3>
            <p v-if="touch.now.value.length === 0" class="quiet">Nothing is struck here.</p>
            <ul class="keys">
                <li v-for="(one, index) in touch.now.value" :key="one.note" :class="{ selected: index === touch.selected.value }" @click="touch.select(index)">
                    <p>
                        <strong>{{ one.name }}</strong> held {{ one.ms }} ms{{ one.heard > one.left + 0.01 ? ', the pedal lets it sound on' : '' }}
                    </p>
                    <p class="quiet">{{ one.reason }}{{ one.own ? ' (yours)' : '' }}</p>
                </li>
            </ul>
            <p v-if="touch.now.value.length > 1" class="quiet">
                Marks go to {{ touch.selected.value === null ? 'all of them' : 'the selected one' }}; K selects one.
            </p>
        </section>
        <section class="actions" role="group" aria-label="Slurs and holds">
            <a-button :type="touch.slurFrom.value ? 'primary' : 'default'" @click="touch.slur()">
                {{ touch.slurFrom.value ? `Slur from ${touch.slurFrom.value.name} to here` : 'Slur from here' }} <kbd>L</kbd>
            </a-button>
            <a-button :disabled="touch.current.value === null" @click="touch.unslur()">No slur <kbd>U</kbd></a-button>
            <a-button @click="touch.holdOn(1)">Hold on <kbd>H</kbd></a-button>
            <a-button v-if="held" @click="touch.holdOn(-1)">Hold less <kbd>⇧H</kbd></a-button>
            <a-button :type="breathing ? 'primary' : 'default'" :disabled="touch.now.value.length === 0" @click="touch.breathe()">Comma <kbd>,</kbd></a-button>
        </section>
        <LayerTouch :state="touch" :desk="desk" />
        <section>
            <h3>Gestures</h3>
            <PlacedWords :words="here" @take="(id) => touch.putGesture(here.find((mark) => mark.id === id)!.text)" />
            <WordPalette palette="gestures" title="Gestures" keyed :words="touch.gestures.value" @put="touch.putGesture" @change="touch.setPalette" />
        </section>
        <FindingList :findings="findings" @mend="(finding) => mend(state.remedies, finding)" />
        <section>
            <h3>In the whole piece</h3>
            <BarsByKind :places="document.findings" :names="KINDS" :measures="score.measures" @jump="desk.moveToMeasure" />
        </section>
    </InspectorFrame>
</template>

<style scoped>
p {
    margin: 0;
}

.keys {
    margin: 4px 0;
    padding: 0;
    list-style: none;
}

.keys li {
    margin-bottom: 4px;
    padding: 2px 8px;
    border-left: 3px solid transparent;
    cursor: pointer;
}

.actions {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
}

.actions kbd {
    margin-left: 5px;
}

.keys .selected {
    border-left-color: var(--lake);
    background: var(--paper);
}
</style>

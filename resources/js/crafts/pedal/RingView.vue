<script setup lang="ts">
import { computed, onScopeDispose, watch } from 'vue';
import type { CraftProps } from '../../desk/craft';
import type { RingingString } from '@generated/ring';
import { keysAround } from '../hand/keyboard';
import { blurName } from './blur';
import type { PedalState } from './usePedal';
import { useHere } from './useHere';

/** What sounds at the cursor, and why: on the keys and as a list. */
const props = defineProps<CraftProps<PedalState>>();

const ring = useHere(props.context, 'ring');
watch(ring, (now) => props.state.light(now && blurName(now.blur) !== 'clear' ? [...new Set(now.clashes.flatMap(({ notes }) => notes))] : []));
onScopeDispose(() => props.state.light([]));

const WHY: Record<RingingString['state'], string> = {
    held: 'held by the finger',
    caught: 'kept by the pedal',
    residue: 'left over, foreign to the harmony',
    sostenuto: 'kept by the middle pedal',
    free: 'has no damper',
};

/** The strings that count, the loudest first. */
const strings = computed(() => ring.value?.strings.slice(0, 10) ?? []);
const keys = computed(() => keysAround(strings.value.map(({ midi }) => midi)));
const whites = computed(() => keys.value.filter(({ black }) => !black).length);
const shown = computed(() => new Map(strings.value.map((string) => [string.midi, string])));
/** How strongly a key is tinted: loud ones fully. */
const strength = ({ level }: RingingString): number => Math.max(0.25, Math.min(1, 1 + level / 40));
const names = computed(() => new Map(strings.value.map(({ midi, name }) => [midi, name])));
</script>

<template>
    <section v-if="ring" aria-label="What sounds at the cursor">
        <h3>
            What sounds <span class="quiet">blur {{ ring.blur.toFixed(2) }}, {{ blurName(ring.blur) }}</span>
        </h3>
        <p v-if="strings.length === 0" class="quiet">Silence.</p>
        <template v-else>
            <svg :viewBox="`0 0 ${whites} 3.6`" role="img" :aria-label="`Sounding: ${strings.map(({ name, state: why }) => `${name} ${why}`).join(', ')}`">
                <g v-for="dark in [false, true]" :key="String(dark)">
                    <template v-for="key in keys.filter(({ black }) => black === dark)" :key="key.midi">
                        <rect :x="key.x" y="0.05" :width="dark ? 0.64 : 1" :height="dark ? 2.1 : 3.5" :class="dark ? 'black' : 'white'" />
                        <rect
                            v-if="shown.has(key.midi)"
                            :x="key.x"
                            y="0.05"
                            :width="dark ? 0.64 : 1"
                            :height="dark ? 2.1 : 3.5"
                            :class="['sounding', shown.get(key.midi)!.state]"
                            :opacity="strength(shown.get(key.midi)!)"
                        />
                    </template>
                </g>
            </svg>
            <ul class="strings">
                <li v-for="string in strings" :key="string.midi" :title="WHY[string.state]">
                    <i :class="['dot', string.state]" /><strong>{{ string.name }}</strong> {{ string.level > 0 ? '+' : '−'
                    }}{{ Math.abs(string.level).toFixed(0) }} dB
                </li>
            </ul>
            <p class="legend">
                <template v-for="(why, name) in WHY" :key="name"
                    ><span v-if="strings.some(({ state: one }) => one === name)"><i :class="['dot', name]" />{{ why }}</span></template
                >
            </p>
            <p v-if="ring.clashes.length > 0" class="clashes">
                Clashing most:
                <template v-for="(clash, index) in ring.clashes" :key="clash.keys.join()"
                    >{{ index > 0 ? ', ' : '' }}{{ clash.keys.map((key) => names.get(key) ?? key).join(' – ') }}</template
                >
            </p>
        </template>
    </section>
</template>

<style scoped>
h3 {
    margin-bottom: 4px;
}

h3 .quiet {
    font-size: 0.8em;
    font-weight: 400;
}

svg {
    display: block;
    width: 100%;
    max-height: 58px;
}

.white {
    fill: #fff;
    stroke: #8d9499;
    stroke-width: 0.04;
}

.black {
    fill: #3a444a;
}

.sounding {
    fill: var(--lake);
}

.sounding.caught,
.sounding.free {
    fill: var(--veiled);
}

.sounding.residue {
    fill: var(--rust);
}

.sounding.sostenuto {
    fill: var(--heather);
}

.strings {
    display: flex;
    flex-wrap: wrap;
    gap: 1px 12px;
    margin: 4px 0 0;
    padding: 0;
    list-style: none;
    font-size: 0.9em;
}

.legend,
.clashes {
    display: flex;
    flex-wrap: wrap;
    gap: 0 10px;
    margin: 3px 0 0;
    color: var(--quiet);
    font-size: 0.84em;
}

.clashes {
    display: block;
    color: var(--rust);
}

.dot {
    display: inline-block;
    width: 0.62em;
    height: 0.62em;
    margin-right: 0.32em;
    border-radius: 50%;
    background: var(--lake);
}

.dot.held {
    border-radius: 1px;
}

.dot.caught {
    background: var(--veiled);
}

.dot.residue {
    background: var(--rust);
    transform: rotate(45deg);
    border-radius: 0;
}

.dot.sostenuto {
    background: var(--heather);
}

.dot.free {
    background: none;
    border: 1.5px solid var(--lake);
}
</style>

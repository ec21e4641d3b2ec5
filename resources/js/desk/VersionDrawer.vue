<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { CRAFTS } from '@crafts';
import type { Desk, DeskProps } from './useDesk';
import { useVersions } from './useVersions';
import { inSentences, inWords, isSame, settingInWords } from './versions';

/** Plans kept under a name, beside the score. */
const props = defineProps<{ open: boolean; desk: Desk; copy: DeskProps['copy']; measures: DeskProps['score']['measures'] }>();
defineEmits<{ close: [] }>();
/** The id of a version that is compared at once; null for none. */
const asked = defineModel<number | null>('asked', { required: true });

const state = useVersions(props.desk, props.copy.id);
const { versions, compared, trouble, busy } = state;
const day = (when: Date): string => when.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
const name = ref('');
const proposed = `After the lesson of ${day(new Date())}`;

watch(
    () => props.open,
    async (open) => {
        if (open && versions.value === null) await state.load();
        const wanted = versions.value?.find(({ id }) => id === asked.value);
        asked.value = null;
        if (wanted) await state.compare(wanted);
    },
);

async function keep(): Promise<void> {
    await state.keep(name.value.trim() || proposed);
    if (trouble.value === '') name.value = '';
}

const titleOf = (craft: string): string => CRAFTS.find(({ name: known }) => known === craft)?.title ?? craft;
const sentences = computed(() => (compared.value ? inSentences(compared.value.comparison) : []));
/** Whether the plan has been changed since it was compared. */
const isStale = computed(() => compared.value !== null && compared.value.plan !== props.desk.plan.value);
const number = (measure: number): string => props.measures[measure]?.number ?? '';
</script>

<template>
    <a-drawer :open="open" title="Versions of this plan" placement="right" :width="400" :mask="false" @close="$emit('close')">
        <section aria-label="Versions of this plan">
            <form class="keep" @submit.prevent="keep">
                <label for="version-name">Keep the plan as it is now, under a name</label>
                <a-input id="version-name" v-model:value="name" :placeholder="proposed" :maxlength="120" />
                <a-button html-type="submit" type="primary" :loading="busy">Keep</a-button>
            </form>
            <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
            <p v-if="versions?.length === 0" class="quiet">None is kept yet.</p>
            <ul aria-label="Kept versions">
                <li v-for="version in versions ?? []" :key="version.id" :class="{ compared: compared?.version.id === version.id }">
                    <input
                        class="name"
                        :value="version.name"
                        maxlength="120"
                        :aria-label="`Name of “${version.name}”`"
                        @change="(event: Event) => state.rename(version, (event.target as HTMLInputElement).value.trim() || version.name)"
                    />
                    <span class="quiet">{{ day(new Date(version.kept)) }} {{ new Date(version.kept).getFullYear() }}</span>
                    <span class="what">
                        <a-button size="small" :aria-label="`Compare with “${version.name}”`" @click="state.compare(version)">Compare</a-button>
                        <a-button size="small" :aria-label="`Go back to “${version.name}”`" @click="state.goBack(version)">Go back</a-button>
                        <a-popconfirm :title="`Forget “${version.name}”?`" ok-text="Forget" cancel-text="Keep" @confirm="state.forget(version)">
                            <a-button size="small" type="text" :aria-label="`Forget “${version.name}”`">✕</a-button>
                        </a-popconfirm>
                    </span>
                </li>
            </ul>
            <section v-if="compared" aria-label="What is otherwise">
                <h3>Now, against “{{ compared.version.name }}”</h3>
                <p v-if="isStale" class="quiet">
                    The plan has been changed since. <a-button size="small" @click="state.compare(compared.version)">Compare again</a-button>
                </p>
                <p v-if="isSame(compared.comparison)">Nothing is otherwise.</p>
                <template v-else>
                    <p v-for="sentence in sentences" :key="sentence">{{ sentence }}</p>
                    <p v-for="setting in compared.comparison.settings" :key="`${setting.craft} ${setting.name}`">{{ settingInWords(setting, titleOf) }}</p>
                    <table v-if="compared.comparison.bars.length > 0">
                        <tbody>
                            <tr v-for="bar in compared.comparison.bars" :key="bar.measure ?? -1">
                                <th scope="row">
                                    <button v-if="bar.measure !== null" type="button" @click="desk.moveToMeasure(bar.measure)">
                                        Bar {{ number(bar.measure) }}
                                    </button>
                                    <template v-else>Piece</template>
                                </th>
                                <td>{{ inWords(bar).join('; ') }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="quiet">It can be heard under ♪, and its pedal laid beside this one in Pedal, under “Foot …”.</p>
                </template>
            </section>
        </section>
    </a-drawer>
</template>

<style scoped>
.keep {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 6px 8px;
}

.keep label {
    grid-column: 1 / -1;
}

.trouble {
    color: var(--rust);
}

ul {
    margin: 14px 0;
    padding: 0;
    list-style: none;
}

li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 10px;
    align-items: center;
    padding: 7px 0 7px 8px;
    border-bottom: 1px dotted var(--line);
    border-left: 3px solid transparent;
}

li.compared {
    border-left-color: var(--lake);
}

.name {
    min-width: 0;
    padding: 1px 4px;
    font: 600 1rem var(--sans);
    color: var(--ink);
    background: none;
    border: 1px solid transparent;
    border-radius: 4px;
    text-overflow: ellipsis;
}

.name:hover,
.name:focus {
    border-color: #b9b29f;
}

.what {
    grid-column: 1 / -1;
    display: flex;
    gap: 6px;
    padding-left: 4px;
}

h3 {
    margin-bottom: 4px;
}

section p {
    margin: 0 0 4px;
}

table {
    width: 100%;
    margin: 8px 0;
    border-collapse: collapse;
}

th,
td {
    padding: 4px 8px 4px 0;
    font-weight: 400;
    text-align: left;
    vertical-align: top;
    border-bottom: 1px dotted var(--line);
}

th {
    width: 62px;
    white-space: nowrap;
}

th button {
    padding: 0;
    color: var(--lake);
    font: inherit;
    text-decoration: underline;
    background: none;
    border: 0;
    cursor: pointer;
}
</style>

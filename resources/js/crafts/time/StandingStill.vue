<script setup lang="ts">
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import type { When } from './edits';
import NumberField from './NumberField.vue';

/** What is held or silent at the cursor: how long, and where a bar is played several times in which of them. */
defineProps<{
    title: string;
    about: string;
    name: string;
    value: number;
    /** Least, most, and how much one step is. */
    range: [number, number, number];
    unit: string;
    when: When;
    isRepeated: boolean;
    /** What taking it back is called, and its key. */
    back: string;
    backKey: string;
}>();
defineEmits<{ set: [value: number]; choose: [when: When]; back: [] }>();

const WHEN: { value: When; label: string }[] = [
    { value: 'every', label: 'every time' },
    { value: 'first', label: 'only the first time' },
    { value: 'last', label: 'only the last time' },
];
</script>

<template>
    <section>
        <h3>{{ title }}</h3>
        <p class="quiet">{{ about }}</p>
        <div class="fields">
            <NumberField :name="name" :value="value" :least="range[0]" :most="range[1]" :step="range[2]" :unit="unit" @set="(next) => $emit('set', next)" />
            <ChoiceSelect v-if="isRepeated" :value="when" :options="WHEN" label="In which of several times" @choose="(next) => $emit('choose', next)" />
            <a-button size="small" @click="$emit('back')"
                >{{ back }} <kbd>{{ backKey }}</kbd></a-button
            >
        </div>
    </section>
</template>

<style scoped>
section {
    margin-top: 16px;
}

p {
    margin: 0;
}

.fields {
    display: grid;
    gap: 6px;
    justify-items: start;
    margin-top: 4px;
}

kbd {
    margin-left: 3px;
}
</style>

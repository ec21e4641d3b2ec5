<script setup lang="ts">
import { computed } from 'vue';
import type { CraftProps } from '../../desk/craft';
import ChoiceSelect from '../../support/ChoiceSelect.vue';
import { takeName } from '../../takes/types';
import type { HearState } from './useHear';

/** Which take is looked at, beside which, and what comes first. */
const props = defineProps<CraftProps<HearState>>();

const takes = computed(() => props.state.takes.value.map((take) => ({ value: take.id, label: takeName(take) })));
const others = computed(() => [{ value: 0, label: 'nothing beside' }, ...takes.value.filter(({ value }) => value !== props.state.judged.value?.take.id)]);
const REVIEWS: { value: 'plan' | 'notes' | 'sound'; label: string }[] = [
    { value: 'plan', label: 'as practised' },
    { value: 'notes', label: 'notes first' },
    { value: 'sound', label: 'sound first' },
];
</script>

<template>
    <template v-if="takes.length > 0">
        <ChoiceSelect class="narrow" :value="state.judged.value?.take.id" :options="takes" label="Take" @choose="state.open" />
        <ChoiceSelect
            class="narrow"
            :value="state.beside.value?.take.id ?? 0"
            :options="others"
            label="An earlier take beside it"
            @choose="(id) => state.layBeside(id === 0 ? null : id)"
        />
        <ChoiceSelect
            class="narrow"
            :value="state.review.value ?? 'plan'"
            :options="REVIEWS"
            label="What comes first"
            @choose="(first) => state.setReview(first === 'plan' ? null : first)"
        />
    </template>
</template>

<style scoped>
select.choice.narrow {
    max-width: 10.2vw;
}
</style>

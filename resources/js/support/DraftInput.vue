<script setup lang="ts">
import { ref, watch } from 'vue';

/** A field that is said when it is left; what is typed meanwhile stays, whatever the page learns. */
const props = defineProps<{ value: string | number; type?: 'text' | 'number' }>();
const emit = defineEmits<{ said: [value: string] }>();

const draft = ref(String(props.value));
let isTyping = false;
watch(
    () => props.value,
    (value) => {
        if (!isTyping) draft.value = String(value);
    },
);

function leave(): void {
    isTyping = false;
    const said = draft.value.trim();
    if (said === String(props.value)) draft.value = said;
    else emit('said', said);
}
</script>

<template>
    <input
        :type="type ?? 'text'"
        :value="draft"
        @focus="isTyping = true"
        @input="draft = ($event.target as HTMLInputElement).value"
        @blur="leave"
        @keydown.enter="($event.target as HTMLInputElement).blur()"
    />
</template>

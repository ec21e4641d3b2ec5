<script setup lang="ts">
import type { TakeAdvice, TakeVerdict } from '@generated/take';
import { barsInWords } from './types';

/** What to do next, what got better, and a good word. */
defineProps<{ verdict: TakeVerdict; numberOf: (bar: number) => string; canJump?: boolean }>();
const emit = defineEmits<{ jump: [advice: TakeAdvice] }>();
</script>

<template>
    <div class="verdict">
        <p class="good">{{ verdict.word }}</p>
        <ul v-if="verdict.better.length > 0" class="better" aria-label="What got better">
            <li v-for="one in verdict.better" :key="one">{{ one }}</li>
        </ul>
        <ol v-if="verdict.next.length > 0" aria-label="What to do next">
            <li v-for="advice in verdict.next" :key="advice.kind">
                <component :is="canJump ? 'button' : 'span'" :type="canJump ? 'button' : undefined" class="where" @click="canJump && emit('jump', advice)">{{
                    barsInWords(advice.bars, numberOf)
                }}</component>
                <strong>{{ advice.heard }}</strong> {{ advice.try }}
                <span v-if="advice.does" class="quiet">Step: {{ advice.does }}.</span>
            </li>
        </ol>
        <p v-else class="quiet">Nothing else needs saying.</p>
    </div>
</template>

<style scoped>
.good {
    margin: 0 0 6px;
    padding-left: 10px;
    border-left: 3px solid #5f8f5f;
    font: italic 1.05rem var(--serif);
}

.better {
    margin: 0 0 6px;
    padding-left: 1.1em;
    color: #3f6b45;
}

ol {
    margin: 0;
    padding-left: 1.3em;
}

ol li {
    margin-bottom: 8px;
}

.where {
    margin-right: 4px;
    padding: 0 6px;
    font: inherit;
    color: var(--ink);
    background: var(--lake-pale);
    border: 0;
    border-radius: 5px;
}

button.where {
    cursor: pointer;
}

p {
    margin: 0;
}
</style>

<script setup lang="ts">
import WordPalette from '../../desk/WordPalette.vue';
import type { Expressions } from './useExpressions';

/** The teacher's words for the sound and for what a passage is like, to be put at the cursor or over the selected bars. */
defineProps<{ words: Expressions }>();
</script>

<template>
    <ul v-if="words.here.value.length > 0" class="here">
        <li v-for="one in words.here.value" :key="one.id">
            <em>{{ one.text }}</em>
            <a-button size="small" :aria-label="`Take away ${one.text}`" @click="words.takeAway(one.id)">take away</a-button>
        </li>
    </ul>
    <WordPalette
        palette="expressions"
        title="Words for the sound"
        :words="words.palettes.expressions.value"
        @put="words.put"
        @change="(list) => words.setPalette('expressions', list)"
    />
    <p class="quiet">Images and characters</p>
    <WordPalette palette="images" title="Images" :words="words.palettes.images.value" @put="words.put" @change="(list) => words.setPalette('images', list)" />
</template>

<style scoped>
.here {
    margin: 0 0 6px;
    padding: 0;
    list-style: none;
}

.here li {
    display: flex;
    align-items: baseline;
    gap: 8px;
}

p {
    margin: 8px 0 4px;
}
</style>

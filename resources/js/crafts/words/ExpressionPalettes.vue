<script setup lang="ts">
import PlacedWords from '../../desk/PlacedWords.vue';
import WordPalette from '../../desk/WordPalette.vue';
import type { Expressions } from './useExpressions';

/** The teacher's words for the sound and for what a passage is like, to be put at the cursor or over the selected bars. */
defineProps<{ words: Expressions }>();
</script>

<template>
    <PlacedWords :words="words.here.value" @take="words.takeAway" />
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
p {
    margin: 8px 0 4px;
}
</style>

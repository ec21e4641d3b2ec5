<script setup lang="ts">
import { inject } from 'vue';
import { LIKE_BARS } from './likeBars';

/** Bars like this one: the marks of one go onto the other. */
const like = inject(LIKE_BARS, null);
</script>

<template>
    <section v-if="like && like.twins.some(({ here, there }) => here + there > 0)">
        <h3>Marks of like bars</h3>
        <article v-for="twin in like.twins" :key="`${twin.measure} ${twin.words}`">
            <p class="quiet">{{ twin.words }}</p>
            <ul v-if="twin.differences.length > 0">
                <li v-for="difference in twin.differences" :key="difference">{{ difference }}</li>
            </ul>
            <div class="row">
                <a-button v-if="twin.here > 0" size="small" @click="like.copyTo(twin.measure)">Copy {{ twin.here }} to bar {{ twin.number }}</a-button>
                <a-button v-if="twin.there > 0" size="small" @click="like.copyFrom(twin.measure)">Take {{ twin.there }} from bar {{ twin.number }}</a-button>
            </div>
        </article>
    </section>
</template>

<style scoped>
section {
    margin-top: 16px;
}

p,
ul {
    margin: 0;
}

ul {
    padding-left: 18px;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 4px 0 8px;
}
</style>

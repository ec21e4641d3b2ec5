<script setup lang="ts">
defineEmits<{ clear: [] }>();
</script>

<template>
    <span class="hint">Type 1–5; a second digit is a silent change</span>
    <span class="gap" />
    <a-button class="tool" @click="$emit('clear')">Plan it again <kbd>0</kbd></a-button>
    <ul class="legend" aria-label="Fingers">
        <li><i class="planned">3</i> planned</li>
        <li><i class="printed">3</i> printed</li>
        <li><i class="teacher">3</i> yours</li>
        <li><b aria-hidden="true">‖</b> fingers do not join</li>
    </ul>
</template>

<style scoped>
.hint,
.legend {
    color: var(--quiet);
}

.hint {
    margin-left: 8px;
}

.legend {
    display: flex;
    gap: 12px;
    margin: 0 0 0 6px;
    padding: 0;
    list-style: none;
}

i {
    display: inline-block;
    min-width: 15px;
    text-align: center;
    font: 600 13px var(--sans);
    color: #3d6f78;
}

.printed {
    font: italic 700 13.5px var(--serif);
    color: var(--ink);
}

.teacher {
    color: #fffdf8;
    background: var(--ink);
    border-radius: 3px;
}

b {
    color: var(--amber);
}
</style>

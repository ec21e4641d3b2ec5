<template>
    <ul class="legend" aria-label="Fingers">
        <li><i class="planned">3</i> planned</li>
        <li><i class="printed">3</i> printed</li>
        <li><i class="teacher">3</i> yours</li>
        <li><b aria-hidden="true">‖</b> do not join</li>
    </ul>
</template>

<style scoped>
.legend {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin: 6px 0 0;
    padding: 0;
    list-style: none;
    color: var(--quiet);
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

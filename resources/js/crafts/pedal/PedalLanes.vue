<script setup lang="ts">
import type { LineProps } from '../../desk/craft';
import HarmonyLane from '../../desk/HarmonyLane.vue';
import FootLine from './FootLine.vue';
import type { PedalState } from './usePedal';

defineProps<LineProps<PedalState>>();
</script>

<template>
    <FootLine
        :laid="laid"
        :marks="state.placed.value"
        :stretches="state.stretches.value"
        :passages="state.passages.value"
        :examination="state.examination.value"
        :tight-ms="context.student.catches_ms"
        :quarters-per-minute="context.desk.tempo.value"
        :current="state.current.value"
        :beside="
            state.beside.answer.value ? { marks: state.beside.others.value, blur: state.beside.answer.value.blur, differ: state.beside.differ.value } : null
        "
        @drag="state.drag"
        @open="(finding) => context.desk.moveTo(context.desk.momentAt(finding.at))"
    />
    <HarmonyLane :laid="laid" :harmonies="state.harmonies.value" />
</template>

<script setup lang="ts">
import { computed } from 'vue';
import { Line } from 'vue-chartjs';
import type { ListedTake } from '../../takes/types';
import { PROGRESS_NAMES, PROGRESS_OPTIONS, progressChart, progressOf } from './progress';

/** How takes get on, as a chart and as a table. */
const props = defineProps<{ takes: readonly ListedTake[] }>();

const chart = computed(() => progressChart(props.takes));
const rows = computed(() => progressOf(props.takes));
</script>

<template>
    <div class="chart"><Line :data="chart" :options="PROGRESS_OPTIONS" aria-hidden="true" /></div>
    <details>
        <summary>As a table</summary>
        <table>
            <thead>
                <tr>
                    <th scope="col">Take</th>
                    <th v-for="name in PROGRESS_NAMES" :key="name" scope="col">{{ name }}</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(row, index) in rows" :key="index">
                    <th scope="row">{{ row.name }}</th>
                    <td v-for="(share, place) in row.shares" :key="place">{{ share === null ? '–' : `${share} %` }}</td>
                </tr>
            </tbody>
        </table>
    </details>
</template>

<style scoped>
.chart {
    position: relative;
    height: 220px;
}

th,
td {
    padding: 2px 8px 2px 0;
    font-weight: 400;
    text-align: left;
}
</style>

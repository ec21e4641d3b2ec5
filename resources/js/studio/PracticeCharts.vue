<script setup lang="ts">
import { computed } from 'vue';
import { Bar, Line } from 'vue-chartjs';
import { MINUTES_OPTIONS, minutesChart, TEMPO_OPTIONS, tempoChart, type ChunkProgress } from './charts';
import { longDay, minutesByWeek, type Entry } from './practice';

/** How practice goes: tempo against the goal by chunk, and minutes a week. The same in words stands in tables. */
const props = defineProps<{ chunks: ChunkProgress[]; entries: Entry[]; meant: number }>();

const tempo = computed(() => tempoChart(props.chunks));
const weeks = computed(() => minutesByWeek(props.entries));
const minutes = computed(() => minutesChart(weeks.value, props.meant));
const best = ({ points }: ChunkProgress): number => Math.max(0, ...points.map(({ tempo: reached }) => reached));
</script>

<template>
    <div class="charts">
        <figure>
            <figcaption>Tempo that was reached</figcaption>
            <div class="chart"><Line :data="tempo" :options="TEMPO_OPTIONS" aria-hidden="true" /></div>
            <details>
                <summary>As a table</summary>
                <table>
                    <thead>
                        <tr>
                            <th scope="col">Chunk</th>
                            <th scope="col">reached</th>
                            <th scope="col">goal</th>
                            <th scope="col">steps</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="chunk in chunks" :key="chunk.bars">
                            <th scope="row">{{ chunk.bars }}</th>
                            <td>{{ best(chunk) > 0 ? `♩ = ${Math.round(best(chunk))}` : 'not yet' }}</td>
                            <td>♩ = {{ Math.round(chunk.goal) }}</td>
                            <td>{{ chunk.done }} of {{ chunk.steps }}</td>
                        </tr>
                    </tbody>
                </table>
            </details>
        </figure>
        <figure>
            <figcaption>Minutes a week</figcaption>
            <div class="chart"><Bar :data="minutes" :options="MINUTES_OPTIONS" aria-hidden="true" /></div>
            <details>
                <summary>As a table</summary>
                <table>
                    <tbody>
                        <tr v-for="week in weeks" :key="week.monday">
                            <th scope="row">Week of {{ longDay(week.monday) }}</th>
                            <td>{{ week.minutes }} of {{ meant }}</td>
                        </tr>
                    </tbody>
                </table>
            </details>
        </figure>
    </div>
</template>

<style scoped>
.charts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(360px, 100%), 1fr));
    gap: 22px;
}

figure {
    margin: 0;
}

figcaption {
    font-weight: 600;
}

.chart {
    position: relative;
    height: 250px;
}

th,
td {
    padding: 2px 14px 2px 0;
    text-align: left;
    font-weight: 400;
}
</style>

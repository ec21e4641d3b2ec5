import {
    BarController,
    BarElement,
    CategoryScale,
    Chart,
    Legend,
    LinearScale,
    LineController,
    LineElement,
    PointElement,
    Tooltip,
    type ChartData,
    type ChartOptions,
} from 'chart.js';
import { longDay, type Entry, type minutesByWeek } from './practice';

Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip);
Chart.defaults.font.family = "'Source Sans 3', sans-serif";
Chart.defaults.color = '#4c5a60';
Chart.defaults.animation = false;

/** How quick a chunk has become. */
export interface ChunkProgress {
    bars: string;
    first: number;
    /** Quarters a minute. */
    goal: number;
    done: number;
    steps: number;
    points: { day: string; tempo: number }[];
}

/** Lines that are told apart by colour, point and dash. */
const LOOKS = [
    { borderColor: '#2f6f77', pointStyle: 'circle', borderDash: [] },
    { borderColor: '#b0692c', pointStyle: 'rect', borderDash: [6, 3] },
    { borderColor: '#5f7f3f', pointStyle: 'triangle', borderDash: [2, 3] },
    { borderColor: '#7a4f8a', pointStyle: 'rectRot', borderDash: [8, 3, 2, 3] },
    { borderColor: '#8a7a2f', pointStyle: 'star', borderDash: [4, 4] },
    { borderColor: '#3f5f9a', pointStyle: 'crossRot', borderDash: [1, 3] },
    { borderColor: '#a0455a', pointStyle: 'circle', borderDash: [10, 4] },
    { borderColor: '#4c5a60', pointStyle: 'rect', borderDash: [3, 3, 9, 3] },
];

/** The tempo that was reached of each chunk, as a share of its goal, by day. */
export function tempoChart(chunks: readonly ChunkProgress[]): ChartData<'line', (number | null)[], string> {
    const days = [...new Set(chunks.flatMap(({ points }) => points.map(({ day }) => day)))].sort();
    return {
        labels: days.map((day) => longDay(day).replace(/^\w+ /, '')),
        datasets: chunks
            .filter(({ points }) => points.length > 0)
            .map(({ bars, goal, points }, index) => ({
                label: bars,
                data: days.map((day) => {
                    const best = Math.max(...points.filter((point) => point.day === day).map(({ tempo }) => tempo));
                    return Number.isFinite(best) ? Math.round((100 * best) / goal) : null;
                }),
                spanGaps: true,
                tension: 0.15,
                backgroundColor: LOOKS[index % LOOKS.length]!.borderColor,
                ...LOOKS[index % LOOKS.length]!,
            })),
    };
}

export const TEMPO_OPTIONS: ChartOptions<'line'> = {
    responsive: true,
    maintainAspectRatio: false,
    scales: { y: { title: { display: true, text: '% of the goal' }, suggestedMin: 40, suggestedMax: 105 } },
    plugins: { legend: { position: 'bottom', labels: { usePointStyle: true } } },
};

/** Minutes a week beside those that were meant. */
export function minutesChart(weeks: ReturnType<typeof minutesByWeek>, meant: number): ChartData<'bar', number[], string> {
    return {
        labels: weeks.map(({ monday }) => longDay(monday).replace(/^\w+ /, '')),
        datasets: [
            { label: 'practised', data: weeks.map(({ minutes }) => minutes), backgroundColor: '#7fa9ad' },
            { label: 'meant', data: weeks.map(() => meant), backgroundColor: '#e3d3ae' },
        ],
    };
}

export const MINUTES_OPTIONS: ChartOptions<'bar'> = {
    responsive: true,
    maintainAspectRatio: false,
    scales: { y: { title: { display: true, text: 'minutes a week' }, beginAtZero: true } },
    plugins: { legend: { position: 'bottom' } },
};

/** What was told, in a word: "not yet, hard". */
export const howItWent = ({ passed, feel }: Pick<Entry, 'passed' | 'feel'>): string =>
    [passed ? 'done' : 'not yet', feel === 'fair' ? 'all right' : feel].filter(Boolean).join(', ');

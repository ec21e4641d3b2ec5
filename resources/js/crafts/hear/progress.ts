import type { ChartData, ChartOptions } from 'chart.js';
import '../../studio/charts';
import { takeName, type ListedTake } from '../../takes/types';

/** What is followed over several takes: of each the share of what was measured that is as planned. */
const FOLLOWED = [
    { label: 'notes', kinds: ['wrong-note', 'missing-note'], borderColor: '#2f6f77', pointStyle: 'circle', borderDash: [] },
    { label: 'pedal', kinds: ['smear', 'gap', 'missed-pedal', 'bass-lost', 'late-lift'], borderColor: '#b0692c', pointStyle: 'rect', borderDash: [6, 3] },
    { label: 'balance', kinds: ['filling', 'top-note', 'bass'], borderColor: '#7a4f8a', pointStyle: 'rectRot', borderDash: [8, 3, 2, 3] },
    { label: 'shape', kinds: ['flat', 'goal', 'level', 'echo'], borderColor: '#5f7f3f', pointStyle: 'triangle', borderDash: [2, 3] },
    {
        label: 'time',
        kinds: ['hesitation', 'rushed', 'dragged', 'short-rest', 'ratio', 'evenness'],
        borderColor: '#3f5f9a',
        pointStyle: 'crossRot',
        borderDash: [1, 3],
    },
] as const;

/** Per cent of what was measured that is as planned; null where nothing was. */
export function shareRight({ summary }: Pick<ListedTake, 'summary'>, kinds: readonly string[]): number | null {
    if (!summary) return null;
    if (kinds.includes('wrong-note')) return Math.round(1000 * summary.right) / 10;
    const of = summary.kinds.filter(({ kind }) => kinds.includes(kind));
    const measured = of.reduce((sum, one) => sum + one.measured, 0);
    const faults = of.reduce((sum, one) => sum + one.faults, 0);
    return measured === 0 ? null : Math.round((1000 * (measured - faults)) / measured) / 10;
}

/** Takes from the earliest to the latest, as rows of a table and points of a chart. */
export function progressOf(takes: readonly ListedTake[]): { name: string; shares: (number | null)[] }[] {
    return [...takes].reverse().map((take) => ({ name: takeName(take), shares: FOLLOWED.map(({ kinds }) => shareRight(take, kinds)) }));
}

export const PROGRESS_NAMES = FOLLOWED.map(({ label }) => label);

export function progressChart(takes: readonly ListedTake[]): ChartData<'line', (number | null)[], string> {
    const rows = progressOf(takes);
    return {
        labels: rows.map(({ name }) => name),
        datasets: FOLLOWED.map(({ label, borderColor, pointStyle, borderDash }, index) => ({
            label,
            data: rows.map(({ shares }) => shares[index] ?? null),
            spanGaps: true,
            tension: 0.15,
            borderColor,
            backgroundColor: borderColor,
            pointStyle,
            borderDash: [...borderDash],
        })),
    };
}

export const PROGRESS_OPTIONS: ChartOptions<'line'> = {
    responsive: true,
    maintainAspectRatio: false,
    scales: { y: { title: { display: true, text: '% as planned' }, suggestedMin: 50, max: 100 } },
    plugins: { legend: { position: 'bottom', labels: { usePointStyle: true } } },
};

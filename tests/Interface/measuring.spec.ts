import { expect, test } from '@playwright/test';
import type { Moment, Timeline } from '../../resources/js/crafts/pedal/edits';
import { changedStretch, joined, meetsTheSame, merged, near } from '../../resources/js/crafts/pedal/measuring';
import { fractionValue } from '../../resources/js/support/fraction';
import type { Examination } from '../../resources/js/types/generated/examination';
import type { PedalMark, PlanDocument } from '../../resources/js/types/generated/plan';

// Ten bars of four quarters, a moment on each quarter and one at the end.
const moments: Moment[] = Array.from({ length: 41 }, (_, quarter) => ({
    at: String(quarter),
    place: { measure: `m${Math.min(9, Math.floor(quarter / 4))}`, offset: quarter === 40 ? '4' : String(quarter % 4) },
    measure: Math.min(9, Math.floor(quarter / 4)),
    notes: [],
}));
const line: Timeline = {
    moments,
    times: moments.map(({ at }) => fractionValue(at)),
    quarters: ({ measure, offset }) => 4 * Number(measure.slice(1)) + fractionValue(offset),
};

const pedal = (from: number, to: number): PedalMark => ({
    id: `${from}-${to}`,
    craft: 'pedal',
    kind: 'span',
    from: moments[from]!.place,
    to: moments[to]!.place,
    depth: 'full',
    origin: 'teacher',
    words: '',
});
const plan = (marks: PlanDocument['marks'], tempo: number | null = null): PlanDocument => ({ format: 'tarnwind-plan/1', school: 'singing', tempo, marks });
const finger: PlanDocument['marks'][number] = { id: 'f', craft: 'hand', kind: 'finger', note: 'n', finger: '2' };
const words: PlanDocument['marks'][number] = { id: 'w', craft: 'words', kind: 'note', measure: 'm1', text: 'softer' };
const bars = [0, 4, 8, 12, 16, 20].map((from) => pedal(from, from + 4));

test('what has changed is a stretch a moment wider at each side', () => {
    expect(changedStretch(bars, bars, line)).toBeNull();
    expect(changedStretch(bars, [...bars.slice(0, 2), pedal(8, 11), ...bars.slice(3)], line)).toEqual({ from: '7', to: '13' });
    expect(changedStretch([], [pedal(0, 40)], line)).toEqual({ from: '0', to: '40' });
    expect(joined({ from: '4', to: '8' }, { from: '7/2', to: '6' })).toEqual({ from: '7/2', to: '8' });
    expect(joined(null, { from: '1', to: '2' })).toBeNull();
});

test('near a stretch are the pedals that touch it and the one before them', () => {
    const kept = near(plan([...bars, finger, words]), { from: '13', to: '15' }, line);
    expect(kept.marks.map(({ id }) => id)).toEqual(['8-12', '12-16', 'f']);
    const between = near(plan([pedal(0, 2), pedal(4, 6), pedal(30, 32)]), { from: '10', to: '12' }, line);
    expect(between.marks.map(({ id }) => id)).toEqual(['4-6']);
});

test('the foot meets the same piece unless something else than pedals, words and gestures is another', () => {
    expect(meetsTheSame(plan([...bars, finger, words]), plan([finger]))).toBe(true);
    expect(meetsTheSame(plan([finger]), plan([{ ...finger, finger: '3' }]))).toBe(false);
    expect(meetsTheSame(plan([finger]), plan([]))).toBe(false);
    expect(meetsTheSame(plan([]), plan([], 60))).toBe(false);
});

test('what was measured of a stretch takes the place of what was known of it', () => {
    const span = (down: string, up: string, blur: number): Examination['spans'][number] => ({
        down,
        up,
        kind: 'direct',
        depth: 'full',
        catch_window_ms: null,
        bass_caught: null,
        worst_blur: blur,
        blur_without_change: null,
        reasons: [],
    });
    const known: Examination = {
        spans: [span('0', '3', 1), span('4', '8', 1), span('8', '12', 1), span('13', '16', 1)],
        blur: ['0', '4', '8', '13'].map((onset) => ({ onset, value: 1 })),
        findings: [],
    };
    // The server answers for the whole of every pedal that touches a stretch.
    const after = merged(known, { from: '4', to: '12', spans: [span('4', '10', 2)], blur: [{ onset: '4', value: 2 }], findings: [] });
    expect(after.spans.map(({ down, up }) => `${down}-${up}`)).toEqual(['0-3', '4-10', '13-16']);
    expect(after.blur).toEqual([
        { onset: '0', value: 1 },
        { onset: '4', value: 2 },
        { onset: '13', value: 1 },
    ]);
});

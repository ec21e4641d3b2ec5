import { expect, test } from '@playwright/test';
import { dryIn, removeIn, toggleHalfIn, type PedalMark } from '../../resources/js/crafts/pedal/edits';
import { merge } from '../../resources/js/crafts/pedal/merge';
import { between } from '../../resources/js/crafts/pedal/within';
import type { Moment, Timeline } from '../../resources/js/desk/timeline';
import type { PedalAnswer } from '@generated/pedal';

// Ten bars of four quarters, a moment on each quarter and one at the end.
const moments: Moment[] = Array.from({ length: 41 }, (_, quarter) => ({
    at: String(quarter),
    place: { measure: `m${Math.min(9, Math.floor(quarter / 4))}`, offset: quarter === 40 ? '4' : String(quarter % 4) },
    measure: Math.min(9, Math.floor(quarter / 4)),
    notes: [],
}));
const line: Timeline = { moments, times: moments.map((_, index) => index), quarters: ({ measure, offset }) => 4 * Number(measure.slice(1)) + Number(offset) };
const pedal = (from: number, to: number, depth: 'full' | 'half' = 'full'): PedalMark => ({
    id: `${from}-${to}`,
    craft: 'pedal',
    kind: 'span',
    from: moments[from]!.place,
    to: moments[to]!.place,
    depth,
    origin: 'suggested',
    words: '',
});
const stretches = (marks: readonly PedalMark[]): string[] =>
    marks
        .map((mark) => `${mark.kind === 'dry' ? 'dry ' : ''}${line.quarters(mark.from)}-${line.quarters(mark.to)}${mark.depth === 'half' ? ' half' : ''}`)
        .sort();

const bars = [0, 4, 8, 12].map((from) => pedal(from, from + 4));

test('in a selection all pedals become half, and full again where all are half', () => {
    const half = toggleHalfIn(bars, line, 4, 12);
    expect(stretches(half)).toEqual(['0-4', '12-16', '4-8 half', '8-12 half']);
    expect(stretches(toggleHalfIn(half, line, 4, 12))).toEqual(stretches(bars));
    expect(stretches(toggleHalfIn(half, line, 0, 12))).toEqual(['0-4 half', '12-16', '4-8 half', '8-12 half']);
    // What is the teacher's is hers from then on.
    expect(half.filter(({ origin }) => origin === 'teacher')).toHaveLength(2);
});

test('a selection is kept dry, and what stands in its way gives way', () => {
    expect(stretches(dryIn(bars, line, 6, 10))).toEqual(['0-4', '10-12', '12-16', '4-6', 'dry 6-10']);
});

test('the pedals that begin in a selection are taken out', () => {
    expect(stretches(removeIn(bars, line, 3, 9))).toEqual(['0-4', '12-16']);
});

test('what was measured of a stretch takes the place of what was known of it', () => {
    const span = (mark: string, down: string, up: string, blur: number): PedalAnswer['spans'][number] => ({
        mark,
        down,
        up,
        kind: 'direct',
        depth: 'full',
        timing: { up_ms: null, down_ms: 50, window_ms: null, closes: null, smears: null },
        bass_caught: null,
        worst_blur: blur,
        blur_without_change: null,
        reasons: [],
    });
    const known: PedalAnswer = {
        from: '0',
        to: '16',
        spans: [span('a', '0', '3', 1), span('b', '4', '8', 1), span('c', '8', '12', 1), span('d', '13', '16', 1)],
        blur: ['0', '4', '8', '13'].map((onset) => ({ onset, value: 1 })),
        findings: [],
    };
    // The server answers for the whole of every pedal that touches a stretch.
    const after = merge(known, {
        bars: { first: 1, last: 2 },
        from: '4',
        to: '12',
        spans: [span('b', '4', '10', 2)],
        blur: [{ onset: '4', value: 2 }],
        findings: [],
    });
    expect(after.spans.map(({ mark, down, up }) => `${mark} ${down}-${up}`)).toEqual(['a 0-3', 'b 4-10', 'd 13-16']);
    expect(after.blur).toEqual([
        { onset: '0', value: 1 },
        { onset: '4', value: 2 },
        { onset: '13', value: 1 },
    ]);
    expect(after).not.toHaveProperty('bars');
    // One that now begins in the stretch, and stood outside of it before, stands once.
    const moved = merge(known, { bars: { first: 0, last: 1 }, from: '3', to: '7', spans: [span('d', '5', '7', 2)], blur: [], findings: [] });
    expect(moved.spans.map(({ mark, down }) => `${mark} ${down}`)).toEqual(['d 5', 'c 8']);
});

test('things in order are found without a walk', () => {
    const numbers = [1, 2, 3, 5, 8, 13];
    const inside = (from: number, to: number, beside = 0): number[] =>
        between(
            numbers,
            (one) => one >= from,
            (one) => one < to,
            beside,
        );
    expect(inside(2, 8)).toEqual([2, 3, 5]);
    expect(inside(2, 8, 1)).toEqual([1, 2, 3, 5, 8]);
    expect(inside(6, 7)).toEqual([]);
    expect(inside(20, 30, 1)).toEqual([13]);
    expect(
        between(
            [],
            () => true,
            () => true,
        ),
    ).toEqual([]);
});

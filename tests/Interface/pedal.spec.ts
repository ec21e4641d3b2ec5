import { expect, test } from '@playwright/test';
import { DOWN, heightOf, pathOf, UP } from '../../resources/js/crafts/pedal/curve';
import { depthName, shareOf } from '../../resources/js/crafts/pedal/depth';
import * as edits from '../../resources/js/crafts/pedal/edits';
import { dryIn, removeIn, toggleHalfIn, type PedalMark, type StretchMark } from '../../resources/js/crafts/pedal/edits';
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
        catch_window_ms: null,
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

test('a pedal has a depth, by name or in percent', () => {
    expect([shareOf('full'), shareOf('three-quarter'), shareOf('half'), shareOf(40)]).toEqual([1, 0.75, 0.5, 0.4]);
    expect([depthName('three-quarter'), depthName(40)]).toEqual(['¾', '40 %']);
    const deep = edits.setDepth(bars, line, 5, 40);
    expect(deep.find(({ depth }) => depth === 40)).toMatchObject({ origin: 'teacher', from: moments[4]!.place });
    expect(edits.setDepth(bars, line, 30, 'half')).toEqual(bars);
});

test('the foot goes down in a manner, moves gradually and flutters; a change divides what it has', () => {
    const manner = edits.setManner(bars, line, 5, 'before');
    expect(manner.find((mark) => 'manner' in mark)).toMatchObject({ manner: 'before', from: moments[4]!.place });
    expect(edits.setManner(manner, line, 5, 'after').some((mark) => 'manner' in mark)).toBe(false);

    const lifted = edits.toggleLowered(edits.toggleLifting(edits.toggleFlutter(bars, line, 5), line, 7), line, 5);
    const [, one] = edits.placed(lifted, line);
    expect(one).toMatchObject({ from: 4, to: 8, lowered: 5, lifting: 7 });
    expect(one!.mark).toMatchObject({ flutter: true });
    // Where the pedal goes down there is nothing to come up from.
    expect(edits.toggleLifting(bars, line, 4)).toEqual(bars);
    // The second half of a change begins at once, the first comes up at once.
    const [first, second] = edits.placed(edits.change(lifted, line, 6, 8), line).slice(1, 3);
    expect([first!.lowered, first!.lifting, second!.lowered, second!.lifting]).toEqual([5, null, null, 7]);
    expect(edits.toggleLifting(lifted, line, 7).some((mark) => 'lifting' in mark)).toBe(false);
});

test('the other pedals and a wash hold in a stretch, and go again', () => {
    const told = (marks: readonly StretchMark[]): string[] => edits.placedStretches(marks, line).map(({ mark, from, to }) => `${mark.kind} ${from}-${to}`);
    const soft = edits.toggleStretch([], line, 'soft', 4, 12);
    const both = edits.toggleStretch(soft, line, 'sostenuto', 6, 8);
    expect(told(both)).toEqual(['soft 4-12', 'sostenuto 6-8']);
    expect(told(edits.toggleStretch(both, line, 'soft', 5, 6))).toEqual(['sostenuto 6-8']);
    // Of one kind there is one at a time.
    expect(told(edits.toggleStretch(soft, line, 'soft', 2, 6))).toEqual(['soft 2-6']);
});

test('another pedalling of a passage is kept, chosen, and laid beside', () => {
    const kept = edits.keepPassage(bars, line, 2, 6);
    expect(stretches(kept.pedals as PedalMark[])).toEqual(['2-4', '4-6']);
    const clean = [pedal(0, 2), pedal(2, 4), pedal(4, 8), pedal(8, 12), pedal(12, 16)];
    expect(stretches(edits.choose(clean, line, kept))).toEqual(['0-2', '12-16', '2-4', '4-6', '6-8', '8-12']);
    expect(edits.differences(edits.placed(bars, line), edits.placed(clean, line))).toEqual([2]);
    expect(edits.differences(edits.placed(bars, line), edits.placed(toggleHalfIn(bars, line, 4, 8), line))).toEqual([4]);
    expect(stretches(edits.takeOver(bars, line, clean, 0, 4))).toEqual(['0-2', '12-16', '2-4', '4-8', '8-12']);
    expect(stretches(edits.asPrinted(clean, line, { from: 1, to: 9 }))).toEqual(['0-1', '1-9', '12-16', '9-12']);
    expect(stretches(edits.halfIn(bars, line, 20, 24))).toContain('20-24 half');
    expect(edits.keep(bars, line, 4, 9).map(({ origin }) => origin)).toEqual(['suggested', 'teacher', 'teacher', 'suggested']);
});

test('a passage has its own way, which gives way to another', () => {
    const one = edits.withWay([], line, 4, 12, { school: 'singing', haze: 0.5 }, { rate: 'bar' });
    expect(one).toMatchObject([{ school: 'singing', haze: 0.5, rate: 'bar', from: moments[4]!.place, to: moments[12]!.place }]);
    const two = edits.withWay(one, line, 4, 12, { school: 'clean' }, { rate: undefined, depth: 'half' });
    expect(two).toHaveLength(1);
    expect(two[0]).toMatchObject({ school: 'singing', depth: 'half' });
    expect(two[0]).not.toHaveProperty('rate');
});

test('the way of the foot is drawn: down, along, up, leaning into a change, deeper or in waves', () => {
    const x = (quarters: number): number => 10 * quarters;
    const draw = (mark: PedalMark, more: Partial<Parameters<typeof pathOf>[1]> = {}, placed = {}): string =>
        pathOf({ mark, lowered: null, lifting: null, ...placed }, { left: 0, right: 40, begins: true, ends: true, before: null, changed: false, ...more }, x);
    expect([heightOf(0), heightOf(1)]).toEqual([UP, DOWN]);
    expect(draw(pedal(0, 4))).toBe('M0 12 L0 30 L40 30 L40 30 L40 12');
    expect(draw(pedal(0, 4, 'half'), { before: 1, changed: true })).toBe('M0 18 L5 21 L40 21 L35 21 L40 18');
    expect(draw({ ...pedal(0, 4, 'half'), manner: 'on' } as PedalMark, { before: 1 })).toBe('M0 30 L0 21 L40 21 L40 21 L40 12');
    expect(draw(pedal(0, 4), {}, { lowered: 1, lifting: 3 })).toBe('M0 12 L0 12 L10 30 L30 30 L40 12');
    expect(draw(pedal(2, 6), { left: 20, right: 60 }, { lowered: 3 })).toBe('M20 12 L20 12 L30 30 L60 30 L60 30 L60 12');
    expect(draw({ ...pedal(0, 4), flutter: true } as PedalMark).split('L').length).toBeGreaterThan(8);
    expect(draw(pedal(0, 4), { begins: false, ends: false })).toBe('M0 30 L40 30');
});

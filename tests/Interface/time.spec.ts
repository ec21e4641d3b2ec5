import { expect, test } from '@playwright/test';
import type { PaceMark, RubatoMark } from '@generated/plan';
import type { TimeAnswer, TimedBeat } from '@generated/time';
import { moving, perMinute, scaleOf, signedMs } from '../../resources/js/crafts/time/curve';
import { inMinutes } from '../../resources/js/support/minutes';
import * as edits from '../../resources/js/crafts/time/edits';
import { merge } from '../../resources/js/crafts/time/merge';
import { timeStrip } from '../../resources/js/crafts/time/strip';
import { atTempo, beatsOf, tempoOf } from '../../resources/js/crafts/time/tapped';
import { clicksWithin } from '../../resources/js/sound/player';

const place = (measure: string, offset = '0') => ({ measure, offset });
const rubato = (beats: RubatoMark['beats'], back = false): RubatoMark => ({
    id: 'rubato-1',
    craft: 'time',
    kind: 'rubato',
    from: place('b1'),
    to: place('b2'),
    beats,
    parts: 1,
    back,
});
const beat = (at: string, measure: number, ms: number, strict = 1000, entries: TimedBeat['entries'] = []): TimedBeat => ({
    at,
    measure,
    length: 1,
    ms,
    strict,
    entries,
});

/** The ledger of a rubato of beats of one second. */
const ledger = (mark: RubatoMark) => {
    const beats = mark.beats.map((share, index) => ({ at: String(index), ms: 1000, taken: share === null ? 0 : 1000 * (share - 1), open: share === null }));
    return { beats, owed: beats.reduce((sum, { taken }) => sum + taken, 0) };
};

test('a beat is made longer, and put back as the tempo has it', () => {
    const fresh = edits.newRubato([], { from: place('b1'), to: place('b2'), cells: 4 });
    expect(fresh.beats).toEqual([null, null, null, null]);
    const longer = edits.putRubato([], edits.withBeat(fresh, 1, 1.2));
    expect(longer[0]!.beats).toEqual([null, 1.2, null, null]);
    expect(edits.putRubato(longer, edits.withBeat(longer[0]!, 1, null))).toEqual([]);
    expect(edits.withBeat(fresh, 0, 9).beats[0]).toBe(3);
});

test('a rubato gives back by its open beats, or by all of them alike', () => {
    const open = rubato([1.2, null, null, null]);
    expect(edits.givenBack(open, ledger(open))).toEqual({ ...open, back: true });
    const tapped = rubato([1.3, 1.1, 1.0, 1.0]);
    const given = edits.givenBack(tapped, ledger(tapped));
    expect(given.back).toBe(true);
    // Shorter all by the same share; the last one takes up what rounding leaves.
    expect(given.beats[3]).toBeNull();
    expect(given.beats[0]! / given.beats[1]!).toBeCloseTo(1.3 / 1.1, 2);
    expect(given.beats[0]! + given.beats[1]! + given.beats[2]! + 1.0 / 1.1).toBeCloseTo(4, 2);
});

test('a rubato is brought within what still has a pulse', () => {
    const wild = rubato([1.66, 0.6, null, null]);
    const kept = edits.withinLimits(wild, ledger(wild)).beats;
    expect(kept[0]!).toBeLessThanOrEqual(1.34);
    expect(kept[1]!).toBeGreaterThanOrEqual(0.8);
    const calm = rubato([1.2, 0.9, null]);
    expect(edits.withinLimits(calm, ledger(calm))).toEqual(calm);
});

test('slowings, fermatas, silences and endings are put and taken away', () => {
    const slow = edits.pace([], place('b1'), place('b3'), 0.7);
    expect(slow).toMatchObject([{ end: 0.7, shape: 3, stays: false }]);
    expect(edits.pace(slow, place('b1'), place('b3'), 0.6)).toEqual([]);
    expect(edits.pace(slow, place('b1'), place('b3'), 1.2)).toMatchObject([{ end: 1.2 }]);
    expect(edits.changed<PaceMark>(slow, 'pace-1', { end: 0.5 })[0]!.end).toBe(0.5);
    const held = edits.fermata([], place('b1'), null);
    expect(edits.fermata(held, place('b1'), 3, 'last')).toMatchObject([{ seconds: 3, when: 'last' }]);
    expect(edits.noFermata(held, place('b1'))).toEqual([]);
    expect(edits.silence([], place('b2'), 249.6)).toMatchObject([{ ms: 250 }]);
    expect(edits.tempo([], place('b2'), 1.2)).toMatchObject([{ ratio: 1.2 }]);
    expect(edits.tempo(edits.tempo([], place('b2'), 1.2), place('b2'), 1)).toEqual([]);
    expect(edits.ending(edits.ending([], place('b2'), 0.2), place('b2'), null)).toEqual([]);
    const leaned = edits.lean([], ['n1', 'n2'], 0.12);
    expect(edits.lean(leaned, ['n1'], 0.3)).toMatchObject([
        { notes: ['n2'], longer: 0.12 },
        { notes: ['n1'], longer: 0.3 },
    ]);
    expect(edits.lean(leaned, ['n1', 'n2'], 0.12)).toEqual([]);
});

test('a tempo is told in the unit that is counted, without what stands still', () => {
    const held = beat('0', 0, 3000, 1000, [{ kind: 'hold', reason: '', ms: 2000, mark: null }]);
    expect(moving(held)).toBe(1000);
    expect(perMinute({ length: 1.5 }, 1.5, 1000)).toBe(60);
    const scale = scaleOf([60, 76], 134);
    expect(scale.y(76)).toBeLessThan(scale.y(60));
    // The same ratio is the same height, wherever.
    expect(scale.y(60) - scale.y(66)).toBeCloseTo(scale.y(66) - scale.y(72.6), 6);
    expect(scale.ratio(scale.y(60) - scale.y(66))).toBeCloseTo(1.1, 6);
    expect([inMinutes(59_600), inMinutes(187_000), signedMs(120.4), signedMs(-60), signedMs(0.2)]).toEqual(['1:00', '3:07', '+120', '−60', '0']);
});

test('taps become beats, smoothed, with what they owe', () => {
    const strict = [1000, 1000, 1000, 1000];
    const even = beatsOf([0, 1000, 2000, 3000, 4000], strict)!;
    expect(even.beats.every((share) => Math.abs(share - 1) < 1e-9)).toBe(true);
    expect(even.owed).toBeCloseTo(0, 6);
    const slower = beatsOf([0, 1000, 2300, 3300, 4300], strict)!;
    expect(slower.beats[1]).toBeGreaterThan(1.1);
    expect(slower.beats[1]).toBeLessThan(1.3);
    expect(slower.owed).toBeGreaterThan(200);
    expect(atTempo(slower).reduce((sum, share) => sum + share, 0)).toBeCloseTo(4, 6);
    expect(beatsOf([0, 1000], strict)).toBeNull();
    expect(tempoOf([0, 800, 1600, 2400])).toBe(75);
    expect(tempoOf([0, 800])).toBeNull();
});

const answer = (beats: TimedBeat[], more: Partial<TimeAnswer> = {}): TimeAnswer => ({
    first: 60,
    school: 'strict',
    proposal: { school: 'breathing', reason: '', places: [] },
    beats,
    paces: [],
    holds: [],
    silences: [],
    endings: [],
    rubatos: [],
    limits: [],
    clock: [{ measure: 0, ms: 0 }],
    duration: 2000,
    ornaments: { graces: 'before', trill: 'main', speed: 12, roll: 'from', spread: 60, lead: 0 },
    findings: [],
    ...more,
});

test('an answer about some bars is put into the whole; the clock waits', () => {
    const known = answer([beat('0', 0, 1000), beat('1', 1, 1000), beat('2', 2, 1000)], {
        proposal: { school: 'breathing', reason: '', places: [{ at: '1', measure: 1, what: '' }] },
    });
    const part = { ...answer([beat('1', 1, 1200)], { clock: [], duration: 0, school: 'free' }), bars: { first: 1, last: 1 } };
    const merged = merge(known, part);
    expect(merged.beats.map(({ ms }) => ms)).toEqual([1000, 1200, 1000]);
    expect([merged.school, merged.duration, merged.clock.length, merged.proposal.places.length]).toEqual(['free', 2000, 1, 1]);
});

test('the form strip shows where time is taken', () => {
    const clear = { height: 0, look: 'clear' as const, sign: null, says: '' };
    const strip = timeStrip(answer([beat('0', 0, 1000), beat('1', 1, 1200), beat('2', 2, 900)]), 3, [clear, clear, clear]);
    expect(strip.map(({ says }) => says)).toEqual(['in tempo', '20 % longer than its tempo', '10 % shorter than its tempo']);
    expect(strip[1]!.height).toBeGreaterThan(strip[0]!.height);
});

test('clicks breathe with the plan, or go evenly on from where playing begins', () => {
    const bars = [
        { measure: 0, ms: 0, beats: [0, 1000] },
        { measure: 1, ms: 2000, beats: [2000, 3300] },
        { measure: 2, ms: 4600, beats: [4600, 5600] },
    ];
    const steady = [
        { measure: 0, ms: 0, beats: [0, 1000] },
        { measure: 1, ms: 2000, beats: [2000, 3000] },
        { measure: 2, ms: 4000, beats: [4000, 5000] },
    ];
    const clicks = (from: number, click: 'none' | 'with' | 'against') => clicksWithin({ bars, steady }, { from, to: 9000, click }).map(({ ms }) => ms);
    expect(clicks(2000, 'with')).toEqual([2000, 3300, 4600, 5600]);
    expect(clicks(2000, 'against')).toEqual([2000, 3000, 4000, 5000]);
    expect(clicks(4600, 'against')).toEqual([4600, 5600]);
    expect(clicks(0, 'none')).toEqual([]);
    expect(clicksWithin({ bars, steady }, { from: 0, to: 9000, click: 'with' }).map(({ accent }) => accent)).toEqual([true, false, true, false, true, false]);
});

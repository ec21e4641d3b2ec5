import { expect, test } from '@playwright/test';
import { inWords, match, placesOf, schedule, swinging, type TapBar } from '../../resources/js/crafts/count/tapping';
import type { BarCount } from '@generated/count';

const bar = (index: number, start: number, more: Partial<TapBar> = {}): TapBar => ({
    index,
    number: String(index + 1),
    start,
    length: 4,
    beat: 1,
    origin: 0,
    ...more,
});
const beats = placesOf('beats', [], () => []);

test('one bar is counted in, then every bar has its clicks and targets', () => {
    const { clicks, targets, end } = schedule([bar(0, 0), bar(1, 4)], () => 60, beats);
    expect(clicks.map(({ ms }) => ms)).toEqual(Array.from({ length: 12 }, (_, beat) => beat * 1000));
    expect(clicks.filter(({ countIn }) => countIn)).toHaveLength(4);
    expect(clicks.map(({ label }) => label).join('')).toBe('123412341234');
    expect(clicks.filter(({ accent }) => accent).map(({ ms }) => ms)).toEqual([0, 4000, 8000]);
    expect(targets.map(({ ms }) => ms)).toEqual([4000, 5000, 6000, 7000, 8000, 9000, 10000, 11000]);
    expect(end).toBe(12000);
});

test('compound beats click on dotted quarters, and the tempo of each bar holds', () => {
    const compound = { length: 3, beat: 1.5 };
    const { clicks, targets } = schedule([bar(0, 0, compound), bar(1, 3, compound)], (at) => (at < 3 ? 90 : 180), beats);
    expect(clicks.map(({ ms }) => ms)).toEqual([0, 1000, 2000, 3000, 4000, 4500]);
    expect(targets.map(({ ms }) => ms)).toEqual([2000, 3000, 4000, 4500]);
});

test('before an up-beat a bar is counted, and then the beats it lacks', () => {
    const { clicks, targets } = schedule([bar(0, 0, { length: 1, origin: 3 }), bar(1, 1)], () => 60, beats);
    expect(clicks.map(({ label }) => label).join('')).toBe('123412341234');
    expect(clicks.filter(({ countIn }) => countIn)).toHaveLength(7);
    expect(targets[0]?.ms).toBe(7000);
});

test('repeats are tapped in the order of playing', () => {
    const { targets } = schedule([bar(1, 4), bar(0, 0)], () => 60, beats);
    expect(targets.map((target) => target.bar)).toEqual(['2', '2', '2', '2', '1', '1', '1', '1']);
    expect(targets.map(({ ms }) => ms)).toEqual([4000, 5000, 6000, 7000, 8000, 9000, 10000, 11000]);
});

test('syllables and struck notes can be tapped instead of beats', () => {
    const counts = [
        {
            measure: 0,
            subdivision: 2,
            spoken: '',
            syllables: [
                { at: '0', text: '1', notes: ['a'] },
                { at: '1/2', text: '&', notes: [] },
                { at: '1', text: '2', notes: ['b'] },
            ],
        },
    ] as unknown as BarCount[];
    expect(placesOf('count', counts, () => [])(bar(0, 0))).toEqual([
        { at: 0, label: '1' },
        { at: 0.5, label: '&' },
        { at: 1, label: '2' },
    ]);
    const struck = (_: number, hand: 'left' | 'right' | null) => (hand === 'left' ? [0] : hand === 'right' ? [1] : [0, 1]);
    expect(placesOf('left', counts, struck)(bar(0, 0))).toEqual([{ at: 0, label: '1' }]);
    expect(placesOf('right', counts, struck)(bar(0, 0))).toEqual([{ at: 1, label: '2' }]);
    expect(placesOf('notes', counts, struck)(bar(0, 0))).toHaveLength(2);
});

const targets = [4000, 5000, 6000, 7000].map((ms) => ({ ms, label: '', bar: '1' }));

test('each tap belongs to the nearest target, early and late', () => {
    const result = match(targets, [3980, 5030, 5990, 7040]);
    expect(result.taps.map(({ late }) => late)).toEqual([-20, 30, -10, 40]);
    expect(result.extra).toBe(0);
    expect(result.mean).toBe(10);
    expect(result.spread).toBeCloseTo(Math.sqrt((900 + 400 + 400 + 900) / 4));
});

test('a missed target stays missed, a second tap is one too many', () => {
    const result = match(targets, [4010, 4100, 6010, 7010]);
    expect(result.taps.map(({ late }) => late)).toEqual([10, null, 10, 10]);
    expect(result.extra).toBe(1);
    expect(inWords(result)).toBe('On the whole in time, even within 0 ms, 1 missed, 1 too many.');
});

test('what is heard of it is said in words', () => {
    expect(inWords(match(targets, []))).toBe('Nothing was tapped.');
    expect(inWords(match(targets, [3940, 4940, 5940, 6940]))).toBe('On the whole 60 ms early, even within 0 ms.');
    expect(inWords(match(targets, [4080, 5080, 6080, 7080]))).toContain('80 ms late');
});

test('shifting all taps shifts the mean and leaves the evenness as it is', () => {
    const taps = [4012, 4991, 6030, 6975];
    const plain = match(targets, taps);
    const late = match(
        targets,
        taps.map((ms) => ms + 50),
    );
    expect(late.mean! - plain.mean!).toBeCloseTo(50);
    expect(late.spread).toBeCloseTo(plain.spread!);
});

test('where quavers swing, those off the beat are expected late, and the beats stay', () => {
    const quavers = (bar: TapBar) => [0, 0.5, 1, 1.5].map((at) => ({ at: bar.start + at, label: '' }));
    const { clicks, targets } = schedule([bar(0, 0)], () => 60, quavers, swinging([0]));
    expect(targets.map(({ ms }) => Math.round(ms - 4000))).toEqual([0, 667, 1000, 1500]);
    expect(clicks.map(({ ms }) => ms)).toEqual(Array.from({ length: 8 }, (_, beat) => beat * 1000));
});

import { expect, test } from '@playwright/test';
import { pedalAt, timeConstant, tonesOf } from '../../resources/js/sound/damping';
import { withFault } from '../../resources/js/sound/faults';
import { isFault, planOf, VERSIONS } from '../../resources/js/sound/versions';
import type { PlanDocument } from '@generated/plan';
import type { Phrase } from '@generated/shape';
import { countInOf, stepsWithin } from '../../resources/js/sound/player';
import type { KeyEvent, RenditionDocument } from '../../resources/js/types/generated/rendition';

const key = (midi: number, start: number, end: number, layer: KeyEvent['layer'] = 'melody', velocity = 64): KeyEvent => ({
    note: `n${midi}-${start}`,
    midi,
    start_ms: start,
    end_ms: end,
    velocity,
    hand: 'right',
    layer,
});

test('a string is damped when its key is left, or when the foot lets it go', () => {
    const pedal = [
        { ms: 100, value: 127, controller: 64 as const },
        { ms: 1500, value: 0, controller: 64 as const },
        { ms: 1620, value: 127, controller: 64 as const },
    ];
    const [before, under] = tonesOf([key(60, 0, 50), key(64, 200, 900)], pedal);
    // Free again, at the level it has by then, where the foot comes back.
    expect(before!.damping.map(({ ms }) => ms)).toEqual([50, 100, 1500, 1620]);
    expect(before!.damping.map(({ seconds }) => seconds === null)).toEqual([false, true, false, true]);
    expect(under!.damping.map(({ ms }) => ms)).toEqual([1500, 1620]);
    expect(pedalAt(pedal, 1499)).toBe(127);
    expect(pedalAt(pedal, 0)).toBe(0);
});

test('half pedal leaves the bass ringing and stops the treble; the highest strings have no dampers', () => {
    expect(timeConstant(64, 28)!).toBeGreaterThan(10 * timeConstant(0, 28)!);
    expect(timeConstant(64, 28)!).toBeGreaterThan(4 * timeConstant(64, 84)!);
    expect(timeConstant(0, 28)!).toBeGreaterThan(timeConstant(0, 84)!);
    expect(timeConstant(127, 28)).toBeNull();
    expect(timeConstant(0, 96)).toBeNull();
    const [high] = tonesOf([key(100, 0, 100)], []);
    expect(high!.damping).toEqual([]);
});

test('what the foot does after a key is struck again is not told of its earlier stroke', () => {
    const tones = tonesOf([key(60, 0, 100), key(60, 500, 600)], [{ ms: 700, value: 127, controller: 64 as const }]);
    expect(tones[0]!.damping.map(({ ms }) => ms)).toEqual([100]);
    expect(tones[1]!.damping.map(({ ms }) => ms)).toEqual([600, 700]);
});

test('the middle pedal keeps what is down when it goes down; the left one colours what is struck under it', () => {
    const pedal = [
        { ms: 50, value: 127, controller: 66 as const },
        { ms: 900, value: 127, controller: 67 as const },
        { ms: 2000, value: 0, controller: 66 as const },
        { ms: 2500, value: 0, controller: 67 as const },
    ];
    const [kept, later, soft] = tonesOf([key(36, 0, 500), key(64, 600, 700), key(67, 1000, 1200)], pedal);
    expect(kept!.damping.map(({ ms }) => ms)).toEqual([2000]);
    expect(later!.damping.map(({ ms }) => ms)).toEqual([700]);
    expect([kept!.soft, later!.soft, soft!.soft]).toEqual([false, false, true]);
    expect(stepsWithin({ pedal }, { from: 0, to: 3000 })).toEqual([]);
});

const rendition: RenditionDocument = {
    events: [key(72, 0, 500), key(60, 0, 500, 'filling', 40), key(64, 500, 900, 'filling', 120)],
    pedal: [
        { ms: 0, value: 127, controller: 64 as const },
        { ms: 500, value: 0, controller: 64 as const },
        { ms: 600, value: 127, controller: 64 as const },
        { ms: 1000, value: 0, controller: 64 as const },
    ],
    steady: [],
    bars: [
        { measure: 0, ms: 0, beats: [0, 500, 1000, 1500] },
        { measure: 1, ms: 2000, beats: [2000, 2500, 3000, 3500] },
    ],
};

test('faults change what they are about and nothing else', () => {
    const velocities = ({ events }: RenditionDocument): number[] => events.map(({ velocity }) => velocity);
    expect(withFault(rendition, 'late-foot').pedal.map(({ ms }) => ms)).toEqual([260, 760, 860, 1260]);
    expect(withFault(rendition, 'late-foot').events).toBe(rendition.events);
    expect(withFault(rendition, 'no-changes').pedal).toEqual([
        { ms: 0, value: 127, controller: 64 as const },
        { ms: 1000, value: 0, controller: 64 as const },
    ]);
    expect(withFault(rendition, 'no-pedal').pedal).toEqual([]);
    expect(velocities(withFault(rendition, 'filling-too-loud'))).toEqual([64, 63, 127]);
    expect(new Set(velocities(withFault(rendition, 'flat'))).size).toBe(1);
});

test('an accent on every beat leaves what stands off the beat alone', () => {
    const off = { ...rendition, events: [...rendition.events, key(62, 750, 900)] };
    expect(withFault(off, 'accented-beats').events.map(({ velocity }) => velocity)).toEqual([90, 57, 127, 64]);
});

test('other versions are other plans: unshaped, echoes as loud, as it was before', () => {
    const shape: PlanDocument['marks'][number] = { craft: 'shape', kind: 'nudge', id: 'n', notes: ['a'], change: 4 };
    const comma: PlanDocument['marks'][number] = { craft: 'touch', kind: 'comma', id: 'c', note: 'a' };
    const plan: PlanDocument = {
        format: 'tarnwind-plan/3',
        tempo: 60,
        settings: { shape: { school: 'singing' }, touch: { style: 'dance' } },
        marks: [shape, comma],
    };
    const one = { from: '0', rise: 12, fall: 14, level: 3, repeats: null, index: 0 } as unknown as Phrase;
    const around = {
        earlier: { ...plan, marks: [] },
        phrases: [one, { ...one, index: 1, from: '8', level: -8, repeats: 0 }, { ...one, index: 2, from: '16', level: -16, repeats: 1 }],
        beginning: ({ from }: Phrase) => ({ measure: `m${from}`, offset: '0' }),
    };
    expect(planOf('planned', plan, around)).toBe(plan);
    expect(planOf('printed', plan, around)).toMatchObject({ tempo: 60, settings: {}, marks: [] });
    expect(planOf('earlier', plan, around)).toBe(around.earlier);
    expect(planOf('unshaped', plan, around)).toMatchObject({ settings: { shape: { school: 'as-printed' }, touch: { style: 'dance' } }, marks: [comma] });
    const arches = planOf('echo-alike', plan, around).marks.flatMap((mark) => (mark.kind === 'arch' ? [mark.level] : []));
    expect(arches).toEqual([3, 3, 3]);
    expect(VERSIONS.filter(({ value }) => isFault(value))).toHaveLength(6);
});

test('the foot is heard where it arrives and where it leaves', () => {
    const steps = (from: number, to: number): string[] => stepsWithin(rendition, { from, to }).map(({ ms, move }) => `${ms} ${move}`);
    expect(steps(0, 2000)).toEqual(['0 down', '500 up', '600 down', '1000 up']);
    expect(steps(550, 1000)).toEqual(['600 down']);
});

test('a bar is counted in, to where playing begins', () => {
    expect(countInOf(rendition.bars, 2000).map(({ ms, accent }) => `${ms} ${accent}`)).toEqual(['0 true', '500 false', '1000 false', '1500 false']);
    // An up-beat of one beat is counted as the other bars are.
    const upBeat = [{ measure: 0, ms: 0, beats: [0] }, ...rendition.bars.map((bar) => ({ ...bar, ms: bar.ms + 500, beats: bar.beats.map((ms) => ms + 500) }))];
    expect(countInOf(upBeat, 0)).toHaveLength(2);
    expect(countInOf(upBeat, 0)[0]!.ms).toBe(-1000);
});

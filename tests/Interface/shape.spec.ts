import { expect, test } from '@playwright/test';
import type { AudibleNote, BalanceAnswer } from '@generated/balance';
import type { ArchMark, DynamicMark, GoalMark, HairpinMark, NudgeMark } from '@generated/plan';
import type { ReadNote } from '@generated/read';
import type { NoteLevel, Phrase, ShapeAnswer } from '@generated/shape';
import { setLevel, topsOf } from '../../resources/js/crafts/balance/edits';
import { heardAs, layBands } from '../../resources/js/crafts/balance/lanes';
import { merge as mergeBalance } from '../../resources/js/crafts/balance/merge';
import { layArches, layLevels, levelY } from '../../resources/js/crafts/shape/curves';
import * as edits from '../../resources/js/crafts/shape/edits';
import { merge } from '../../resources/js/crafts/shape/merge';
import { shapeStrip } from '../../resources/js/crafts/shape/strip';
import { dynamicOf, grades, inGrades, signed, signedGrades } from '../../resources/js/crafts/shape/words';
import { headAt, type Laid } from '../../resources/js/engraving/layout';

const place = (measure: string, offset = '0') => ({ measure, offset });

const phrase = (index: number, change: Partial<Phrase> = {}): Phrase => ({
    index,
    from: String(8 * index),
    to: String(8 * index + 8),
    goal: `g${index}`,
    goalName: 'G5',
    goalAt: String(8 * index + 4),
    ownGoal: false,
    goals: [],
    rise: 3.2,
    fall: 14,
    level: 0,
    manner: '',
    own: false,
    climax: false,
    repeats: null,
    last: `z${index}`,
    join: null,
    ...change,
});

const level = (note: string, at: number, velocity: number, measure = 0): NoteLevel => ({
    note,
    name: 'C5',
    midi: 72,
    measure,
    at,
    end: at + 1,
    layer: 'melody',
    hand: 'right',
    level: 40 * Math.log10(velocity / 127),
    grade: 'mp',
    velocity,
    printed: 64,
    ledger: [{ reason: 'mp', value: velocity }],
});

/** Eight quarters on a line, ten px apart. */
const laid: Laid = {
    system: { width: 100, height: 50, svg: '', notes: {}, measures: [] },
    spots: [0, 1, 2, 3, 4, 5, 6, 7].map((time) => ({ moment: time, time, x: 10 + 10 * time })),
    left: 5,
    right: 95,
    from: 0,
    to: 8,
};

test('a phrase has one goal, and the same again takes it back', () => {
    const first: GoalMark = { id: 'goal-1', craft: 'shape', kind: 'goal', note: 'a' };
    const other: GoalMark = { id: 'goal-2', craft: 'shape', kind: 'goal', note: 'z' };
    const inPhrase = new Set(['a', 'b']);
    expect(edits.goal([first, other], 'b', inPhrase).map(({ note }) => note)).toEqual(['z', 'b']);
    expect(edits.goal([first, other], 'a', inPhrase)).toEqual([other]);
    expect(edits.onlyGoal([first], 'a', inPhrase)).toEqual([first]);
});

test('an arch takes the place of the one before and stays within bounds', () => {
    const marks = edits.arch([], place('m1'), { rise: 3.2, fall: -3, level: 100 });
    expect(marks).toMatchObject([{ rise: 3, fall: 0, level: 24 }]);
    const again = edits.arch(marks, place('m1'), { rise: 20, fall: 20, level: 0 });
    expect(again.map(({ rise }: ArchMark) => rise)).toEqual([20]);
    expect(edits.archAt(again, place('m1'))?.rise).toBe(20);
    expect(edits.plainArch(again, place('m1'))).toEqual([]);
});

test('a dynamic takes the place of what stands there for the same staves', () => {
    const both = edits.dynamic([], place('m1'), 'f', 'both');
    expect(edits.dynamic(both, place('m1'), 'f', 'both')).toEqual([]);
    const apart = edits.dynamic(edits.dynamic([], place('m1'), 'f', 'upper'), place('m1'), 'p', 'lower');
    expect(apart.map(({ dynamic, staves }: DynamicMark) => `${dynamic} ${staves}`)).toEqual(['f upper', 'p lower']);
    expect(edits.dynamic(apart, place('m1'), 'mf', 'both').map(({ dynamic }) => dynamic)).toEqual(['mf']);
    expect(edits.noDynamic(apart, place('m1'))).toEqual([]);
});

test('a hairpin turns, and the same again goes', () => {
    const grows = edits.hairpin([], place('m1'), place('m2'), true);
    const falls = edits.hairpin(grows, place('m1'), place('m2'), false);
    expect(falls.map((mark: HairpinMark) => mark.grows)).toEqual([false]);
    expect(edits.hairpin(falls, place('m1'), place('m2'), false)).toEqual([]);
});

test('nudges add up note by note, and nothing is left of one that is undone', () => {
    const once = edits.nudge([], ['a', 'b'], 4);
    const twice = edits.nudge(once, ['b'], 4);
    expect(twice.map(({ notes, change }: NudgeMark) => `${notes.join()} ${change}`)).toEqual(['a 4', 'b 8']);
    expect(edits.nudge(edits.nudge(twice, ['b'], -8), ['a'], -4)).toEqual([]);
    expect(edits.nudge([], ['a'], 500)[0]?.change).toBe(24);
});

test('changes are told in grades, to a quarter', () => {
    expect([0.3, 0.5, 2, -3.2, 4, 5, -8].map(inGrades)).toEqual(['0', '¼', '½', '¾', '1', '1¼', '2']);
    expect([0, 2, 4, 4.6, 6].map(grades)).toEqual(['nothing', '½ grade', '1 grade', '1¼ grades', '1½ grades']);
    expect([2, -4, 0].map(signedGrades)).toEqual(['+½', '−1', '0']);
});

test('an arch rises to its goal and falls from it; on another line it has no handle', () => {
    const [here] = layArches(laid, [phrase(0)], 52, 40);
    expect(here?.goal?.x).toBe(50);
    expect(here?.goal?.y).toBeCloseTo(52 - 5 - 3.2 * 3);
    expect(layArches(laid, [phrase(1)], 52, 40)).toEqual([]);
    const [before] = layArches(laid, [phrase(0, { to: '20', goalAt: '12' })], 52, 40);
    expect(before?.goal).toBeNull();
    const [higher] = layArches(laid, [phrase(0, { rise: 8 })], 52, 40);
    expect(higher!.goal!.y).toBeLessThan(here!.goal!.y);
});

test('a curve goes through the loudest note of each moment', () => {
    const points = layLevels(laid, [level('a', 0, 60), level('b', 0, 90), level('c', 3, 40), level('d', 12, 40)], 84);
    expect(points.map(({ level: { note }, x }) => `${note} ${x}`)).toEqual(['b 10', 'c 40']);
    expect(levelY(127, 84)).toBeLessThan(levelY(16, 84));
    expect(levelY(200, 84)).toBe(levelY(127, 84));
});

test('an answer about some bars renews what it knows whole and keeps the curve of the piece', () => {
    const known: ShapeAnswer = { phrases: [phrase(0), phrase(1)], levels: [level('a', 0, 60, 0), level('b', 8, 60, 2)], profile: [60, 0, 60], findings: [] };
    const part = {
        phrases: [phrase(0, { rise: 20 }), phrase(1, { rise: 1 })],
        levels: [level('a', 0, 70, 0)],
        profile: [],
        findings: [],
        bars: { first: 0, last: 1 },
    };
    const merged = merge(known, part, (id) => ({ g0: 1, g1: 3 })[id]);
    expect(merged.phrases.map(({ rise }) => rise)).toEqual([20, 3.2]);
    expect(merged.levels.map(({ note, velocity }) => `${note} ${velocity}`)).toEqual(['b 60', 'a 70']);
    expect(merged.profile).toEqual([60, 0, 60]);
});

test('the strip shows the curve of the piece and where it is loudest', () => {
    const columns = shapeStrip({ phrases: [], levels: [], profile: [64, 0, 96], findings: [] });
    expect(columns.map(({ says }) => says)).toEqual(['up to mp', 'silent', 'up to f, the loudest']);
    expect(dynamicOf(70)).toBe('mp');
    expect([signed(3), signed(-2.5), signed(0)]).toEqual(['+3', '−2.5', '0']);
});

test('a layer is louder in a passage until nothing is left of it', () => {
    const once = setLevel([], place('m1'), place('m2'), 'bass', { change: 4 });
    expect(once).toMatchObject([{ layer: 'bass', change: 4 }]);
    expect(setLevel(once, place('m1'), place('m2'), 'filling', { change: -4, gradual: true })).toHaveLength(2);
    expect(setLevel(once, place('m1'), place('m2'), 'bass', { change: 0 })).toEqual([]);
    expect(setLevel(once, place('m1'), place('m2'), 'bass', { change: 9, silent: true })).toMatchObject([{ change: 0, silent: true }]);
});

test('a band ends where a note goes under', () => {
    const note: AudibleNote = { note: 'a', name: 'C5', measure: 0, layer: 'melody', at: 0, end: 4, first: 9, middle: -3, least: -9, lost: 2 };
    const [band] = layBands(laid, [note, { ...note, note: 'b', layer: 'inner' }], 'melody');
    expect(band).toMatchObject({ x: 7, end: 47, lost: 27 });
    expect(layBands(laid, [{ ...note, lost: null }], 'melody')[0]?.lost).toBe(47);
    expect(heardAs(note)).toBe('C5 is struck well over the rest; half way it has gone under.');
    expect(heardAs({ ...note, first: 60 })).toBe('C5 is struck alone.');
    const known: BalanceAnswer = { audible: [note], levels: { melody: 8, bass: 0, inner: 0, filling: 0 }, findings: [] };
    expect(mergeBalance(known, { ...known, audible: [{ ...note, first: 1 }], bars: { first: 0, last: 0 } }).audible).toHaveLength(1);
});

test('the tops of chords are one a hand and a moment', () => {
    const note = (id: string, hand: 'left' | 'right') => ({ id, hand }) as unknown as ReadNote;
    const levels = new Map([
        ['a', { at: 0, midi: 60 }],
        ['b', { at: 0, midi: 67 }],
        ['c', { at: 0, midi: 40 }],
        ['d', { at: 1, midi: 62 }],
    ]);
    expect(topsOf([note('a', 'right'), note('b', 'right'), note('c', 'left'), note('d', 'right')], levels).map(({ id }) => id)).toEqual(['b', 'c', 'd']);
});

test('a note is picked by its head, and by no place beside', () => {
    const chord: Laid = { ...laid, system: { ...laid.system, notes: { low: { x: 20, y: 60 }, high: { x: 20, y: 52 } } } };
    expect([headAt(chord, 24, 59), headAt(chord, 25, 53), headAt(chord, 24, 75), headAt(chord, 40, 60)]).toEqual(['low', 'high', null, null]);
});

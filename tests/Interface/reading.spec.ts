import { expect, test } from '@playwright/test';
import * as edits from '../../resources/js/crafts/read/edits';
import { rows } from '../../resources/js/crafts/read/likeness';
import { twins } from '../../resources/js/desk/twins';
import { readStrip, stripSections } from '../../resources/js/crafts/read/strip';
import type { ReadingMark } from '../../resources/js/crafts/read/edits';
import { clicksFromRate, rateFromClicks } from '../../resources/js/studio/rates';
import { difference } from '../../resources/js/support/fraction';
import { printed } from '../../resources/js/support/names';
import type { Likeness, ReadAnswer, ReadNote } from '@generated/read';

const place = (measure: string, offset = '0') => ({ measure, offset });
const chord = (root: string) => ({ root, quality: 'major' as const, bass: null });

test('a chord has one name: the last that was given, until it is read again', () => {
    let marks: ReadingMark[] = edits.nameChord([], place('m1'), place('m2'), chord('C'));
    marks = edits.nameChord(marks, place('m3'), place('m4'), chord('G'));
    marks = edits.nameChord(marks, place('m1'), place('m2'), chord('F'));
    expect(marks.map((mark) => (mark.kind === 'harmony' ? `${mark.from.measure} ${mark.root}` : ''))).toEqual(['m3 G', 'm1 F']);
    expect(edits.forgetChord(marks, place('m3'))).toHaveLength(1);
    expect(new Set(marks.map(({ id }) => id)).size).toBe(2);
});

test('a boundary mark stands only where the teacher and the program differ', () => {
    const set = edits.setBoundary([], place('m5', '2'), true, false);
    expect(set).toMatchObject([{ kind: 'boundary', begins: true, at: { measure: 'm5', offset: '2' } }]);
    expect(edits.hasBoundary(set, place('m5', '2'))).toBe(true);
    expect(edits.hasBoundary(set, place('m5'))).toBe(false);
    expect(edits.setBoundary(set, place('m5', '2'), false, false)).toEqual([]);
    expect(edits.setBoundary([], place('m5'), false, true)).toMatchObject([{ begins: false }]);
});

test('notes belong to the layer and hand they were given to last', () => {
    let marks = edits.giveLayer([], ['a', 'b', 'c'], 'melody');
    marks = edits.giveHand(marks, ['a'], 'left');
    marks = edits.giveLayer(marks, ['b'], 'inner');
    const layer = (note: string) => marks.findLast((mark) => mark.kind === 'layer' && mark.notes.includes(note));
    expect(layer('a')).toMatchObject({ layer: 'melody', notes: ['a', 'c'] });
    expect(layer('b')).toMatchObject({ layer: 'inner', notes: ['b'] });
    expect(edits.isGiven(marks, 'a', 'hand')).toBe(true);
    expect(edits.isGiven(marks, 'b', 'hand')).toBe(false);
    marks = edits.release(marks, ['a', 'b', 'c'], 'layer');
    expect(marks).toMatchObject([{ kind: 'hand' }]);
});

const like = (from: number, length: number, to: number): Likeness => ({ kind: 'exact', from, length, like: to, hand: null, words: `${from}`, differences: [] });

test('bars that are alike know each other, both ways', () => {
    const likenesses = [like(16, 4, 0), like(8, 2, 1)];
    expect(twins(likenesses, 17).map(({ measure }) => measure)).toEqual([1]);
    expect(twins(likenesses, 1).map(({ measure }) => measure)).toEqual([17, 8]);
    expect(twins(likenesses, 20)).toEqual([]);
});

test('brackets share a row only where they do not meet, the longest first', () => {
    const long = like(4, 8, 0);
    const inside = like(6, 2, 1);
    const after = like(12, 2, 3);
    const third = like(6, 1, 2);
    expect(rows([inside, third, after, long], 2)).toEqual([[long, after], [inside]]);
});

test('the form strip shows how full bars are, their twins, and the sections with their up-beats', () => {
    const note = (measure: number) => ({ measure }) as ReadNote;
    const reading = {
        notes: [note(0), note(1), note(1), note(1), note(1), note(2), note(2)],
        likenesses: [like(2, 1, 1)],
        textures: ['single line', 'counterpoint', 'octaves'],
        sections: [
            { letter: 'A', from: '0', to: '4' },
            { letter: 'B', from: '4', to: '9' },
        ],
    } as unknown as ReadAnswer;
    const strip = readStrip(3, reading, 2);
    expect(strip.map(({ height }) => height)).toEqual([0.25, 1, 0.5]);
    expect(strip.map(({ sign }) => sign)).toEqual([null, 'warning', null]);
    expect(strip[1]?.says).toBe('counterpoint, like the current bar');
    // B begins with an up-beat one quarter before the third bar.
    expect(stripSections([0, 1, 5], reading)).toEqual([
        { letter: 'A', from: 0, to: 2 },
        { letter: 'B', from: 2, to: 3 },
    ]);
});

test('differences of fractions are exact and in lowest terms', () => {
    expect(difference('7/2', '3')).toBe('1/2');
    expect(difference('13/3', '4')).toBe('1/3');
    expect(difference('9', '9')).toBe('0');
    expect(difference('5/6', '1/3')).toBe('1/2');
    expect(difference('9999/8', '1248')).toBe('15/8');
});

test('note names are printed with their signs', () => {
    expect(['C', 'Bb', 'F#', 'Ebb', 'B'].map(printed)).toEqual(['C', 'B♭', 'F♯', 'E♭♭', 'B']);
});

test('clicks a minute become notes a second and back', () => {
    expect(rateFromClicks(120)).toBe(8);
    expect(clicksFromRate(8)).toBe(120);
    expect(rateFromClicks(null)).toBeNull();
    expect(clicksFromRate(null)).toBeNull();
    for (let clicks = 10; clicks < 300; clicks++) expect(clicksFromRate(rateFromClicks(clicks))).toBe(clicks);
});

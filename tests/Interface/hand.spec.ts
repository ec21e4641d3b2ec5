import { expect, test } from '@playwright/test';
import { layDigits } from '../../resources/js/crafts/hand/digits';
import { clearFinger, keepFingers, moveOctaves, setFinger, typed } from '../../resources/js/crafts/hand/edits';
import { keysAround } from '../../resources/js/crafts/hand/keyboard';
import { findingsStrip } from '../../resources/js/desk/strip';
import type { Laid } from '../../resources/js/engraving/layout';
import { HIGHEST, keyName, LOWEST } from '../../resources/js/studio/pianos';
import { spanName } from '../../resources/js/support/intervals';
import type { FingeredNote } from '@generated/hand';

const finger = (note: string, midi: number, hand: 'left' | 'right', digit = '1'): [string, FingeredNote] => [
    note,
    { note, midi, name: note, hand, finger: digit, source: 'planned' },
];

test('a note has one finger of the teacher, the last one', () => {
    let marks = setFinger([], 'a', '3');
    marks = setFinger(marks, 'b', '1');
    marks = setFinger(marks, 'a', '5-1');
    expect(marks.map(({ note, finger: digit }) => `${note} ${digit}`)).toEqual(['b 1', 'a 5-1']);
    expect(clearFinger(marks, 'b').map(({ note }) => note)).toEqual(['a']);
    expect(clearFinger(marks, 'c')).toHaveLength(2);
    expect(setFinger([], 'x'.repeat(90), '1')[0]?.id.length).toBeLessThanOrEqual(60);
});

test("planned fingers are kept as the teacher's own, beside those she has; printed ones are already", () => {
    const [[, a], [, b], [, c]] = [finger('a', 60, 'right', '1'), finger('b', 62, 'right', '2'), finger('c', 64, 'right', '3')];
    const kept = keepFingers(setFinger([], 'b', '4'), [a, b, { ...c, source: 'printed' }]);
    expect(kept.map(({ note, finger: digit }) => `${note} ${digit}`)).toEqual(['b 4', 'a 1']);
});

test('a second digit makes a silent change, a third begins anew', () => {
    expect(typed(null, 3)).toBe('3');
    expect(typed('3', 1)).toBe('3-1');
    expect(typed('3', 3)).toBe('3');
    expect(typed('3-1', 5)).toBe('5');
});

const laid = (notes: Laid['system']['notes']): Laid => ({
    system: { svg: '', width: 500, height: 200, notes, measures: [] },
    spots: [],
    left: 0,
    right: 500,
    from: 0,
    to: 4,
});

test('right fingers stand over their notes, left ones under them, chords in a column as the notes stand', () => {
    const digits = layDigits(
        laid({
            c: { x: 100, y: 60 },
            e: { x: 100, y: 50 },
            g: { x: 100, y: 40 },
            low: { x: 100, y: 120 },
            lower: { x: 101, y: 135 },
            alone: { x: 200, y: 55 },
            other: { x: 300, y: 10 },
        }),
        new Map([
            finger('c', 60, 'right', '1'),
            finger('e', 64, 'right', '3'),
            finger('g', 67, 'right', '5'),
            finger('low', 48, 'left', '1'),
            finger('lower', 43, 'left', '4'),
            finger('alone', 62, 'right'),
        ]),
    );
    const y = Object.fromEntries(digits.map((digit) => [digit.finger.note, digit.y]));
    expect(digits).toHaveLength(6);
    expect(y['g']!).toBeLessThan(y['e']!);
    expect(y['e']!).toBeLessThan(y['c']!);
    expect(y['c']!).toBeLessThan(40);
    expect(y['low']!).toBeGreaterThan(135);
    expect(y['lower']!).toBeGreaterThan(y['low']!);
    expect(y['alone']!).toBeLessThan(55);
});

test('the keyboard shows whole octaves around the notes, black keys between white ones', () => {
    const keys = keysAround([62, 66]);
    expect(keys[0]?.midi).toBe(60);
    expect(keys.at(-1)?.midi).toBe(83);
    expect(keys.filter(({ black }) => black)).toHaveLength(10);
    const white = keys.filter(({ black }) => !black).map(({ x }) => x);
    expect(white).toEqual([...white.keys()]);
    for (const key of keys.filter(({ black }) => black)) {
        const below = keys.find(({ midi }) => midi === key.midi - 1)!;
        expect(key.x).toBeGreaterThan(below.x);
        expect(key.x).toBeLessThan(below.x + 1);
    }
    expect(keysAround([30, 90])[0]?.midi).toBe(24);
    expect(keysAround([30, 90]).at(-1)?.midi).toBe(95);
});

test('the form strip shows how much fingers alone cannot do, and the gravest of it', () => {
    const finding = (measure: number, severity: 'hint' | 'warning' | 'serious') => ({ measure, severity });
    const findings = [finding(1, 'hint'), finding(2, 'warning'), finding(2, 'hint'), finding(2, 'hint'), finding(3, 'serious'), finding(3, 'warning')];
    const strip = findingsStrip(4, findings);
    expect(strip.map(({ sign }) => sign)).toEqual([null, null, 'warning', 'serious']);
    expect(strip.map(({ look }) => look)).toEqual(['clear', 'veiled', 'cloudy', 'veiled']);
    expect(strip.map(({ height }) => height)).toEqual([0, 0.2, 0.6, 0.4]);
});

test('spans have names where white keys have them', () => {
    expect([12, 14, 16, 13].map(spanName)).toEqual(['an octave', 'a ninth', 'a tenth', '13 semitones']);
});

test('notes move by octaves, one mark at a time, and back to where they are written', () => {
    const marks = moveOctaves([], ['a', 'b'], 1);
    expect(marks).toMatchObject([{ kind: 'octave', notes: ['a', 'b'], octaves: 1 }]);
    const split = moveOctaves(marks, ['b'], -1);
    expect(split.map(({ notes, octaves }) => `${notes.join('')} ${octaves}`)).toEqual(['a 1', 'b -1']);
    expect(moveOctaves(split, ['a', 'b'], 0)).toEqual([]);
});

test('keys are called by their names', () => {
    expect([21, 60, 61, 70, 108].map(keyName)).toEqual(['A0', 'C4', 'C♯4', 'B♭4', 'C8']);
    expect(LOWEST[0]).toEqual({ value: 21, label: 'A0' });
    expect(HIGHEST.every(({ value }) => value >= 72 && value <= 108)).toBe(true);
});

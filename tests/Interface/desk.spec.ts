import { expect, test } from '@playwright/test';
import { countStrip } from '../../resources/js/crafts/count/strip';
import { pedalStrip } from '../../resources/js/crafts/pedal/strip';
import { blurHeight, blurName } from '../../resources/js/crafts/pedal/blur';
import { beatName } from '../../resources/js/desk/beats';
import { begin, record, redo, undo } from '../../resources/js/desk/history';
import { lengthInWords } from '../../resources/js/studio/words';
import { fractionValue } from '../../resources/js/support/fraction';

test('history goes back and forth and forgets what was undone by a new state', () => {
    let history = record(record(begin('a'), 'b'), 'c');
    history = undo(history);
    expect(history.present).toBe('b');
    expect(redo(history).present).toBe('c');
    history = record(history, 'd');
    expect(redo(history).present).toBe('d');
    expect(undo(undo(undo(undo(history)))).present).toBe('a');
});

test('history stays within bounds', () => {
    let history = begin(0);
    for (let step = 1; step <= 2000; step++) history = record(history, step);
    expect(history.past.length).toBeLessThan(600);
    expect(undo(history).present).toBe(1999);
});

test('blur has its words at the limits and never shrinks in height', () => {
    expect([0, 0.149, 0.15, 0.499, 0.5, 1.199, 1.2, 9].map(blurName)).toEqual(['clear', 'clear', 'veiled', 'veiled', 'cloudy', 'cloudy', 'muddy', 'muddy']);
    for (let value = 0; value < 6; value += 0.1) expect(blurHeight(value + 0.1)).toBeGreaterThanOrEqual(blurHeight(value));
    expect(blurHeight(50)).toBe(1);
});

test('places in a bar are named as a musician says them', () => {
    const common = { beat: '1', origin: '0' };
    const compound = { beat: '3/2', origin: '0' };
    expect(beatName(common, 0)).toBe('beat 1');
    expect(beatName(common, 2.5)).toBe('beat 3½');
    expect(beatName(common, 1 / 3)).toBe('beat 1⅓');
    expect(beatName(compound, 1.5)).toBe('beat 2');
    expect(beatName(compound, 2)).toBe('beat 2⅓');
    expect(beatName({ beat: '1', origin: '3' }, 0)).toBe('beat 4');
    expect(beatName(common, 0.2)).toBe('beat 1⅕');
    expect(beatName(common, 3.71)).toBe('about beat 4¾');
    expect(beatName(common, 0.95)).toBe('about beat 2');
});

test('small words and numbers', () => {
    expect(fractionValue('7/2')).toBe(3.5);
    expect(fractionValue('12')).toBe(12);
    expect(lengthInWords(38)).toBe('38 s');
    expect(lengthInWords(77)).toBe('1 min 17 s');
});

test('the form strip shows the worst blur of each bar and the gravest finding', () => {
    const finding = (measure: number, severity: 'hint' | 'warning' | 'serious') => ({
        kind: 'muddy-span' as const,
        severity,
        at: '0',
        measure,
        notes: [],
        value: 2,
        limit: 1.2,
        unit: 'blur' as const,
        reason: '',
        remedy: null,
    });
    const blur = [
        { onset: '0', value: 0.1 },
        { onset: '3', value: 0.7 },
        { onset: '4', value: 0 },
        { onset: '19/2', value: 2 },
    ];
    const strip = pedalStrip([0, 4, 8], { from: '0', to: '12', spans: [], blur, findings: [finding(0, 'hint'), finding(2, 'serious'), finding(2, 'warning')] });
    expect(strip.map(({ look }) => look)).toEqual(['cloudy', 'clear', 'muddy']);
    expect(strip.map(({ sign }) => sign)).toEqual([null, null, 'serious']);
    expect(strip[2]?.says).toBe('blur 2.00, muddy, with findings');
});

test('the form strip of the count shows how much there is to take care of', () => {
    const hazard = (measure: number) => ({ kind: 'accidental' as const, at: '0', measure, notes: [], value: null, reason: '' });
    const cross = { from: '4', to: '5', measure: 1, upper: 3, lower: 2, hand: null, words: '3 against 2', grid: [], spoken: '' };
    const strip = countStrip(3, {
        bars: [],
        cross_rhythms: [cross],
        hazards: [hazard(1), hazard(1), hazard(1), hazard(2)],
        limits: [],
        limit: null,
        swung: [],
        tempos: [],
    });
    expect(strip.map(({ look }) => look)).toEqual(['clear', 'cloudy', 'veiled']);
    expect(strip.map(({ sign }) => sign)).toEqual([null, 'warning', null]);
    expect(strip[0]?.height).toBe(0);
    expect(strip[1]!.height).toBeGreaterThan(strip[2]!.height);
});

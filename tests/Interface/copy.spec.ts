import { expect, test } from '@playwright/test';
import { layLine } from '../../resources/js/copy/lines';
import { legendOf } from '../../resources/js/copy/legend';
import { pageRules, scaleOf, USUAL, widthOf } from '../../resources/js/copy/paper';
import { pedalLine } from '../../resources/js/copy/pedalLine';
import { phraseArches } from '../../resources/js/copy/phraseArches';
import { counted, timing } from '../../resources/js/copy/rows';
import type { Shape } from '../../resources/js/copy/shapes';
import { tune } from '../../resources/js/copy/tune';
import type { Laid } from '../../resources/js/engraving/layout';
import type { CopySpan, PedalLayer } from '@generated/copy';

/** A line of two bars of four quarters, a quarter every 40 px from 20 on. */
const laid: Laid = {
    system: { svg: '', width: 400, height: 100, notes: { a: { x: 20, y: 30 }, b: { x: 100, y: 40 } }, measures: [] },
    spots: Array.from({ length: 8 }, (_, moment) => ({ moment, time: 8 + moment, x: 20 + 40 * moment })),
    left: 10,
    right: 340,
    from: 8,
    to: 16,
};

const span = (from: number, to: number, more: Partial<CopySpan> = {}): CopySpan => ({
    from,
    to,
    depth: 1,
    flutter: false,
    manner: 'after',
    lowered: null,
    lifting: null,
    words: '',
    ...more,
});
const pedal = (spans: CopySpan[], more: Partial<PedalLayer> = {}): PedalLayer => ({
    signs: false,
    spans,
    soft: [],
    sostenuto: [],
    washes: [],
    dry: [],
    ...more,
});
const paths = (shapes: readonly Shape[]): string[] => shapes.flatMap((shape) => ('path' in shape ? [shape.path] : []));
const texts = (shapes: readonly Shape[]): string[] => shapes.flatMap((shape) => ('text' in shape ? [shape.text] : []));

test('a pedal is a line with hooks, a change one notch at the beat and no gap', () => {
    const { shapes, signs } = pedalLine(laid, pedal([span(8, 12), span(12, 14)]));
    const [first, second] = paths(shapes);
    // Down at the first note, along, and up to the very place where the next goes down from.
    expect(first).toMatch(/^M20 2 V13 /);
    expect(first).toMatch(/ L180 2$/);
    expect(second).toMatch(/^M180 2 L184\.5 13 /);
    expect(second).toMatch(/ V2$/);
    expect(signs).toEqual(['pedal', 'change']);
});

test('a pedal that goes on over the end of a line has no hook there, on neither line', () => {
    const [over] = paths(pedalLine(laid, pedal([span(4, 20)])).shapes);
    expect(over).toBe('M6 13 H340');
    const [end] = paths(pedalLine(laid, pedal([span(4, 10)])).shapes);
    expect(end).toMatch(/^M6 13 H100 V2$/);
    // One that is changed as the next line begins.
    const [last] = paths(pedalLine(laid, pedal([span(10, 16), span(16, 18)])).shapes);
    expect(last).toMatch(/H340$/);
    expect(pedalLine(laid, pedal([span(0, 8), span(16, 20)])).height).toBe(0);
    const [next] = paths(pedalLine(laid, pedal([span(4, 8), span(8, 10)])).shapes);
    expect(next).toBe('M6 13 H15.5 L20 2 L24.5 13 H100 V2');
});

test('depth, flutter, gradual ends and words are told, and explained in the key', () => {
    const half = pedalLine(laid, pedal([span(8, 12, { depth: 0.5, words: 'catch the bass' }), span(13, 15, { flutter: true, lifting: 14 })]));
    expect(texts(half.shapes)).toEqual(['½, catch the bass', 'flutter, gradually up']);
    expect(paths(half.shapes)[0]).toContain('V7.5');
    expect(half.signs).toEqual(expect.arrayContaining(['depth', 'flutter', 'gradual']));
    expect(legendOf(new Set(half.signs)).map(({ sign }) => sign)).toEqual(['pedal', 'depth', 'gradual', 'flutter']);
});

test('the left and the middle pedal, a wash and a dry place have rows of their own; signs take the place of a line', () => {
    const all = pedalLine(
        laid,
        pedal([span(8, 10)], { soft: [{ from: 8, to: 20 }], sostenuto: [{ from: 9, to: 12 }], washes: [{ from: 4, to: 10 }], dry: [{ from: 12, to: 14 }] }),
    );
    expect(texts(all.shapes)).toEqual(['no pedal', '(let it run together)', 'una corda', 'middle pedal']);
    const rows = new Set(all.shapes.flatMap((shape) => ('text' in shape ? [shape.y] : [])));
    expect(rows.size).toBe(4);
    expect(texts(pedalLine(laid, pedal([span(8, 10), span(10, 12)], { signs: true })).shapes)).toEqual(['Ped.', '✻', 'Ped.', '✻']);
});

test('a phrase is an arch with its goal, over line ends too, and one climax is told apart', () => {
    const { shapes, signs } = phraseArches(laid, {
        phrases: [
            { from: 8, to: 12, goal: 10, climax: true },
            { from: 12, to: 20, goal: 18, climax: false },
        ],
    });
    expect(paths(shapes)).toHaveLength(3);
    expect(shapes.filter((shape) => 'look' in shape && shape.look === 'filled')).toHaveLength(1);
    expect(signs).toEqual(['phrase', 'climax']);
});

test('words of a row keep off each other, and time is told by its way', () => {
    const near = counted(laid, {
        syllables: [
            { at: 8, text: '1' },
            { at: 8.05, text: '&' },
            { at: 9, text: '2' },
            { at: 20, text: '3' },
        ],
    });
    expect(texts(near.shapes)).toEqual(['1', '2']);
    const { signs, shapes } = timing(laid, {
        stretches: [
            { from: 9, to: 11, way: 'takes' },
            { from: 12, to: 13, way: 'gives' },
        ],
    });
    expect(signs).toEqual(['takes', 'gives']);
    expect(paths(shapes)[0]).toMatch(/^M60 6 H137 M64 3 L60 6/);
});

test('the tune has rings and lines inside have brackets; nothing is drawn of what is not shown', () => {
    const drawn = tune(laid, { tune: ['a', 'gone'], inner: [['a', 'b']] });
    expect(drawn.shapes).toHaveLength(3);
    expect(drawn.signs).toEqual(['tune', 'inner']);
    const line = layLine(laid, { layers: { pedal: pedal([span(8, 10)]), phrases: { phrases: [{ from: 8, to: 12, goal: 10, climax: false }] } } });
    expect(line.signs).toEqual(['phrase', 'pedal']);
    expect(line.above).toHaveLength(1);
    expect(line.below).toHaveLength(1);
    expect(line.over.shapes).toEqual([]);
    expect(layLine(laid, { layers: {} }).signs).toEqual([]);
});

test('sheets have their size, number and name, whatever the title holds', () => {
    expect(widthOf(USUAL)).toBe(703);
    expect(widthOf({ ...USUAL, landscape: true })).toBeGreaterThan(1000);
    expect(widthOf({ ...USUAL, paper: 'letter' })).toBe(725);
    expect(scaleOf({ ...USUAL, size: 'very-large' })).toBeGreaterThan(1.5 * scaleOf(USUAL));
    const rules = pageRules({ ...USUAL, paper: 'letter', landscape: true }, 'A "quoted" \\ </style> title');
    expect(rules).toContain('size: letter landscape');
    expect(rules).toContain('"A \\"quoted\\" \\\\  /style> title"');
});

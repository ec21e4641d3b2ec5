import { expect, test } from '@playwright/test';
import { articulate, clear, drawSlur, gesture, hold, moveSlur, removeSlur } from '../../resources/js/crafts/touch/edits';
import { layLengths } from '../../resources/js/crafts/touch/lengths';
import { layArcs } from '../../resources/js/crafts/touch/slurs';
import type { Laid } from '../../resources/js/engraving/layout';
import type { KeyLength } from '@generated/touch';

test('notes are left in one way at a time; the same way again takes it back', () => {
    let marks = articulate([], ['a', 'b'], 'staccato');
    marks = articulate(marks, ['b', 'c'], 'tenuto');
    expect(marks.map(({ notes, articulation }) => `${notes.join('')} ${articulation}`)).toEqual(['a staccato', 'bc tenuto']);
    expect(new Set(marks.map(({ id }) => id)).size).toBe(2);
    expect(articulate(marks, ['a'], 'staccato').map(({ notes }) => notes.join(''))).toEqual(['bc']);
    expect(clear(marks, ['a', 'b', 'c'])).toEqual([]);
    expect(articulate(marks, [], 'staccato')).toEqual(marks);
});

const laid: Laid = {
    system: { svg: '', width: 500, height: 100, notes: {}, measures: [] },
    spots: [
        { moment: 0, time: 4, x: 100 },
        { moment: 1, time: 6, x: 200 },
    ],
    left: 50,
    right: 400,
    from: 4,
    to: 8,
};
const key = (note: string, midi: number, at: number, left: number, heard: number, hand: 'left' | 'right' = 'right'): KeyLength => ({
    note,
    name: note,
    midi,
    hand,
    at,
    left,
    heard,
    ms: 0,
    end: '0',
    articulation: null,
    own: false,
    reason: '',
});

test('keys are drawn from where they are struck to where they are left, and the pedal behind them', () => {
    const drawn = layLengths(
        laid,
        [
            key('first', 60, 4, 5, 6),
            key('high', 72, 6, 6.1, 6.1),
            key('before', 64, 2, 4, 6),
            key('over', 62, 7, 9, 9),
            key('gone', 60, 0, 2, 3),
            key('later', 60, 8, 9, 9),
            key('other', 40, 4, 5, 5, 'left'),
        ],
        'right',
        50,
    );
    const by = Object.fromEntries(drawn.map((one) => [one.length.note, one]));
    expect(Object.keys(by).sort()).toEqual(['before', 'first', 'high', 'over']);
    expect(by['first']!.x).toBe(96);
    expect(by['first']!.left).toBe(145);
    expect(by['first']!.heard).toBe(195);
    // A dot stays visible, a higher key stands higher.
    expect(by['high']!.left - by['high']!.x).toBeGreaterThanOrEqual(2);
    expect(by['high']!.y).toBeLessThan(by['first']!.y);
    // What was left before this line has only its tail here; what goes on is drawn to the edge.
    expect(by['before']!.left).toBe(by['before']!.x);
    expect(by['before']!.heard).toBe(195);
    expect(by['over']!.left).toBe(400);
});

const printed = { from: 'a', to: 'c', printed: true };
const drawn = { from: 'b', to: 'd', printed: false };

test('slurs are drawn, taken away and moved; a printed one leaves a trace, a drawn one does not', () => {
    let marks = drawSlur([], 'b', 'd');
    expect(marks).toMatchObject([{ kind: 'slur', from: 'b', to: 'd', drawn: true }]);
    expect(removeSlur(marks, drawn)).toEqual([]);
    marks = removeSlur(marks, printed);
    expect(marks.map(({ from, to, drawn: on }) => `${from}${to} ${on}`)).toEqual(['bd true', 'ac false']);
    expect(new Set(marks.map(({ id }) => id)).size).toBe(2);

    // A printed slur drawn again is as printed.
    expect(drawSlur(marks, 'a', 'c', true)).toMatchObject([{ from: 'b', to: 'd' }]);
    const moved = moveSlur([], printed, 'to', 'd');
    expect(moved.map(({ from, to, drawn: on }) => `${from}${to} ${on}`)).toEqual(['ac false', 'ad true']);
    expect(moveSlur([], printed, 'to', 'c')).toEqual([]);
    expect(moveSlur([], printed, 'to', 'a')).toEqual([]);
    expect(moveSlur(drawSlur([], 'b', 'd'), drawn, 'from', 'c').map(({ from, to }) => from + to)).toEqual(['cd']);
});

test('a key has one hold, a gesture stands once at a place', () => {
    const until = { measure: 'm2', offset: '1' };
    const marks = hold(hold([], 'a', until), 'a', { measure: 'm2', offset: '2' });
    expect(marks).toMatchObject([{ note: 'a', until: { offset: '2' } }]);
    expect(hold(marks, 'a', null)).toEqual([]);

    const at = { measure: 'm1', offset: '0' };
    const two = gesture(gesture([], at, 'sink'), at, 'breathe');
    expect(two.map(({ text }) => text)).toEqual(['sink', 'breathe']);
    expect(gesture(two, { ...at }, 'sink').map(({ text }) => text)).toEqual(['breathe']);
    expect(gesture(two, until, 'sink')).toHaveLength(3);
});

test('slurs stand over the right hand and under the left, and run to the edge of a line they go over', () => {
    const heads = {
        a: { x: 100, y: 40 },
        b: { x: 200, y: 20 },
        c: { x: 300, y: 50 },
        alto: { x: 100, y: 80 },
        tenor: { x: 300, y: 90 },
        low: { x: 100, y: 150 },
        deep: { x: 300, y: 160 },
    };
    const line: Laid = { ...laid, system: { ...laid.system, notes: heads } };
    const keys = [
        key('a', 70, 4, 5, 5),
        key('b', 74, 5, 6, 6),
        key('c', 68, 6, 7, 7),
        key('low', 50, 4, 5, 5, 'left'),
        key('deep', 48, 6, 7, 7, 'left'),
        key('next', 71, 9, 10, 10),
    ];
    const lengths = new Map(keys.map((one) => [one.note, one]));
    const [over] = layArcs(line, [{ from: 'a', to: 'c', printed: true }], lengths);
    const control = (path: string): number => Number(/C\S+ (\S+)/.exec(path)![1]);
    expect(over!.from!.y).toBeLessThan(40);
    // Above the highest note on its way.
    expect(control(over!.path)).toBeLessThan(20 - 6);
    const [under] = layArcs(line, [{ from: 'low', to: 'deep', printed: true }], lengths);
    expect(control(under!.path)).toBeGreaterThan(160);
    // Two voices in one hand: the lower one's slur goes below.
    const two = layArcs(
        line,
        [
            { from: 'a', to: 'c', printed: true },
            { from: 'alto', to: 'tenor', printed: true },
        ],
        new Map([...lengths, ...[key('alto', 60, 4, 5, 5), key('tenor', 58, 6, 7, 7)].map((one): [string, KeyLength] => [one.note, one])]),
    );
    expect(two).toHaveLength(2);
    expect(control(two[0]!.path)).toBeLessThan(20);
    expect(control(two[1]!.path)).toBeGreaterThan(90);
    const [beyond] = layArcs(line, [{ from: 'c', to: 'next', printed: false }], lengths);
    expect(beyond!.to).toBeNull();
    expect(beyond!.path).toContain(` ${line.right} `);
    expect(layArcs(line, [{ from: 'next', to: 'next', printed: true }], lengths)).toEqual([]);
    expect(layArcs(line, [{ from: 'gone', to: 'c', printed: true }], lengths)).toEqual([]);
    // A grace note has a head and no length: its slur is drawn, and stays where it is.
    const [grace] = layArcs(
        { ...line, system: { ...line.system, notes: { ...heads, grace: { x: 80, y: 45 } } } },
        [{ from: 'grace', to: 'a', printed: true }],
        lengths,
    );
    expect(grace).toMatchObject({ from: null, to: null });
});

import { expect, test } from '@playwright/test';
import { articulate, clear } from '../../resources/js/crafts/touch/edits';
import { layLengths } from '../../resources/js/crafts/touch/lengths';
import type { Laid } from '../../resources/js/engraving/layout';
import type { KeyLength } from '../../resources/js/types/generated/touch';

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

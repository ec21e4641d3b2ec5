import { expect, test } from '@playwright/test';
import * as edits from '../../resources/js/crafts/pedal/edits';
import { fractionValue } from '../../resources/js/support/fraction';
import type { PedalMark } from '../../resources/js/crafts/pedal/edits';
import type { Moment, Timeline } from '../../resources/js/desk/timeline';

// Two bars of four quarters, a moment on every quarter, the end being the ninth.
const moments: Moment[] = Array.from({ length: 9 }, (_, index) => ({
    at: String(index),
    place: index === 8 ? { measure: 'b', offset: '4' } : { measure: index < 4 ? 'a' : 'b', offset: String(index % 4) },
    measure: index < 4 ? 0 : 1,
    notes: [],
}));
const line: Timeline = {
    moments,
    times: moments.map(({ at }) => fractionValue(at)),
    quarters: ({ measure, offset }) => (measure === 'a' ? fractionValue(offset) : measure === 'b' ? 4 + fractionValue(offset) : null),
};

function mark(from: number, to: number, more: Partial<PedalMark> = {}): PedalMark {
    return {
        id: `${from}-${to}`,
        craft: 'pedal',
        kind: 'span',
        from: moments[from]!.place,
        to: moments[to]!.place,
        depth: 'full',
        origin: 'suggested',
        words: '',
        ...more,
    };
}

/** "0-4 5-8d": where marks stand; d for dry, h for half, t for the teacher's own. */
function shape(marks: PedalMark[]): string {
    return edits
        .placed(marks, line)
        .map(({ mark, from, to }) => `${from}-${to}${mark.kind === 'dry' ? 'd' : ''}${mark.depth === 'half' ? 'h' : ''}${mark.origin === 'teacher' ? 't' : ''}`)
        .join(' ');
}

test.describe('marks', () => {
    test('are put in order, without those the score has no place for', () => {
        const lost = mark(0, 1, { from: { measure: 'gone', offset: '0' } });
        expect(shape([mark(4, 8), lost, mark(0, 4)])).toBe('0-4 4-8');
        expect(shape([mark(3, 3)])).toBe('');
    });

    test('hold from their beginning to just before their end', () => {
        const marks = [mark(0, 4), mark(4, 8)];
        expect(edits.markAt(marks, line, 3)?.mark).toBe(marks[0]);
        expect(edits.markAt(marks, line, 4)?.mark).toBe(marks[1]);
        expect(edits.markAt(marks, line, 8)).toBeNull();
    });
});

test.describe('a change', () => {
    test('splits the span it stands in', () => {
        expect(shape(edits.change([mark(0, 8, { depth: 'half' })], line, 3, 8))).toBe('0-3ht 3-8ht');
    });

    test('does nothing where the pedal changes already', () => {
        const marks = [mark(0, 4), mark(4, 8)];
        expect(edits.change(marks, line, 4, 8)).toEqual(marks);
    });

    test('begins a span that lasts to its natural end or the next mark', () => {
        expect(shape(edits.change([], line, 2, 6))).toBe('2-6t');
        expect(shape(edits.change([mark(4, 8)], line, 2, 6))).toBe('2-4t 4-8');
    });

    test('takes the place of a dry mark', () => {
        expect(shape(edits.change([mark(0, 4, { kind: 'dry' })], line, 1, 4))).toBe('1-4t');
    });

    test('leaves what it was given as it was', () => {
        const marks = Object.freeze([Object.freeze(mark(0, 8))]);
        edits.change(marks, line, 3, 8);
        edits.lift(marks, line, 3);
        edits.moveEndBy(marks, line, 3, -1);
        edits.toggleDry(marks, line, 3, 8);
        expect(shape([...marks])).toBe('0-8');
    });

    test('gives every new mark an id of its own', () => {
        const marks = edits.change(edits.change([mark(0, 8)], line, 3, 8), line, 5, 8);
        expect(new Set(marks.map(({ id }) => id)).size).toBe(3);
    });
});

test.describe('a lift', () => {
    test('ends the span that holds', () => {
        expect(shape(edits.lift([mark(0, 4), mark(4, 8)], line, 2))).toBe('0-2t 4-8');
    });

    test('at its beginning takes the span out', () => {
        expect(shape(edits.lift([mark(0, 4), mark(4, 8)], line, 4))).toBe('0-4');
    });

    test('without pedal does nothing', () => {
        expect(shape(edits.lift([mark(0, 2)], line, 5))).toBe('0-2');
    });
});

test.describe('moving an end', () => {
    test('takes along the neighbour that touched it', () => {
        const marks = [mark(0, 4), mark(4, 8)];
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'to', 6))).toBe('0-6t 6-8t');
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'to', 2))).toBe('0-2t 2-8t');
        expect(shape(edits.moveEnd(marks, line, marks[1]!, 'from', 3))).toBe('0-3t 3-8t');
    });

    test('swallows neighbours whole and cuts into those further on', () => {
        const marks = [mark(0, 2), mark(2, 4), mark(5, 8)];
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'to', 6))).toBe('0-6t 6-8');
    });

    test('refuses to turn a mark inside out or begin at the end', () => {
        const marks = [mark(2, 4)];
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'to', 2))).toBe('2-4');
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'from', 5))).toBe('2-4');
        expect(shape(edits.moveEnd(marks, line, marks[0]!, 'from', 8))).toBe('2-4');
    });

    test('goes a moment at a time by key, up to the end', () => {
        expect(shape(edits.moveEndBy([mark(0, 4)], line, 2, 1))).toBe('0-5t');
        expect(shape(edits.moveEndBy([mark(0, 4)], line, 6, -1))).toBe('0-3t');
        expect(shape(edits.moveEndBy([mark(4, 8)], line, 6, 1))).toBe('4-8');
        expect(shape(edits.moveEndBy([], line, 6, 1))).toBe('');
    });
});

test.describe('depth, dryness, taking out', () => {
    test('half pedal goes on and off', () => {
        const half = edits.toggleHalf([mark(0, 4)], line, 1);
        expect(shape(half)).toBe('0-4ht');
        expect(shape(edits.toggleHalf(half, line, 1))).toBe('0-4t');
        expect(shape(edits.toggleHalf([mark(0, 4, { kind: 'dry' })], line, 1))).toBe('0-4d');
    });

    test('no pedal here turns a span dry, marks an empty stretch, and goes again', () => {
        const dry = edits.toggleDry([mark(0, 4)], line, 1, 8);
        expect(shape(dry)).toBe('0-4dt');
        expect(shape(edits.toggleDry(dry, line, 2, 8))).toBe('');
        expect(shape(edits.toggleDry([mark(6, 8)], line, 4, 8))).toBe('4-6dt 6-8');
    });

    test('taking a change out lets the pedal before it go on', () => {
        expect(shape(edits.remove([mark(0, 4), mark(4, 8)], line, 5))).toBe('0-8t');
        expect(shape(edits.remove([mark(0, 3), mark(4, 8)], line, 5))).toBe('0-3');
        expect(shape(edits.remove([mark(0, 4), mark(4, 8, { kind: 'dry' })], line, 5))).toBe('0-4');
    });

    test('erasing leaves the stretch without pedal', () => {
        expect(shape(edits.erase([mark(0, 4), mark(4, 8)], line, 5))).toBe('0-4');
        expect(shape(edits.erase([mark(0, 4)], line, 5))).toBe('0-4');
    });
});

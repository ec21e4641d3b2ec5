import { expect, test } from '@playwright/test';
import { cut, release, setStep, stepMark } from '../../resources/js/crafts/practice/edits';
import { practiceStrip } from '../../resources/js/crafts/practice/strip';
import type { ChunkMark, StepMark } from '@generated/plan';
import type { Chunk } from '@generated/practice';

const place = (id: string): number => Number(id.slice(1));
const chunk = (id: string, first: string, last: string): ChunkMark => ({ id, craft: 'practice', kind: 'chunk', first, last });
const ends = { first: 'm3', last: 'm5' };

test('a chunk of the teacher takes the place of those it meets', () => {
    const marks = cut([chunk('a', 'm1', 'm2'), chunk('b', 'm5', 'm7'), chunk('c', 'm6', 'm9')], { first: 'm2', last: 'm5' }, place);
    expect(marks.map(({ id, first, last }) => [id, first, last])).toEqual([
        ['c', 'm6', 'm9'],
        ['chunk-2', 'm2', 'm5'],
    ]);
    expect(release(marks, { first: 'm2', last: 'm5' }).map(({ id }) => id)).toEqual(['c']);
    expect(release(marks, { first: 'm2', last: 'm4' })).toHaveLength(2);
});

test('a step is left out, put back, and has minutes and words of its own', () => {
    const out = setStep([], ends, 'link', { wanted: false }, true);
    expect(out.map(({ step, wanted }) => [step, wanted])).toEqual([['link', false]]);
    // Back in, a usual step needs no mark; one that is added does.
    expect(setStep(out, ends, 'link', { wanted: true }, true)).toEqual([]);
    const added = setStep([], ends, 'tapped', { wanted: true }, false);
    const longer = setStep(added, ends, 'tapped', { minutes: 6 }, false);
    const worded = setStep(longer, ends, 'tapped', { text: 'On the lid.' }, false);
    expect(stepMark(worded, ends, 'tapped')).toMatchObject({ id: added[0]?.id, wanted: true, minutes: 6, text: 'On the lid.' });
    expect(stepMark(worded, { first: 'm3', last: 'm4' }, 'tapped')).toBeNull();
    const shorter: StepMark[] = setStep(worded, ends, 'tapped', { text: '' }, false);
    expect(shorter[0]).not.toHaveProperty('text');
});

test('the strip is as high as a chunk is hard beside the hardest', () => {
    const one = (first: number, last: number, hardness: number): Chunk => ({
        bars: { first, last },
        first: `m${first}`,
        last: `m${last}`,
        line: 0,
        from: '0',
        to: '4',
        hardness,
        reasons: [],
        goal: '',
        ceiling: null,
        twin: null,
        own: false,
    });
    const columns = practiceStrip({ chunks: [one(0, 1, 2), one(2, 2, 1.2)] }, 3, new Map([['m0', 1]]));
    expect(columns.map(({ height }) => Math.round(height * 100))).toEqual([100, 100, 66]);
    expect(columns.map(({ says }) => says)).toEqual(['number 1 in the order of work', 'number 1 in the order of work', 'known from other bars']);
});

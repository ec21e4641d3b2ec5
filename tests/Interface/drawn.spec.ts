import { expect, test } from '@playwright/test';
import { CANNOT_BE_DRAWN, idsIn, undrawnInWords, type ReadBar } from '../../resources/js/engraving/drawn';

const bars: ReadBar[] = [
    { id: 'm1', number: '1', notes: ['a', 'b'] },
    { id: 'm2', number: '2', notes: [] },
    { id: 'm3', number: '2a', notes: ['c'] },
];

test('bars and notes are found in the document of the engraver', () => {
    const mei = '<measure xml:id="m1" n="1"><layer n="1"><note dur="4" xml:id="a" oct="4"/><rest xml:id="r"/></layer></measure>';
    expect([...idsIn(mei)]).toEqual(['m1', 'a']);
});

test('what is read and not drawn is said in words', () => {
    const words = (...missing: string[]): string => undrawnInWords(bars, new Set(['m1', 'm2', 'm3', 'a', 'b', 'c'].filter((id) => !missing.includes(id))));
    expect(words()).toBe('');
    expect(words('c')).toBe('1 note was read, but cannot be drawn: bar 2a. Plans and playing know of it; the page does not show it.');
    expect(words('a', 'c')).toContain('2 notes were read, but cannot be drawn: bars 1, 2a.');
    expect(words('m2')).toContain('Read, but not drawn: bar 2.');
    expect(words('m1', 'm2', 'm3')).toBe(CANNOT_BE_DRAWN);
});

import { expect, test } from '@playwright/test';
import { inSentences, inWords, isSame, settingInWords, type Comparison } from '../../resources/js/desk/versions';
import { howFar, inShort } from '../../resources/js/studio/progress';

const same: Comparison = { settings: [], seconds: [80, 80.2], pedals: [4, 4], louder: 0, softer: 0, longer: 0, shorter: 0, bars: [] };

test('what is heard otherwise is said in sentences, and nothing where nothing is', () => {
    expect([inSentences(same), isSame(same)]).toEqual([[], true]);
    expect(inSentences({ ...same, seconds: [80, 92], pedals: [4, 1], louder: 1, softer: 2, shorter: 3 })).toEqual([
        'It takes 1:32; it took 1:20.',
        'The foot goes down once; before, 4.',
        '1 note is louder, 2 softer.',
        '3 notes are shorter.',
    ]);
});

test('a bar says what is marked and what is heard otherwise', () => {
    const bar = {
        measure: 3,
        gone: [{ what: 'a pedal mark', times: 2 }],
        new: [],
        changed: [{ what: 'a finger', times: 1 }],
        loudness: 'half a grade softer',
        held: 0.124,
        pedal: true,
    };
    expect(inWords(bar)).toEqual([
        'gone: a pedal mark (2 times)',
        'changed: a finger',
        'up to half a grade softer',
        'keys held up to 0.12 s longer',
        'the foot moves otherwise',
    ]);
});

test('settings are told by what they were and are', () => {
    const title = (): string => 'Pedal';
    expect(settingInWords({ craft: '', name: 'tempo', before: null, after: 66 }, title)).toBe('Tempo, quarters a minute: as printed → 66');
    expect(settingInWords({ craft: 'pedal', name: 'school', before: 'as-printed', after: null }, title)).toBe('Pedal, school: as printed → as usual');
    expect(settingInWords({ craft: 'pedal', name: 'own', before: { a: 1 }, after: { a: 2 } }, title)).toBe('Pedal, own: changed');
});

test('a goal says how far it is, by days and then by weeks, whatever the hour', () => {
    const evening = new Date(2026, 10, 27, 23, 50);
    expect(['2026-11-27', '2026-11-28', '2026-12-09', '2026-12-11', '2027-01-01', '2026-11-20'].map((day) => howFar(day, evening))).toEqual([
        'today',
        'tomorrow',
        'in 12 days',
        'in 2 weeks',
        'in 5 weeks',
        '7 days ago',
    ]);
    expect(inShort({ status: 'polishing', goal: 'Lake evening', goal_on: '2027-01-01' }, evening)).toBe('polishing · Lake evening in 5 weeks');
    expect(inShort({ status: 'to-meet', goal: null, goal_on: null }, evening)).toBe('to meet');
});

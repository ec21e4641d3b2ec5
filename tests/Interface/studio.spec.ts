import { expect, test } from '@playwright/test';
import { stretch } from '../../resources/js/sound/passages';
import { endOf, opened, takesPlace, type ListedLesson } from '../../resources/js/studio/lessons';
import { startLogging, type Shelf } from '../../resources/js/studio/logging';
import { addDays, dayName, minutesByWeek, mondayOf, type Entry, type Told } from '../../resources/js/studio/practice';
import { ANYTHING, choices, found } from '../../resources/js/studio/repertoire';
import type { PieceItem } from '../../resources/js/studio/types';
import { HttpError } from '../../resources/js/support/http';
import { freshUuid } from '../../resources/js/support/uuid';

const told = (step: string): Told => ({ uuid: freshUuid(), step, day: '2027-03-02', minutes: 3, tempo: null, feel: null, passed: true, note: null });
const entry = ({ step, day, minutes, passed }: Told): Entry => ({ id: 1, step, day, minutes, tempo: null, feel: null, passed, by: 'student', note: null });

/** A shelf that outlives the page. */
function shelf(): Shelf & { kept: Told[] } {
    const kept: Told[] = [];
    return { kept, read: () => [...kept], write: (waiting) => void kept.splice(0, kept.length, ...waiting) };
}

test('what is told without a network waits, and arrives in order when it is back', async () => {
    const place = shelf();
    let online = false;
    const sent: string[] = [];
    const send = (one: Told): Promise<{ entry: Entry }> => {
        if (!online) return Promise.reject(new HttpError(0, 'The server cannot be reached.'));
        sent.push(one.step);
        return Promise.resolve({ entry: entry(one) });
    };
    const arrived: string[] = [];
    const first = startLogging(
        place,
        send,
        ({ step }) => arrived.push(step),
        () => undefined,
    );
    expect(await first.tell(told('a'))).toBe(false);
    expect(await first.tell(told('b'))).toBe(false);
    expect([first.waiting(), place.kept.map(({ step }) => step)]).toEqual([2, ['a', 'b']]);

    // Another visit finds what was left.
    online = true;
    const second = startLogging(
        place,
        send,
        ({ step }) => arrived.push(step),
        () => undefined,
    );
    expect(await second.flush()).toBe(true);
    expect([sent, arrived, place.kept]).toEqual([['a', 'b'], ['a', 'b'], []]);
});

test('what the server will never take is told, and holds nothing up', async () => {
    const refused: string[] = [];
    const send = (one: Told): Promise<{ entry: Entry }> =>
        one.step === 'gone' ? Promise.reject(new HttpError(422, 'This step is no longer planned.')) : Promise.resolve({ entry: entry(one) });
    const log = startLogging(
        shelf(),
        send,
        () => undefined,
        (_, why) => refused.push(why),
    );
    await log.tell(told('gone'));
    expect(await log.tell(told('b'))).toBe(true);
    expect([refused, log.waiting()]).toEqual([['This step is no longer planned.'], 0]);
    expect(freshUuid()).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});

test('days are named and counted over the ends of months and of summer time', () => {
    expect([dayName('2027-03-02', '2027-03-02'), dayName('2027-03-01', '2027-02-28'), dayName('2027-03-04', '2027-03-02')]).toEqual([
        'Today',
        'Tomorrow',
        'Thu 4 March',
    ]);
    expect([mondayOf('2027-03-07'), mondayOf('2027-03-01'), addDays('2027-03-27', 2), addDays('2027-02-28', 1)]).toEqual([
        '2027-03-01',
        '2027-03-01',
        '2027-03-29',
        '2027-03-01',
    ]);
    const minutes = minutesByWeek([
        { day: '2027-03-16', minutes: 5 },
        { day: '2027-03-01', minutes: 10 },
        { day: '2027-03-07', minutes: 4 },
    ]);
    expect(minutes).toEqual([
        { monday: '2027-03-01', minutes: 14 },
        { monday: '2027-03-08', minutes: 0 },
        { monday: '2027-03-15', minutes: 5 },
    ]);
});

test('a lesson ends when its minutes are over, and is opened as its weekly time has it', () => {
    const lesson: ListedLesson = {
        id: null,
        weekly: 3,
        slot: '2027-03-02',
        student: 7,
        name: 'Oona',
        day: '2027-03-02',
        at: '23:30',
        minutes: 45,
        status: 'planned',
        holiday: null,
        makes_up: null,
        hear: [],
    };
    expect(endOf(lesson)).toBe('00:15');
    expect(opened(lesson)).toEqual({ student_id: 7, weekly_time_id: 3, slot: '2027-03-02', day: '2027-03-02', at: '23:30', minutes: 45 });
    expect([takesPlace(lesson), takesPlace({ ...lesson, holiday: 'Thaw' }), takesPlace({ ...lesson, status: 'called-off' })]).toEqual([true, false, false]);
});

test('pieces are found by words, key, metre, difficulty, training and tags, whatever their accents', () => {
    const piece = (id: number, title: string, key: string, metre: string, difficulty: number | undefined, trains: string[], tags: string[]): PieceItem => ({
        id,
        title,
        tags,
        summary: {
            title,
            parts: [],
            part: 'P1',
            bars: 8,
            notes: 40,
            key,
            metres: [metre],
            tempo: 60,
            seconds: 30,
            warnings: [],
            ...(difficulty === undefined ? {} : { difficulty, trains }),
        },
    });
    const pieces = [
        piece(1, 'Évening Mist', 'D major', '4/4', 3, ['broken chords'], ['lake']),
        piece(2, 'Thaw', 'C minor', '3/4', 6, ['octaves'], []),
        piece(3, 'Old file', 'C minor', '3/4', undefined, [], []),
    ];
    const ids = (wanted: Partial<typeof ANYTHING>): number[] => found(pieces, { ...ANYTHING, ...wanted }).map(({ id }) => id);
    expect([ids({}), ids({ text: 'evening' }), ids({ text: 'broken lake' }), ids({ key: 'C minor' }), ids({ metre: '4/4' })]).toEqual([
        [1, 2, 3],
        [1],
        [1],
        [2, 3],
        [1],
    ]);
    expect([ids({ difficulty: [4, 9] }), ids({ difficulty: [1, 3] }), ids({ trains: 'octaves' }), ids({ tag: 'lake' }), ids({ text: 'nothing' })]).toEqual([
        [2],
        [1],
        [2],
        [1],
        [],
    ]);
    expect(choices(pieces)).toEqual({ keys: ['C minor', 'D major'], metres: ['3/4', '4/4'], trains: ['broken chords', 'octaves'], tags: ['lake'] });
});

test('a passage ends where other bars are played, the last one when its sound has gone', () => {
    const bars = [0, 1, 0, 1, 2].map((measure, index) => ({ measure, ms: 1000 * index, beats: [1000 * index] }));
    const rendition = { bars, events: [{ note: 'a', midi: 60, start_ms: 4000, end_ms: 5200, velocity: 60, hand: 'right' as const, layer: 'melody' as const }] };
    expect(stretch(rendition, { first: 1, last: 1 })).toEqual({ from: 1000, to: 2000 });
    expect(stretch(rendition, { first: 2, last: 2 })).toEqual({ from: 4000, to: 6700 });
});

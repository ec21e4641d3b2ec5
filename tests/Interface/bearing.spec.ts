import { expect, test } from '@playwright/test';
import { merge as mergeHands } from '../../resources/js/crafts/hand/merge';
import { merge as mergeTouch } from '../../resources/js/crafts/touch/merge';
import { changedBars as changed, near, relevant, type AnswerName } from '../../resources/js/desk/bearing';
import type { HandAnswer } from '@generated/hand';
import type { PlanDocument } from '@generated/plan';
import type { KeyLength, TouchAnswer } from '@generated/touch';

type Mark = PlanDocument['marks'][number];

// A hundred bars, m0 to m99, with two notes each: n0 and n1 in the first, n2 and n3 in the second.
const barOf = (id: string): number | undefined => {
    const number = Number(id.slice(1));
    const bar = id.startsWith('m') ? number : Math.floor(number / 2);
    return /^[mn]\d+$/.test(id) && bar < 100 ? bar : undefined;
};

function plan(marks: Mark[], more: Partial<PlanDocument> = {}): PlanDocument {
    return { format: 'tarnwind-plan/3', tempo: null, settings: {}, marks, ...more };
}

const changedBars = (before: PlanDocument, after: PlanDocument, of: typeof barOf, answer: AnswerName = 'touch') => changed(before, after, answer, of);
const forHands = (before: PlanDocument, after: PlanDocument) => changed(before, after, 'hand', barOf);

const finger = (note: string, digit: string): Mark => ({ id: `f-${note}`, craft: 'hand', kind: 'finger', note, finger: digit });
const staccato = (...notes: [string, ...string[]]): Mark => ({ id: 's', craft: 'touch', kind: 'articulation', notes, articulation: 'staccato' });
const slur = (from: string, to: string): Mark => ({ id: `${from}-${to}`, craft: 'touch', kind: 'slur', from, to, drawn: true });
const pedal = (from: number, to: number): Mark => ({
    id: `p-${from}`,
    craft: 'pedal',
    kind: 'span',
    from: { measure: `m${from}`, offset: '0' },
    to: { measure: `m${to}`, offset: '0' },
    depth: 'full',
    origin: 'teacher',
    words: '',
});
const gesture: Mark = { id: 'g', craft: 'touch', kind: 'gesture', at: { measure: 'm7', offset: '0' }, text: 'arm weight' };

test.describe('what an edit touches', () => {
    const known = finger('n8', '2');

    test('is the bar of a mark that has come, gone or changed', () => {
        expect(forHands(plan([known]), plan([known, finger('n21', '3')]))).toEqual({ first: 10, last: 10 });
        expect(forHands(plan([known]), plan([]))).toEqual({ first: 4, last: 4 });
        expect(forHands(plan([known]), plan([finger('n8', '4')]))).toEqual({ first: 4, last: 4 });
        expect(changedBars(plan([]), plan([slur('n6', 'n30')]), barOf)).toEqual({ first: 3, last: 15 });
        expect(changedBars(plan([pedal(2, 3)]), plan([pedal(2, 5)]), barOf)).toEqual({ first: 2, last: 5 });
    });

    test('is only the notes that are new in a mark of many', () => {
        expect(changedBars(plan([staccato('n2', 'n90')]), plan([staccato('n2', 'n40', 'n90')]), barOf)).toEqual({ first: 20, last: 20 });
        expect(changedBars(plan([staccato('n2', 'n90')]), plan([staccato('n90')]), barOf)).toEqual({ first: 1, last: 1 });
    });

    test('tells marks of different kinds on one note apart', () => {
        const octave: Mark = { id: 'o', craft: 'hand', kind: 'octave', notes: ['n8'], octaves: 2 };
        expect(forHands(plan([finger('n8', '2')]), plan([octave]))).toEqual({ first: 4, last: 4 });
    });

    test('is nothing where the answer does not rest on it', () => {
        expect(changedBars(plan([known]), plan([known, gesture]), barOf)).toBe('none');
        expect(forHands(plan([known]), plan([{ ...known }]))).toBe('none');
        expect(changedBars(plan([known]), plan([finger('n8', '4')]), barOf)).toBe('none');
        expect(forHands(plan([known]), plan([known, gesture]))).toBe('none');
        // How long keys are held says what fingers are to join.
        expect(forHands(plan([known]), plan([known, staccato('n8')]))).toEqual({ first: 4, last: 4 });
        expect(changedBars(plan([known]), plan([known], { settings: { pedal: { school: 'clean' } } }), barOf)).toBe('none');
        expect(changedBars(plan([pedal(2, 3)]), plan([{ ...pedal(2, 3), words: 'mine', origin: 'printed' } as Mark]), barOf)).toBe('none');
    });

    test('is told with every tempo of the piece, however far away it stands', () => {
        const tempo: Mark = { id: 't', craft: 'time', kind: 'tempo', at: { measure: 'm2', offset: '0' }, ratio: 1.2 };
        const kept = near(plan([tempo, finger('n8', '2'), finger('n90', '2')]), { first: 45, last: 45 }, 'time', barOf).marks;
        expect(kept).toEqual([tempo]);
        expect(near(plan([tempo, finger('n8', '2'), finger('n90', '2')]), { first: 45, last: 45 }, 'hand', barOf).marks).toEqual([tempo, finger('n90', '2')]);
    });

    test('is everything for the pedal where what it is cut from is another', () => {
        const forPedal = (before: Mark[], after: Mark[]) => changed(plan(before), plan(after), 'pedal', barOf);
        expect(forPedal([pedal(2, 3)], [pedal(2, 4)])).toEqual({ first: 2, last: 4 });
        expect(forPedal([pedal(2, 3)], [pedal(2, 3), known])).toBe('all');
        expect(forPedal([pedal(2, 3)], [pedal(2, 3), gesture])).toBe('none');
    });

    test('is everything where the rules change, or the place is not known', () => {
        expect(changedBars(plan([]), plan([], { tempo: 72 }), barOf)).toBe('all');
        expect(changedBars(plan([]), plan([], { settings: { touch: { style: 'lyrical' } } }), barOf)).toBe('all');
        expect(changedBars(plan([]), plan([], { settings: { touch: { lengths: { staccato: 0.4 } } } }), barOf)).toBe('all');
        expect(forHands(plan([]), plan([finger('elsewhere', '1')]))).toBe('all');
    });
});

test('near some bars a plan has what bears on them', () => {
    const marks = [finger('n2', '1'), finger('n100', '2'), finger('n198', '3'), pedal(0, 30), pedal(30, 31), slur('n4', 'n190'), gesture];
    const kept = near(plan([...marks, staccato('n0', 'n101', 'n199')]), { first: 50, last: 51 }, 'touch', barOf);
    expect(kept.marks.map(({ id }) => id)).toEqual(['p-0', 'p-30', 'n4-n190', 's']);
    expect(kept.marks.at(-1)).toMatchObject({ notes: ['n101'] });
    expect(near(plan([staccato('n0')]), { first: 50, last: 51 }, 'touch', barOf).marks).toEqual([]);
    expect(near(plan(marks), { first: 50, last: 51 }, 'hand', barOf).marks.map(({ id }) => id)).toEqual(['f-n100', 'p-0', 'p-30', 'n4-n190']);
    // What the pedal is cut from is told whole, or it would be taken for another.
    expect(near(plan(marks), { first: 90, last: 91 }, 'pedal', barOf).marks.map(({ id }) => id)).toEqual(['f-n2', 'f-n100', 'f-n198', 'n4-n190']);
    expect(relevant(plan([...marks, gesture]), 'read').marks).toEqual([]);
});

test.describe('an answer about some bars', () => {
    const fingered = (note: string, digit: string): HandAnswer['fingers'][number] => ({
        note,
        midi: 60,
        name: 'C4',
        hand: 'right',
        finger: digit,
        source: 'planned',
    });
    const finding = (measure: number, kind: HandAnswer['findings'][number]['kind'], reason: string): HandAnswer['findings'][number] => ({
        kind,
        severity: 'hint',
        at: String(4 * measure),
        measure,
        notes: [],
        value: 0,
        limit: 0,
        unit: 'notes',
        reason,
        remedy: null,
    });

    test('takes the place of what was known of hands there, and of the kinds it tells', () => {
        const known: HandAnswer = {
            fingers: [fingered('n2', '1'), fingered('n20', '1'), fingered('n40', '1')],
            joints: [
                { from: 'n2', to: 'n3', at: '4', measure: 1, kind: 'pedal' },
                { from: 'n20', to: 'n21', at: '40', measure: 10, kind: 'pedal' },
            ],
            holds: [{ note: 'n20', at: '40', measure: 10, finger: 5, words: 'Keep.' }],
            findings: [finding(1, 'leap', 'far'), finding(10, 'leap', 'old'), finding(10, 'strain', 'counted')],
        };
        const merged = mergeHands(known, {
            bars: { first: 8, last: 12 },
            kinds: ['leap', 'crossing'],
            fingers: [fingered('n20', '4')],
            joints: [],
            holds: [],
            findings: [finding(11, 'crossing', 'new')],
        });
        expect(merged.fingers.map(({ note, finger: digit }) => `${note} ${digit}`)).toEqual(['n2 1', 'n40 1', 'n20 4']);
        expect(merged.joints.map(({ measure }) => measure)).toEqual([1]);
        expect(merged.holds).toEqual([]);
        expect(merged.findings.map(({ reason }) => reason)).toEqual(['far', 'counted', 'new']);
        expect(merged).not.toHaveProperty('bars');
        expect(merged).not.toHaveProperty('kinds');
    });

    test('takes the place of what was known of keys there', () => {
        const length = (note: string, left: number): KeyLength => ({
            note,
            name: 'C4',
            midi: 60,
            hand: 'right',
            at: 0,
            left,
            heard: left,
            ms: 500,
            end: '1',
            articulation: null,
            own: false,
            reason: '',
        });
        const ornaments: TouchAnswer['ornaments'] = { graces: 'before', trill: 'main', speed: 12, roll: 'from', spread: 60, lead: 0 };
        const known: TouchAnswer = {
            lengths: [length('n2', 1), length('n20', 1)],
            slurs: [
                { from: 'n2', to: 'n21', printed: true },
                { from: 'n20', to: 'n30', printed: true },
            ],
            style: {},
            ornaments,
            proposed: { style: 'lyrical' as const, reason: 'nothing speaks against joining' },
            findings: [],
        };
        const merged = mergeTouch(
            known,
            {
                bars: { first: 8, last: 12 },
                lengths: [length('n20', 0.5)],
                slurs: [{ from: 'n20', to: 'n22', printed: false }],
                style: {},
                ornaments,
                proposed: { style: 'older' as const, reason: '' },
                findings: [],
            },
            barOf,
        );
        expect(merged.lengths.map(({ note, left }) => `${note} ${left}`)).toEqual(['n2 1', 'n20 0.5']);
        expect(merged.slurs.map(({ from, to }) => `${from} ${to}`)).toEqual(['n2 n21', 'n20 n22']);
    });
});

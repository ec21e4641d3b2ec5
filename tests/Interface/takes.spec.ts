import { createRequire } from 'node:module';
import { expect, test } from '@playwright/test';
import { effectScope } from 'vue';
import { footPath, keyBars, levelDots, levelScale, rateHeight, TIME, timePath } from '../../resources/js/crafts/hear/lanes';
import { progressOf, shareRight } from '../../resources/js/crafts/hear/progress';
import type { Laid } from '../../resources/js/engraving/layout';
import { SCREEN, SIMULATED, useDevices } from '../../resources/js/takes/devices';
import type { Exercise } from '../../resources/js/takes/foot';
import { against, changesOf, trace, type FootMove } from '../../resources/js/takes/footTrace';
import { damperOf, heardIn, keyDown, keyUp, pedalAt, type Message } from '../../resources/js/takes/messages';
import { midiFile } from '../../resources/js/takes/midiFile';
import { recordingShelf } from '../../resources/js/takes/shelf';
import { messagesOf, perform } from '../../resources/js/takes/simulated';
import { barsInWords, takeName, type ListedTake } from '../../resources/js/takes/types';

const { Midi } = createRequire(import.meta.url)('@tonejs/midi') as typeof import('@tonejs/midi');

test('of what an instrument sends only keys and pedals are heard', () => {
    expect(heardIn({ status: 0x93, data1: 60, data2: 64 })).toEqual({ kind: 'down', midi: 60, velocity: 64 });
    expect(heardIn({ status: 0x90, data1: 60, data2: 0 })).toEqual({ kind: 'up', midi: 60 });
    expect(heardIn({ status: 0x80, data1: 60, data2: 64 })).toEqual({ kind: 'up', midi: 60 });
    expect(heardIn({ status: 0xb0, data1: 67, data2: 127 })).toEqual({ kind: 'pedal', controller: 67, value: 127 });
    for (const [status, data1] of [
        [0xf8, 0],
        [0xfe, 0],
        [0xb0, 7],
        [0xe0, 0],
        [0xc0, 1],
    ])
        expect(heardIn({ status: status!, data1: data1!, data2: 64 })).toBeNull();
    expect([damperOf(pedalAt(0, 127)), damperOf(pedalAt(0, 64, 67)), damperOf(keyDown(0, 60, 1))]).toEqual([1, null, null]);
});

test('a recording becomes a file that an independent reader reads, whatever its length', async () => {
    const messages = [keyDown(1000, 60, 64), pedalAt(1055, 127), keyUp(1480, 60), keyDown(1480, 62, 80), pedalAt(41_000, 0), keyUp(41_200, 62)];
    const midi = new Midi(new Uint8Array(await midiFile(messages, 1000).arrayBuffer()));
    const [track] = midi.tracks;
    expect(
        track?.notes.map((note) => [note.midi, Math.round(1000 * note.time), Math.round(1000 * (note.time + note.duration)), Math.round(127 * note.velocity)]),
    ).toEqual([
        [60, 0, 480, 64],
        [62, 480, 40_200, 80],
    ]);
    expect(track?.controlChanges[64]?.map(({ time, value }) => [Math.round(1000 * time), value])).toEqual([
        [55, 1],
        [40_000, 0],
    ]);
});

test('a recording outlives a reload until it has arrived', () => {
    const store = new Map<string, string>();
    const storage = {
        getItem: (key: string) => store.get(key) ?? null,
        setItem: (key: string, value: string) => void store.set(key, value),
        removeItem: (key: string) => void store.delete(key),
    };
    const recording = { uuid: 'u', device: 'Stage piano', step: null, begin: 12.5, messages: [keyDown(20.25, 60, 64), keyUp(300, 60)] };
    recordingShelf('/a', storage).write(recording);
    expect(recordingShelf('/a', storage).read()).toEqual({ ...recording, messages: [{ ...keyDown(20.3, 60, 64) }, keyUp(300, 60)] });
    expect(recordingShelf('/b', storage).read()).toBeNull();
    store.set('tarnwind:recording:/a', '{');
    expect(recordingShelf('/a', storage).read()).toBeNull();
    // A browser that keeps nothing loses nothing else.
    const full = {
        ...storage,
        setItem: () => {
            throw new Error('full');
        },
    };
    expect(() => recordingShelf('/a', full).write(recording)).not.toThrow();
});

test('instruments come and go, and only the chosen one is heard', async () => {
    const input = (id: string, name: string): MIDIInput => ({ id, name, state: 'connected', onmidimessage: null }) as unknown as MIDIInput;
    const [stage, small] = [input('a', 'Stage piano'), input('b', 'Small keys')];
    const midi = { inputs: new Map([['a', stage]]), onstatechange: null as (() => void) | null };
    const scope = effectScope();
    const devices = scope.run(() => useDevices(() => Promise.resolve(midi as unknown as MIDIAccess)))!;
    const heard: Message[] = [];
    devices.listen((message) => heard.push(message));
    expect(devices.devices.value).toEqual([SIMULATED, SCREEN]);
    await devices.look();
    expect([devices.chosen.value, devices.device().name]).toEqual(['a', 'Stage piano']);
    const send = (from: MIDIInput, ...data: number[]): void => {
        from.onmidimessage?.({ data: new Uint8Array(data), timeStamp: 7 } as unknown as MIDIMessageEvent);
    };
    midi.inputs.set('b', small);
    midi.onstatechange?.();
    send(stage, 0x90, 60, 64);
    send(stage, 0xfe);
    send(small, 0x90, 62, 64);
    expect(heard).toEqual([{ at: 7, status: 0x90, data1: 60, data2: 64 }]);
    midi.inputs.delete('a');
    midi.onstatechange?.();
    expect(devices.chosen.value).toBe('b');
    scope.stop();
    send(small, 0x90, 62, 64);
    expect(heard).toHaveLength(1);
    const refused = effectScope().run(() => useDevices(() => Promise.reject(new Error('no'))))!;
    await refused.look();
    expect(refused.trouble.value).toContain('did not allow');
    expect(effectScope().run(() => useDevices(null))!.canAsk).toBe(false);
});

test('a simulated pianist sends in time, and late messages keep the time at which they were due', async () => {
    const messages = messagesOf({
        notes: [
            [0, 90, 60, 64],
            [20, 100, 64, 50],
        ],
        foot: [[55, 64, 127]],
    });
    expect(messages.map(({ at, status }) => [at, status])).toEqual([
        [0, 0x90],
        [20, 0x90],
        [55, 0xb0],
        [90, 0x80],
        [100, 0x80],
    ]);
    let now = 0;
    const heard: Message[] = [];
    await new Promise<void>((done) => {
        const clock = setInterval(() => (now += 60), 5);
        perform(
            messages,
            1000,
            (message) => heard.push(message),
            () => {
                clearInterval(clock);
                done();
            },
            () => 1000 + now,
        );
    });
    expect(heard.map(({ at }) => at)).toEqual([1000, 1020, 1055, 1090, 1100]);
});

const exercise: Exercise = {
    kind: 'change',
    label: '',
    does: '',
    tempo: 60,
    tolerance: 150,
    lasts: 8000,
    place: '',
    strokes: [],
    targets: [
        { at: 1000, up: null, down: [-1000, 300] },
        { at: 3000, up: [-45, 150], down: [60, 300] },
    ],
};

test('every move of the foot is told at once against the window it belongs to', () => {
    const moves: FootMove[] = [
        [900, 1],
        [3200, 0.3],
        [3210, 0.1],
        [3400, 0.2],
        [3420, 0.9],
    ];
    expect(changesOf(moves)).toEqual([
        { ms: 900, goes: 'down' },
        { ms: 3210, goes: 'up' },
        { ms: 3420, goes: 'down' },
    ]);
    expect(against(exercise, { ms: 900, goes: 'down' })).toEqual({ ms: -100, met: true });
    expect(against(exercise, { ms: 3210, goes: 'up' })).toEqual({ ms: 210, met: false });
    expect(against(exercise, { ms: 3030, goes: 'up' })).toEqual({ ms: 30, met: true });
    expect(against({ ...exercise, targets: [] }, { ms: 0, goes: 'up' })).toBeNull();
    const drawn = trace(moves, 3500);
    expect(drawn[0]).toEqual([0, 1]);
    expect(drawn.at(-1)?.[1]).toBe(0.9);
    expect(drawn.every(([x], index) => index === 0 || x >= drawn[index - 1]![0])).toBe(true);
});

const laid = { left: 100, right: 500, from: 4, to: 8, spots: [4, 5, 6, 7].map((time, moment) => ({ moment, time, x: 100 * (time - 3) })) } as unknown as Laid;

test('lanes follow the notes of their line', () => {
    const path = footPath(
        [
            { at: 1, depth: 1 },
            { at: 5, depth: 0 },
            { at: 6, depth: 0.5 },
            { at: 9, depth: 1 },
        ],
        laid,
    );
    expect(path).toBe('M100 34 L200 34 L200 6 L300 6 L300 20 L500 20');
    const note = (at: number, level: number, layer: 'melody' | 'filling') => ({
        note: `n${at}`,
        at,
        layer,
        level,
        planned: -12,
        until: at + 0.5,
        planned_until: at + 1,
    });
    const notes = [note(3, -10, 'melody'), note(5, -6, 'melody'), note(5, -30, 'filling'), note(8, -6, 'melody')];
    const y = levelScale(notes);
    expect(y(-6)).toBeLessThan(y(-30));
    expect(levelDots(notes, laid, y, 'melody').map(({ x, off }) => [x, off])).toEqual([[200, 6]]);
    expect(keyBars(notes, laid).map(({ left, right, planned }) => [left, right, planned])).toEqual([[200, 250, 300]]);
    expect(rateHeight(1)).toBe((TIME.top + TIME.bottom) / 2);
    expect([rateHeight(2), rateHeight(100), rateHeight(0.5)]).toEqual([TIME.top, TIME.top, TIME.bottom]);
    expect(
        timePath(
            [
                { at: 4, rate: 0.8 },
                { at: 6, rate: 0.8 },
                { at: 9, rate: 2 },
            ],
            laid,
            0.8,
        ),
    ).toBe(`M100 ${rateHeight(1)} L300 ${rateHeight(1)}`);
});

test('progress is the share of what was measured that is as planned', () => {
    const take = (right: number, measured: number, faults: number): ListedTake => ({
        id: 1,
        name: null,
        device: null,
        by: 'student',
        step: null,
        recorded: '2027-03-02T17:20:00Z',
        summary: {
            passage: { first: 0, last: 1, hands: ['right'], rate: 1, louder: 0 },
            notes: 10,
            right,
            kinds: [{ kind: 'smear', measured, faults, value: 0 }],
            verdict: { word: '', next: [], better: [] },
        },
    });
    expect(shareRight(take(0.975, 8, 2), ['smear', 'gap'])).toBe(75);
    expect(shareRight(take(0.975, 8, 2), ['wrong-note'])).toBe(97.5);
    expect(shareRight(take(1, 0, 0), ['filling'])).toBeNull();
    expect(shareRight({ summary: null }, ['smear'])).toBeNull();
    expect(progressOf([take(1, 4, 0), take(0.9, 4, 4)]).map(({ shares }) => shares.slice(0, 2))).toEqual([
        [90, 0],
        [100, 100],
    ]);
    expect(takeName({ name: 'First', recorded: '' })).toBe('First');
    const numberOf = (bar: number): string => String(bar);
    expect([[0], [3], [3, 5], [1, 2, 3], [1, 2, 3, 4, 5, 6, 7]].map((bars) => barsInWords(bars, numberOf))).toEqual([
        'the up-beat',
        'bar 3',
        'bars 3 and 5',
        'bars 1, 2 and 3',
        'bars 1, 2, 3, 4, 5 and 2 more',
    ]);
});

import type { KeyEvent, PedalEvent, RenditionDocument } from '@generated/rendition';
import { DAMPER } from './damping';

/** What a student often does, made plain so that it is heard. */
export type Fault = 'late-foot' | 'no-changes' | 'no-pedal' | 'filling-too-loud' | 'accented-beats' | 'flat';

export const FAULTS: readonly { value: Fault; label: string }[] = [
    { value: 'late-foot', label: 'the foot late' },
    { value: 'no-changes', label: 'no pedal changes' },
    { value: 'no-pedal', label: 'no pedal' },
    { value: 'filling-too-loud', label: 'the filling too loud' },
    { value: 'accented-beats', label: 'an accent on every beat' },
    { value: 'flat', label: 'all notes alike' },
];

/** ms by which a late foot comes after the hand [start]. */
const LATE = 260;

/** dB by which filling comes out [start]: two grades. */
const LOUDER = 8;

/** dB of an accent on every beat, and ms around a beat that belong to it [start]. */
const ACCENT = 6;
const NEAR = 25;

const FLAT = 72;

/** A stroke louder by so many dB, which go with 40 · log10 of the velocity. */
const louder = (event: KeyEvent, decibels: number): KeyEvent => ({
    ...event,
    velocity: Math.max(1, Math.min(127, Math.round(event.velocity * 10 ** (decibels / 40)))),
});

function late(pedal: readonly PedalEvent[]): PedalEvent[] {
    return pedal.map((event) => (event.controller === DAMPER ? { ...event, ms: event.ms + LATE } : event));
}

/** The pedal down from its first move to its last. */
function held(pedal: readonly PedalEvent[]): PedalEvent[] {
    const damper = pedal.filter(({ controller }) => controller === DAMPER);
    const [first, last] = [damper[0], damper.at(-1)];
    return first && last ? [{ ...first, value: 127 }, last] : [];
}

/** Every note on a beat struck harder. */
function accented({ events, bars }: RenditionDocument): KeyEvent[] {
    const beats = bars.flatMap((bar) => bar.beats);
    let beat = 0;
    return events.map((event) => {
        while (beat + 1 < beats.length && beats[beat + 1]! <= event.start_ms + NEAR) beat++;
        const isOnBeat = Math.abs((beats[beat] ?? Infinity) - event.start_ms) <= NEAR;
        return isOnBeat ? louder(event, ACCENT) : event;
    });
}

/** A rendition with a fault in it. */
export function withFault(rendition: RenditionDocument, fault: Fault): RenditionDocument {
    const { events, pedal } = rendition;
    switch (fault) {
        case 'late-foot':
            return { ...rendition, pedal: late(pedal) };
        case 'no-changes':
            return { ...rendition, pedal: held(pedal) };
        case 'no-pedal':
            return { ...rendition, pedal: [] };
        case 'filling-too-loud':
            return { ...rendition, events: events.map((event) => (event.layer === 'filling' ? louder(event, LOUDER) : event)) };
        case 'accented-beats':
            return { ...rendition, events: accented(rendition) };
        case 'flat':
            return { ...rendition, events: events.map((event) => ({ ...event, velocity: FLAT })) };
    }
}

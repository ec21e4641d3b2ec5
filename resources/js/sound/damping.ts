import type { KeyEvent, PedalEvent } from '@generated/rendition';

/** From a time on the level of a string falls with a time constant, in seconds; null: as the string itself has it. */
export interface Damping {
    ms: number;
    seconds: number | null;
}

/** One key as it is heard: struck, and damped in one or more steps. */
export interface Tone {
    note: string;
    midi: number;
    velocity: number;
    ms: number;
    damping: Damping[];
}

/** Above this key a piano has no dampers [mem]. */
const LAST_DAMPER = 89;

/** Time constants of a damper that falls on its string, at the lowest and at the last key: it stops in about 0.4 s and 0.1 s [mem]. */
const FULL = [0.09, 0.022] as const;

/** Of one that grazes it: the bass hardly minds, the treble stops soon [start]. */
const HALF = [2.5, 0.12] as const;

/** Controller values from which the dampers graze, and from which they are clear of the strings. */
const GRAZES = 32;
const CLEAR = 96;

const LOWEST = 21;

/** Between two values for the lowest key and the last that has a damper, evenly in the ear. */
function byKey([low, high]: readonly [number, number], midi: number): number {
    return low * (high / low) ** ((midi - LOWEST) / (LAST_DAMPER - LOWEST));
}

/** How fast a damper at some height stops a string; null where it does not touch it. */
export function timeConstant(pedal: number, midi: number): number | null {
    if (pedal >= CLEAR || midi > LAST_DAMPER) return null;
    return byKey(pedal >= GRAZES ? HALF : FULL, midi);
}

/**
 * Keys and pedal as tones: a string is free while its key or the pedal keeps the damper off, damped as far as the pedal
 * lets the damper down, and free again, at the level it has, where the pedal comes back in time.
 */
export function tonesOf(events: readonly KeyEvent[], pedal: readonly PedalEvent[]): Tone[] {
    const struck = new Map<number, number[]>();
    for (const { midi, start_ms } of events) struck.set(midi, [...(struck.get(midi) ?? []), start_ms]);
    return events.map(({ note, midi, velocity, start_ms, end_ms }) => {
        const again = struck.get(midi)!.find((ms) => ms > start_ms + 1) ?? Infinity;
        const left = Math.max(start_ms, end_ms);
        const damping: Damping[] = [];
        const add = (ms: number, value: number): void => {
            const seconds = timeConstant(value, midi);
            if ((damping.at(-1)?.seconds ?? null) !== seconds) damping.push({ ms, seconds });
        };
        add(left, pedalAt(pedal, left));
        for (const { ms, value } of pedal) if (ms > left && ms < again) add(ms, value);
        return { note, midi, velocity, ms: start_ms, damping };
    });
}

/** Where the pedal is at a time. */
export function pedalAt(pedal: readonly PedalEvent[], ms: number): number {
    return pedal.findLast((event) => event.ms <= ms)?.value ?? 0;
}

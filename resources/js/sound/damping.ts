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
    /** Whether it is struck una corda. */
    soft: boolean;
}

/** The pedals, by the numbers of their MIDI controllers. */
export const DAMPER = 64;
export const SOSTENUTO = 66;
export const SOFT = 67;

/** Above this key a piano has no dampers [mem]. */
const LAST_DAMPER = 89;

const LOWEST = 21;

/** Seconds in which a damper that is all the way down stops the lowest string and the last that has one, by 60 dB [mem]. */
const STOPS = [0.45, 0.1] as const;

/** Powers of contact for the same strings: grazing dampers stop the treble soon and the bass slowly [start]. The core has the same. */
const GRAZING = [4.67, 2.6] as const;

/** The pedal is clear of the strings from this share of its way on [start]. */
const CLEAR = 0.9;

/** dB of one time constant. */
const DB = 20 / Math.LN10;

/** How fast a damper at some height stops a string; null where it does not touch it. */
export function timeConstant(pedal: number, midi: number): number | null {
    const share = pedal / 127;
    if (share >= CLEAR || midi > LAST_DAMPER) return null;
    const place = Math.max(0, (midi - LOWEST) / (LAST_DAMPER - LOWEST));
    const full = 60 / (STOPS[0] * (STOPS[1] / STOPS[0]) ** place);
    return DB / (full * (1 - share / CLEAR) ** (GRAZING[0] + (GRAZING[1] - GRAZING[0]) * place));
}

/**
 * Keys and pedal as tones: a string is free while its key or the pedal keeps the damper off, damped as far as the pedal
 * lets the damper down, and free again, at the level it has, where the pedal comes back in time.
 */
export function tonesOf(events: readonly KeyEvent[], pedals: readonly PedalEvent[]): Tone[] {
    const struck = new Map<number, number[]>();
    for (const { midi, start_ms } of events) struck.set(midi, [...(struck.get(midi) ?? []), start_ms]);
    const pedal = pedals.filter(({ controller }) => controller === DAMPER);
    const [keeps, soft] = [stretches(pedals, SOSTENUTO), stretches(pedals, SOFT)];
    return events.map(({ note, midi, velocity, start_ms, end_ms }) => {
        const again = struck.get(midi)!.find((ms) => ms > start_ms + 1) ?? Infinity;
        const up = Math.max(start_ms, end_ms);
        // The middle pedal keeps a key that was down when it went down.
        const left = keeps.reduce((until, { from, to }) => (start_ms <= from && from < until && until < to ? to : until), up);
        const damping: Damping[] = [];
        const add = (ms: number, value: number): void => {
            const seconds = timeConstant(value, midi);
            if ((damping.at(-1)?.seconds ?? null) !== seconds) damping.push({ ms, seconds });
        };
        add(left, pedalAt(pedal, left));
        for (const { ms, value } of pedal) if (ms > left && ms < again) add(ms, value);
        return { note, midi, velocity, ms: start_ms, damping, soft: soft.some(({ from, to }) => from - 1 <= start_ms && start_ms < to - 1) };
    });
}

/** From when to when a pedal is down that knows only on and off. */
function stretches(pedals: readonly PedalEvent[], wanted: number): { from: number; to: number }[] {
    const found: { from: number; to: number }[] = [];
    let from: number | null = null;
    for (const { ms, value, controller } of pedals) {
        if (controller !== wanted) continue;
        if (value >= 64) from ??= ms;
        else if (from !== null) {
            found.push({ from, to: ms });
            from = null;
        }
    }
    return from === null ? found : [...found, { from, to: Infinity }];
}

/** Where the pedal is at a time. */
export function pedalAt(pedal: readonly PedalEvent[], ms: number): number {
    return pedal.findLast((event) => event.ms <= ms)?.value ?? 0;
}

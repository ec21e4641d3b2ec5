/** How far down a pedal keeps the dampers off, 0 to 1, as the core has it [start]. */
export const DAMPERS_OFF = 0.35;

/** A message of an instrument, with the time at which it came on the clock of `performance.now()`. */
export interface Message {
    at: number;
    status: number;
    data1: number;
    data2: number;
}

const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;
const CONTROL = 0xb0;
const DAMPER = 64;
const PEDALS: readonly number[] = [DAMPER, 66, 67];

/** What a message does, if it is a key or a pedal; everything else an instrument sends says nothing here. */
export type Heard = { kind: 'down'; midi: number; velocity: number } | { kind: 'up'; midi: number } | { kind: 'pedal'; controller: number; value: number };

export function heardIn({ status, data1, data2 }: Pick<Message, 'status' | 'data1' | 'data2'>): Heard | null {
    const kind = status & 0xf0;
    if (kind === NOTE_ON && data2 > 0) return { kind: 'down', midi: data1, velocity: data2 };
    if (kind === NOTE_ON || kind === NOTE_OFF) return { kind: 'up', midi: data1 };
    return kind === CONTROL && PEDALS.includes(data1) ? { kind: 'pedal', controller: data1, value: data2 } : null;
}

export const keyDown = (at: number, midi: number, velocity: number): Message => ({ at, status: NOTE_ON, data1: midi, data2: velocity });
export const keyUp = (at: number, midi: number): Message => ({ at, status: NOTE_OFF, data1: midi, data2: 64 });
export const pedalAt = (at: number, value: number, controller = DAMPER): Message => ({ at, status: CONTROL, data1: controller, data2: value });

/** How far the damper pedal is down, 0 to 1; null for a message about something else. */
export function damperOf(message: Message): number | null {
    const heard = heardIn(message);
    return heard?.kind === 'pedal' && heard.controller === DAMPER ? heard.value / 127 : null;
}

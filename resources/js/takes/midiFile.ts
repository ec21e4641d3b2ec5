import type { Message } from './messages';

/** Ticks a quarter at 120 a minute: a tick is a millisecond. */
const DIVISION = 500;

const number = (value: number, bytes: number): number[] => Array.from({ length: bytes }, (_, place) => (value >>> (8 * (bytes - 1 - place))) & 0xff);

function variableLength(value: number): number[] {
    const bytes = [value & 0x7f];
    for (let rest = value >>> 7; rest > 0; rest >>>= 7) bytes.unshift((rest & 0x7f) | 0x80);
    return bytes;
}

/** What an instrument sent, as a Standard MIDI File of format 0. */
export function midiFile(messages: readonly Message[], begin: number): Blob {
    const track: number[] = [];
    let now = 0;
    for (const { at, status, data1, data2 } of [...messages].sort((a, b) => a.at - b.at)) {
        const tick = Math.max(now, Math.round(at - begin));
        track.push(...variableLength(tick - now), status & 0xf0, data1, data2);
        now = tick;
    }
    track.push(0, 0xff, 0x2f, 0);
    const text = (words: string): number[] => Array.from(words, (letter) => letter.charCodeAt(0));
    const bytes = [...text('MThd'), ...number(6, 4), ...number(0, 2), ...number(1, 2), ...number(DIVISION, 2), ...text('MTrk'), ...number(track.length, 4)];
    return new Blob([new Uint8Array([...bytes]), new Uint8Array(track)], { type: 'audio/midi' });
}

import { Midi } from '@tonejs/midi';
import type { RenditionDocument } from '@generated/rendition';
import type { Playing } from './player';

const DAMPER = 64;
const LOUDEST = 127;

/** What would be heard, as a Standard MIDI File: a track for each hand, the pedal on the first. */
export function toMidi(rendition: RenditionDocument, { from, to, rate, isHeard }: Pick<Playing, 'from' | 'to' | 'rate' | 'isHeard'>, title: string): Blob {
    const seconds = (ms: number): number => Math.max(0, (ms - from) / rate / 1000);
    const midi = new Midi();
    midi.name = title;
    const tracks = { right: midi.addTrack(), left: midi.addTrack() };
    tracks.right.name = 'Right hand';
    tracks.left.name = 'Left hand';
    for (const event of rendition.events) {
        if (event.start_ms < from - 1 || event.start_ms >= to - 1 || !isHeard(event)) continue;
        const time = seconds(event.start_ms);
        tracks[event.hand].addNote({ midi: event.midi, time, duration: Math.max(0.01, seconds(event.end_ms) - time), velocity: event.velocity / LOUDEST });
    }
    // The foot as it stands where the stretch begins.
    const before = rendition.pedal.findLast(({ ms }) => ms < from);
    const moves = [...(before ? [{ ms: from, value: before.value }] : []), ...rendition.pedal.filter(({ ms }) => ms >= from && ms <= to)];
    for (const { ms, value } of moves) tracks.right.addCC({ number: DAMPER, time: seconds(ms), value: value / LOUDEST });
    return new Blob([midi.toArray() as BlobPart], { type: 'audio/midi' });
}

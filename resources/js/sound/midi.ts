import { Midi } from '@tonejs/midi';
import type { RenditionDocument } from '@generated/rendition';
import { DAMPER, SOFT, SOSTENUTO } from './damping';
import type { Playing } from './player';

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
    // The feet as they stand where the stretch begins.
    const before = [DAMPER, SOSTENUTO, SOFT].flatMap((pedal) => {
        const last = rendition.pedal.findLast(({ ms, controller }) => controller === pedal && ms < from);
        return last ? [{ ...last, ms: from }] : [];
    });
    const moves = [...before, ...rendition.pedal.filter(({ ms }) => ms >= from && ms <= to)];
    for (const { ms, value, controller } of moves) tracks.right.addCC({ number: controller, time: seconds(ms), value: value / LOUDEST });
    return new Blob([midi.toArray() as BlobPart], { type: 'audio/midi' });
}

import { timeConstant } from '../sound/damping';
import type { Sound } from '../sound/lazyPiano';
import { DAMPERS_OFF, damperOf, heardIn, type Message } from './messages';

/** Lets what is played on something silent be heard. */
export function liveSound(sound: () => Sound) {
    const down = new Set<number>();
    const ringing = new Set<number>();
    let pedal = 0;

    const damp = (midi: number): void => {
        ringing.delete(midi);
        const seconds = timeConstant(Math.round(127 * pedal), midi);
        if (seconds !== null) sound().piano.damp(midi, seconds);
    };

    return function hear(message: Message): void {
        const heard = heardIn(message);
        const depth = damperOf(message);
        if (heard?.kind === 'down') {
            const { context, piano } = sound();
            down.add(heard.midi);
            ringing.add(heard.midi);
            piano.play({ note: '', midi: heard.midi, velocity: heard.velocity, ms: 0, damping: [], soft: false }, () => context.currentTime);
        } else if (heard?.kind === 'up') {
            down.delete(heard.midi);
            if (pedal < DAMPERS_OFF) damp(heard.midi);
        } else if (depth !== null) {
            const falls = pedal >= DAMPERS_OFF && depth < DAMPERS_OFF;
            pedal = depth;
            if (falls) for (const midi of ringing) if (!down.has(midi)) damp(midi);
        }
    };
}

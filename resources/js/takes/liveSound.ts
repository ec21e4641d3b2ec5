import { timeConstant } from '../sound/damping';
import type { Sound } from '../sound/lazyPiano';
import { DAMPERS_OFF, damperOf, heardIn, type Message } from './messages';

/** Keys of a piano from the middle outwards, as they are likely to be played. */
const KEYS = Array.from({ length: 88 }, (_, place) => 60 + (place % 2 === 0 ? -1 : 1) * Math.ceil(place / 2)).filter((midi) => midi >= 21 && midi <= 108);

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

    let isAsked = false;

    /** What is loaded when it is first played, the key that is struck before all others. */
    function ask(midi: number): void {
        if (isAsked) return;
        isAsked = true;
        sound()
            .samples.need([midi, ...KEYS])
            .catch(() => (isAsked = false));
    }

    return function hear(message: Message): void {
        const heard = heardIn(message);
        const depth = damperOf(message);
        if (heard?.kind === 'down') {
            const { context, piano } = sound();
            ask(heard.midi);
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

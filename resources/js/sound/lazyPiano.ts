import { createPiano, type Piano } from './piano';
import { pianoSamples, type LoadedSamples } from './samples';

/** The piano and what it sounds through. */
export interface Sound {
    context: AudioContext;
    samples: LoadedSamples;
    piano: Piano;
}

/**
 * A piano that is made when it is first asked for: a browser lets a page sound only after it was touched.
 *
 * @param onProgress share of the samples that a passage waits for
 */
export function lazyPiano(onProgress: (share: number) => void = () => undefined) {
    let sound: Sound | null = null;

    function open(): Sound {
        if (!sound) {
            const context = new AudioContext({ latencyHint: 'interactive' });
            const samples = pianoSamples(context, onProgress);
            sound = { context, samples, piano: createPiano(context, samples) };
        }
        return sound;
    }

    return { open, close: (): void => void sound?.context.close() };
}

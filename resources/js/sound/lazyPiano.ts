import { createPiano, type Piano } from './piano';
import { loadSamples } from './samples';

/** The piano and what it sounds through. */
export interface Sound {
    context: AudioContext;
    samples: ReturnType<typeof loadSamples>;
    piano: Piano;
}

/**
 * A piano that is made, and its samples loaded, when it is first asked for: a browser lets a page sound only after it was touched.
 *
 * @param onTrouble told in words when the samples cannot be loaded
 * @param onProgress share of the samples that are there
 */
export function lazyPiano(onTrouble: (words: string) => void, onProgress: (share: number) => void = () => undefined) {
    let sound: Sound | null = null;

    function open(): Sound {
        if (!sound) {
            const context = new AudioContext({ latencyHint: 'interactive' });
            const samples = loadSamples(context, onProgress);
            samples.all.catch(() => onTrouble('The sound of the piano could not be loaded.'));
            sound = { context, samples, piano: createPiano(context, samples) };
        }
        return sound;
    }

    return { open, close: (): void => void sound?.context.close() };
}

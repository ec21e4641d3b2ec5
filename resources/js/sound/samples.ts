import SAMPLES, { foot as FOOT } from 'virtual:piano-samples';

/** Velocity of the samples. */
export const SAMPLED_VELOCITY = 64;

/** Seconds of a sample that are kept: beyond, even a low string has faded into the rest. */
const LONGEST = 14;

/** From so many on a piece can be heard: three octaves around the middle. */
const ENOUGH = 12;

/** How many are loaded at a time. */
const AT_A_TIME = 4;

export type FootMove = 'down' | 'up';

export interface Samples {
    /** The nearest sample that is there, and by how many semitones it must be raised. */
    nearest(midi: number): { buffer: AudioBuffer; semitones: number } | null;
    /** What the pedal sounds like by itself; null while it is not there. */
    foot(move: FootMove): AudioBuffer | null;
    /** Bytes of decoded sound. */
    bytes(): number;
}

/**
 * Loads the samples, those of the middle first, so that a piece can be heard while the rest comes.
 *
 * @param onProgress share of the samples that are there
 */
export function loadSamples(context: BaseAudioContext, onProgress: (share: number) => void): Samples & { first: Promise<void>; all: Promise<void> } {
    const buffers = new Map<number, AudioBuffer>();
    const foot = new Map<FootMove, AudioBuffer>();
    const load = async (url: string): Promise<AudioBuffer> => trimmed(context, await context.decodeAudioData(await (await fetch(url)).arrayBuffer()));
    // Every minor third there is one.
    const files = Object.entries(SAMPLES)
        .map(([midi, url]) => ({ midi: Number(midi), url }))
        .sort((a, b) => Math.abs(a.midi - 60) - Math.abs(b.midi - 60));
    let next = 0;
    let isFirst: () => void = () => undefined;
    const first = new Promise<void>((resolve) => (isFirst = resolve));
    const worker = async (): Promise<void> => {
        for (let file = files[next++]; file; file = files[next++]) {
            buffers.set(file.midi, await load(file.url));
            onProgress(buffers.size / files.length);
            if (buffers.size >= ENOUGH) isFirst();
        }
    };
    const all = Promise.all(Array.from({ length: AT_A_TIME }, worker)).then(async () => {
        isFirst();
        for (const move of ['down', 'up'] as const) foot.set(move, await load(FOOT[move]));
    });
    return {
        first,
        all,
        nearest(midi) {
            const found = [...buffers.keys()].sort((a, b) => Math.abs(a - midi) - Math.abs(b - midi))[0];
            return found === undefined ? null : { buffer: buffers.get(found)!, semitones: midi - found };
        },
        foot: (move) => foot.get(move) ?? null,
        bytes: () => [...buffers.values()].reduce((sum, { length, numberOfChannels }) => sum + 4 * length * numberOfChannels, 0),
    };
}

/** The beginning of a sample in one channel: a third of the memory. */
function trimmed(context: BaseAudioContext, buffer: AudioBuffer): AudioBuffer {
    const length = Math.min(buffer.length, Math.round(LONGEST * buffer.sampleRate));
    const short = context.createBuffer(1, length, buffer.sampleRate);
    const target = short.getChannelData(0);
    for (let channel = 0; channel < buffer.numberOfChannels; channel++) {
        const source = buffer.getChannelData(channel);
        for (let index = 0; index < length; index++) target[index]! += source[index]! / buffer.numberOfChannels;
    }
    return short;
}

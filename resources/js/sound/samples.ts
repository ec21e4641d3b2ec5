import SAMPLES, { foot as FOOT } from 'virtual:piano-samples';
import { wantedFiles, type SampleFile } from './wantedFiles';

/** Velocity of the samples. */
export const SAMPLED_VELOCITY = 64;

/** Seconds of a sample that are kept: beyond, even a low string has faded into the rest. */
const LONGEST = 14;

/** How many are loaded at a time. */
const AT_A_TIME = 4;

/** Bytes that are loaded for one passage at the most: what is missing is played by a neighbour. */
const BUDGET = 2_500_000;

const FILES: readonly SampleFile[] = Object.entries(SAMPLES).map(([midi, file]) => ({ midi: Number(midi), ...file }));

export type FootMove = 'down' | 'up';

export interface Samples {
    /** The nearest sample that is there, and by how many semitones it must be raised. */
    nearest(midi: number): { buffer: AudioBuffer; semitones: number } | null;
    /** What the pedal sounds like by itself; null while it is not there. */
    foot(move: FootMove): AudioBuffer | null;
    /** Bytes of decoded sound. */
    bytes(): number;
}

export interface LoadedSamples extends Samples {
    /**
     * Loads what some keys need, in the order in which they are played.
     *
     * @param soon how many of the keys must be there when it resolves; the others come while these are heard
     */
    need(keys: readonly number[], soon?: number): Promise<void>;
    /** Loads what the pedal itself sounds like. */
    needFoot(): Promise<void>;
}

/**
 * The samples of the piano, of which only those are loaded that are needed.
 *
 * @param onProgress share of the samples that a passage waits for
 */
export function pianoSamples(context: BaseAudioContext, onProgress: (share: number) => void): LoadedSamples {
    const buffers = new Map<number, AudioBuffer>();
    const foot = new Map<FootMove, AudioBuffer>();
    const coming = new Map<number, Promise<void>>();
    const fetched = async (url: string): Promise<AudioBuffer> => {
        const response = await fetch(url);
        if (!response.ok) throw new Error('The sound of the piano could not be loaded.');
        return trimmed(context, await context.decodeAudioData(await response.arrayBuffer()));
    };

    /** A file that did not come is asked for again the next time. */
    function load(file: SampleFile): Promise<void> {
        const there = coming.get(file.midi);
        if (there) return there;
        const one = fetched(file.url).then((buffer) => void buffers.set(file.midi, buffer));
        coming.set(file.midi, one);
        one.catch(() => coming.delete(file.midi));
        return one;
    }

    /** Loads files one after the other, some at a time; tells when each is there. */
    async function loadAll(files: readonly SampleFile[], onEach: () => void): Promise<void> {
        let next = 0;
        const worker = async (): Promise<void> => {
            for (let file = files[next++]; file; file = files[next++]) {
                await load(file);
                onEach();
            }
        };
        await Promise.all(Array.from({ length: AT_A_TIME }, worker));
    }

    async function need(keys: readonly number[], soon = keys.length): Promise<void> {
        const files = wantedFiles(keys, FILES, new Set(buffers.keys()), BUDGET);
        const first = wantedFiles(keys.slice(0, soon), files, new Set(files.map(({ midi }) => midi)), Infinity);
        const later = files.filter((file) => !first.includes(file));
        let there = 0;
        onProgress(first.length === 0 ? 1 : 0);
        await loadAll(first, () => onProgress(++there / first.length));
        // What comes later is missed by nobody: a neighbour is played meanwhile.
        void loadAll(later, () => undefined).catch(() => undefined);
    }

    return {
        need,
        needFoot: async () => {
            for (const move of ['down', 'up'] as const) if (!foot.has(move)) foot.set(move, await fetched(FOOT[move]));
        },
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

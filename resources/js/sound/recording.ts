import toWav from 'audiobuffer-to-wav';
import type { RenditionDocument } from '@generated/rendition';
import { createPiano } from './piano';
import { stepsWithin, tonesWithin, type Playing } from './player';
import type { Samples } from './samples';

const SAMPLE_RATE = 44_100;

/** Seconds of sound that are prepared at a time. */
const PART = 5;

/** Seconds that are left for the last tones to fade. */
const TAIL = 2;

/** Minutes a file may have: beyond, a browser runs short of memory. */
const LONGEST = 20;

/** The loudest that is written, of full scale; louder sound is turned down as a whole, softer is left as it is. */
const LOUDEST = 0.98;

/**
 * What would be heard, as a WAV file: one channel, 16 bits.
 *
 * @param onProgress share that is done
 * @throws Error in words, where it would be too long
 */
export async function record(
    samples: Samples,
    rendition: RenditionDocument,
    how: Pick<Playing, 'from' | 'to' | 'rate' | 'isHeard' | 'foot'>,
    onProgress: (share: number) => void,
): Promise<Blob> {
    const seconds = (ms: number): number => (ms - how.from) / how.rate / 1000;
    const length = seconds(how.to) + TAIL;
    if (length > 60 * LONGEST) throw new Error(`A sound file has room for ${LONGEST} minutes: select some bars.`);
    const context = new OfflineAudioContext(1, Math.ceil(length * SAMPLE_RATE), SAMPLE_RATE);
    const piano = createPiano(context, samples);
    const tones = tonesWithin(rendition, how);
    if (how.foot) for (const { ms, move } of stepsWithin(rendition, how)) piano.step(move, seconds(ms));
    let next = 0;
    const prepare = (until: number): void => {
        for (let tone = tones[next]; tone && seconds(tone.ms) < until; tone = tones[++next]) piano.play(tone, (ms) => Math.max(0, seconds(ms)));
    };
    // A long piece is thousands of tones: they are made shortly before they are due.
    for (let at = PART; at < length; at += PART) {
        void context.suspend(at).then(() => {
            onProgress(at / length);
            prepare(at + PART + 1);
            return context.resume();
        });
    }
    prepare(PART + 1);
    const sound = await context.startRendering();
    const data = sound.getChannelData(0);
    const peak = data.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    if (peak > LOUDEST) data.forEach((value, index) => (data[index] = (value * LOUDEST) / peak));

    return new Blob([toWav(sound)], { type: 'audio/wav' });
}

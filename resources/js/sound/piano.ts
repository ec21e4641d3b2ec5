import type { Tone } from './damping';
import { SAMPLED_VELOCITY, type FootMove, type Samples } from './samples';

/** Room for many notes at once. */
const MASTER = 0.8;

/** Una corda: softer by 3 dB, and darker [start]. */
const SOFT_LEVEL = 10 ** (-3 / 20);
const SOFT_TINT = 0.7;

/** Hz to which a tone of least and of greatest velocity is bright: a soft hammer wakes fewer partials [start]. */
const DARK = 900;
const BRIGHT = 12_000;

/** Of the loudness at which the foot was recorded. */
const FOOT = 0.5;

/** Seconds in which a string that is struck again gives way. */
const GIVES_WAY = 0.012;

/** Time constants after which nothing is heard. */
const SILENT_AFTER = 7;

/** Amplitude goes with the square of velocity: Dannenberg, "The interpretation of MIDI velocity", ICMC 2006 [pub]. */
export const amplitude = (velocity: number): number => (velocity / SAMPLED_VELOCITY) ** 2;

export interface Piano {
    /** Plays a tone; its times are turned into seconds of the context by `at`. */
    play(tone: Tone, at: (ms: number) => number): void;
    /** Lets the pedal itself be heard, at a second of the context. */
    step(move: FootMove, at: number): void;
    /** Lets the dampers fall on a key that sounds, with a time constant in seconds. */
    damp(midi: number, seconds: number): void;
    /** Stops everything that sounds or will. */
    silence(): void;
    output: AudioNode;
}

/** A sampled grand in an audio context, live or offline. */
export function createPiano(context: BaseAudioContext, samples: Samples): Piano {
    const output = context.createGain();
    output.gain.value = MASTER;
    output.connect(context.destination);
    const steps = new Set<AudioBufferSourceNode>();
    const sounding = new Map<number, { source: AudioBufferSourceNode; level: GainNode }[]>();

    function play(tone: Tone, at: (ms: number) => number): void {
        const sample = samples.nearest(tone.midi);
        if (!sample) return;
        const start = Math.max(context.currentTime, at(tone.ms));
        for (const before of sounding.get(tone.midi) ?? []) before.level.gain.setTargetAtTime(0, start, GIVES_WAY);
        const source = context.createBufferSource();
        source.buffer = sample.buffer;
        source.playbackRate.value = 2 ** (sample.semitones / 12);
        const tint = context.createBiquadFilter();
        tint.type = 'lowpass';
        tint.frequency.value = DARK * (BRIGHT / DARK) ** (tone.velocity / 127) * (tone.soft ? SOFT_TINT : 1);
        const level = context.createGain();
        let value = amplitude(tone.velocity) * (tone.soft ? SOFT_LEVEL : 1);
        level.gain.setValueAtTime(value, start);
        let end = start + sample.buffer.duration / source.playbackRate.value;
        tone.damping.forEach(({ ms, seconds }, index) => {
            const from = Math.max(start, at(ms));
            const to = tone.damping[index + 1] ? at(tone.damping[index + 1]!.ms) : null;
            level.gain.setValueAtTime(value, from);
            if (seconds === null) return;
            level.gain.setTargetAtTime(0, from, seconds);
            if (to === null) end = Math.min(end, from + SILENT_AFTER * seconds);
            else value *= Math.exp(-(to - from) / seconds);
        });
        source.connect(tint).connect(level).connect(output);
        source.start(start);
        source.stop(end);
        const one = { source, level };
        sounding.set(tone.midi, [...(sounding.get(tone.midi) ?? []), one]);
        source.onended = (): void => {
            level.disconnect();
            sounding.set(
                tone.midi,
                (sounding.get(tone.midi) ?? []).filter((other) => other !== one),
            );
        };
    }

    function step(move: FootMove, at: number): void {
        const buffer = samples.foot(move);
        if (!buffer) return;
        const source = context.createBufferSource();
        source.buffer = buffer;
        const level = context.createGain();
        level.gain.value = FOOT;
        source.connect(level).connect(output);
        source.start(Math.max(context.currentTime, at));
        steps.add(source);
        source.onended = (): void => void steps.delete(source);
    }

    function silence(): void {
        steps.forEach((source) => source.stop());
        for (const { source, level } of [...sounding.values()].flat()) {
            level.gain.cancelScheduledValues(0);
            level.gain.setTargetAtTime(0, context.currentTime, GIVES_WAY);
            source.stop(context.currentTime + SILENT_AFTER * GIVES_WAY);
        }
    }

    function damp(midi: number, seconds: number): void {
        for (const { source, level } of sounding.get(midi) ?? []) {
            level.gain.setTargetAtTime(0, context.currentTime, seconds);
            source.stop(context.currentTime + SILENT_AFTER * seconds);
        }
    }

    return { play, step, damp, silence, output };
}

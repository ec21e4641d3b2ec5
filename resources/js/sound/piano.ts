import type { Tone } from './damping';
import { levelSteps } from './loudness';
import { SAMPLED_VELOCITY, type FootMove, type Samples } from './samples';

/** Room for many notes at once; what the guard adds by itself is taken off. */
const MASTER = 0.66;

/** The last guard before the ears: what rises over this many dB of full scale is held down. */
const GUARD = { threshold: -3, knee: 3, ratio: 20, attack: 0.002, release: 0.15 } as const;

/** Seconds by which a tone may be late; a later one is left out. */
const TOO_LATE = 0.1;

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
    const guard = context.createDynamicsCompressor();
    for (const name of ['threshold', 'knee', 'ratio', 'attack', 'release'] as const) guard[name].value = GUARD[name];
    output.connect(guard).connect(context.destination);
    const steps = new Set<AudioBufferSourceNode>();
    const sounding = new Map<number, { source: AudioBufferSourceNode; level: GainNode }[]>();

    function play(tone: Tone, at: (ms: number) => number): void {
        const sample = samples.nearest(tone.midi);
        if (!sample) return;
        const due = at(tone.ms);
        const start = Math.max(context.currentTime, due);
        if (!(start - due <= TOO_LATE)) return;
        const full = amplitude(tone.velocity) * (tone.soft ? SOFT_LEVEL : 1);
        const steps = levelSteps(tone.damping, at, start, full);
        for (const { level } of sounding.get(tone.midi) ?? []) {
            level.gain.cancelScheduledValues(start);
            level.gain.setTargetAtTime(0, start, GIVES_WAY);
        }
        const source = context.createBufferSource();
        source.buffer = sample.buffer;
        source.playbackRate.value = 2 ** (sample.semitones / 12);
        const tint = context.createBiquadFilter();
        tint.type = 'lowpass';
        tint.frequency.value = DARK * (BRIGHT / DARK) ** (tone.velocity / 127) * (tone.soft ? SOFT_TINT : 1);
        const level = context.createGain();
        for (const { at: from, value, seconds } of steps) {
            level.gain.setValueAtTime(value, from);
            if (seconds !== null) level.gain.setTargetAtTime(0, from, seconds);
        }
        const last = steps.at(-1)!;
        const rings = start + sample.buffer.duration / source.playbackRate.value;
        const end = last.seconds === null ? rings : Math.min(rings, last.at + SILENT_AFTER * last.seconds);
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

import type { Click } from './tapping';

const LEAD = 0.12;

/** A metronome that has been started. */
export interface Metronome {
    /** ms since the first click was heard, at a time of `performance.now()`. */
    since(now: number): number;
    stop(): void;
}

/** Plays clicks through Web Audio, which keeps time by itself. */
export function startMetronome(clicks: readonly Click[]): Metronome {
    const context = new AudioContext();
    const start = context.currentTime + LEAD;
    const begun = performance.now() + 1000 * (LEAD + (context.outputLatency || context.baseLatency || 0));
    for (const { ms, accent, countIn } of clicks) {
        const at = start + ms / 1000;
        const tone = context.createOscillator();
        const level = context.createGain();
        tone.frequency.value = accent ? 1568 : 1046.5;
        level.gain.setValueAtTime(countIn || accent ? 0.35 : 0.2, at);
        level.gain.exponentialRampToValueAtTime(0.001, at + 0.05);
        tone.connect(level).connect(context.destination);
        tone.start(at);
        tone.stop(at + 0.06);
    }
    return { since: (now) => now - begun, stop: () => void context.close() };
}

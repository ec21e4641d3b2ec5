import { DAMPER, tonesOf, type Tone } from './damping';
import type { Piano } from './piano';
import type { FootMove, LoadedSamples } from './samples';
import type { PlayedBar, RenditionDocument } from '@generated/rendition';

/** Seconds ahead of which tones are handed to the audio clock, and ms after which the player looks again. */
const AHEAD = 0.35;
const EVERY = 60;

/** The same while the page is hidden: a browser lets it look once a second then. */
const AHEAD_HIDDEN = 2.5;

/** Seconds before the first tone, so that none comes late. */
const LEAD = 0.06;

/** No clicks, clicks that breathe with the plan, or that go evenly on against it. */
export type Click = 'none' | 'with' | 'against';

/** What is played of a rendition, and how. */
export interface Playing {
    from: number;
    /** ms where it ends, or begins again. */
    to: number;
    loop: boolean;
    /** 1 for the tempo of the plan. */
    rate: number;
    /** A bar of clicks before. */
    countIn: boolean;
    isHeard: (event: RenditionDocument['events'][number]) => boolean;
    /** Whether the pedal itself is heard. */
    foot?: boolean;
    /** Clicks on the beats: as they are played, or evenly against them. */
    click?: Click;
}

export interface Player {
    stop(): void;
    /** ms of the rendition that are heard now; below `from` while it is counted in. */
    now(): number;
}

/** The tones that begin between two places and are heard, in order. */
export function tonesWithin(rendition: RenditionDocument, { from, to, isHeard }: Pick<Playing, 'from' | 'to' | 'isHeard'>): Tone[] {
    return tonesOf(rendition.events, rendition.pedal).filter(({ ms }, index) => ms >= from - 1 && ms < to - 1 && isHeard(rendition.events[index]!));
}

/** Seconds of a passage whose samples must be there before it begins; the others come meanwhile. */
const SOON = 6;

/** Loads what a passage needs to be heard. */
export async function samplesFor(
    samples: LoadedSamples,
    rendition: RenditionDocument,
    how: Pick<Playing, 'from' | 'to' | 'rate' | 'isHeard' | 'foot'>,
    soon = SOON,
): Promise<void> {
    const tones = tonesWithin(rendition, how);
    const first = tones.filter(({ ms }) => ms < how.from + 1000 * soon * how.rate).length;
    // Nobody waits for the sound of the foot.
    if (how.foot) samples.needFoot().catch(() => undefined);
    await samples.need(
        tones.map(({ midi }) => midi),
        first,
    );
}

/** How far down a pedal is heard to arrive, of 127. */
const DOWN = 40;

/** When the pedal is heard to go down and to come up, between two places. */
export function stepsWithin({ pedal }: Pick<RenditionDocument, 'pedal'>, { from, to }: Pick<Playing, 'from' | 'to'>): { ms: number; move: FootMove }[] {
    let isDown = false;
    return pedal.flatMap(({ ms, value, controller }) => {
        if (controller !== DAMPER) return [];
        const goesDown = value >= DOWN;
        if (goesDown === isDown) return [];
        isDown = goesDown;
        return ms >= from && ms < to ? [{ ms, move: goesDown ? ('down' as const) : ('up' as const) }] : [];
    });
}

/** Clicks between two places. Even ones begin with the bar in which playing begins. */
export function clicksWithin(
    { bars, steady }: Pick<RenditionDocument, 'bars' | 'steady'>,
    { from, to, click = 'none' }: Pick<Playing, 'from' | 'to' | 'click'>,
): { ms: number; accent: boolean }[] {
    if (click === 'none') return [];
    const first = Math.max(
        0,
        bars.findLastIndex(({ ms }) => ms <= from + 1),
    );
    const later = click === 'with' ? 0 : (bars[first]?.ms ?? 0) - (steady[first]?.ms ?? 0);
    return (click === 'with' ? bars : steady)
        .slice(first)
        .flatMap(({ ms: begin, beats }) => beats.map((ms) => ({ ms: ms + later, accent: Math.abs(ms - begin) < 1 })))
        .filter(({ ms }) => ms >= from - 1 && ms < to - 1);
}

/** Clicks of a bar before a place: at the beats of the bar it stands in, as far as they come before it, after those of a whole bar. */
export function countInOf(bars: readonly PlayedBar[], from: number): { ms: number; accent: boolean }[] {
    const index = Math.max(
        0,
        bars.findLastIndex(({ ms }) => ms <= from + 1),
    );
    const bar = bars[index];
    const [first, second] = bar?.beats ?? [];
    const whole = bars.find(({ beats }) => beats.length > 1)?.beats ?? [];
    const beat = first !== undefined && second !== undefined ? second - first : (whole[1] ?? 600) - (whole[0] ?? 0);
    const count = Math.max(bar?.beats.length ?? 0, 2);
    return Array.from({ length: count }, (_, place) => ({ ms: from - (count - place) * beat, accent: place === 0 }));
}

/** Plays a rendition; each tone is handed to the audio clock shortly before it is due. */
export function startPlayer(
    context: AudioContext,
    piano: Piano,
    rendition: RenditionDocument,
    how: Playing,
    ended: () => void,
): Player & { late: () => number } {
    const tones = tonesWithin(rendition, how);
    const steps = how.foot ? stepsWithin(rendition, how) : [];
    const counted = how.countIn ? countInOf(rendition.bars, how.from) : [];
    const lead = counted.length > 0 ? (how.from - counted[0]!.ms) / how.rate / 1000 : 0;
    const clicks = clicksWithin(rendition, how);
    /** Context seconds at which `how.from` is heard, in the present round. */
    let begin = context.currentTime + LEAD + lead;
    const length = (how.to - how.from) / how.rate / 1000;
    let next = 0;
    let nextStep = 0;
    let nextClick = 0;
    let late = 0;
    for (const { ms, accent } of counted) soundClick(context, piano.output, begin + (ms - how.from) / how.rate / 1000, accent);

    const ahead = (): number => (document.hidden ? AHEAD_HIDDEN : AHEAD);

    function look(): void {
        prepare();
        while (how.loop && next >= tones.length && length > 0 && context.currentTime >= begin + length - ahead()) {
            begin += length;
            next = nextStep = nextClick = 0;
            prepare();
        }
        if (!how.loop && context.currentTime > begin + length) {
            stop();
            ended();
        }
    }

    /** Hands over what is due soon. */
    function prepare(): void {
        const until = context.currentTime + ahead();
        const at = (ms: number): number => begin + (Math.min(ms, how.loop ? how.to : Infinity) - how.from) / how.rate / 1000;
        while (next < tones.length && at(tones[next]!.ms) < until) {
            const tone = tones[next++]!;
            late += at(tone.ms) < context.currentTime ? 1 : 0;
            piano.play(tone, at);
        }
        while (nextStep < steps.length && at(steps[nextStep]!.ms) < until) {
            const { ms, move } = steps[nextStep++]!;
            piano.step(move, at(ms));
        }
        while (nextClick < clicks.length && at(clicks[nextClick]!.ms) < until) {
            const { ms, accent } = clicks[nextClick++]!;
            soundClick(context, piano.output, at(ms), accent);
        }
    }

    const timer = setInterval(look, EVERY);
    // The last look before timers are slowed down.
    document.addEventListener('visibilitychange', look);
    look();

    function stop(): void {
        clearInterval(timer);
        document.removeEventListener('visibilitychange', look);
        piano.silence();
    }

    return {
        stop,
        late: () => late,
        now: () => {
            const ms = how.from + (context.currentTime - begin) * how.rate * 1000;
            // The next round is prepared before this one has ended.
            return how.loop && ms < how.from && context.currentTime > begin - ahead() ? how.to - (how.from - ms) : ms;
        },
    };
}

/** A click of a metronome at a second of the context. */
export function soundClick(context: AudioContext, output: AudioNode, at: number, accent: boolean): void {
    const tone = context.createOscillator();
    const level = context.createGain();
    tone.frequency.value = accent ? 1568 : 1046.5;
    level.gain.setValueAtTime(accent ? 0.3 : 0.18, at);
    level.gain.exponentialRampToValueAtTime(0.001, at + 0.05);
    tone.connect(level).connect(output);
    tone.start(at);
    tone.stop(at + 0.06);
}

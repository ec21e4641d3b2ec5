import { xAt, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { TimeAnswer, TimedBeat } from '@generated/time';

/** What stands still: it has its own sign and is no tempo. */
const STANDS: ReadonlySet<string> = new Set(['hold', 'silence']);

/** ms of a beat as it moves, without what is held or silent in it. */
export const moving = ({ ms, entries }: Pick<TimedBeat, 'ms' | 'entries'>): number =>
    ms - entries.reduce((sum, entry) => sum + (STANDS.has(entry.kind) ? entry.ms : 0), 0);

/** Beats a minute, in the unit that is counted. */
export const perMinute = ({ length }: Pick<TimedBeat, 'length'>, unit: number, ms: number): number => (ms > 0 ? (60000 * length) / unit / ms : 0);

/** From beats a minute to px and back; the same ratio is the same height. */
export interface Scale {
    least: number;
    most: number;
    y: (tempo: number) => number;
    /** Times the tempo that so many px upwards are. */
    ratio: (px: number) => number;
}

/** Room above and below the quickest and the slowest, and the least that a scale spans. */
const ROOM = 1.1;
const LEAST_SPAN = 1.9;
/** px above for the words of slowings, and below for what stands still and for ledgers. */
const ABOVE = 22;
const BELOW = 44;

export function scaleOf(tempos: readonly number[], height: number): Scale {
    const known = tempos.filter((tempo) => tempo > 0);
    let least = Math.min(...known, 300) / ROOM;
    let most = Math.max(...known, 20) * ROOM;
    if (most / least < LEAST_SPAN) {
        const wider = Math.sqrt(LEAST_SPAN / (most / least));
        [least, most] = [least / wider, most * wider];
    }
    const px = (height - ABOVE - BELOW) / Math.log(most / least);
    return {
        least,
        most,
        y: (tempo) => ABOVE + px * Math.log(most / Math.max(least * 0.9, Math.min(most * 1.1, tempo))),
        ratio: (up) => Math.exp(up / px),
    };
}

/** A beat on a line, px. */
export interface BeatSpot {
    beat: TimedBeat;
    x: number;
    right: number;
    y: number;
    strictY: number;
    tempo: number;
}

export function layBeats(laid: Laid, beats: readonly TimedBeat[], unitOf: (measure: number) => number, scale: Scale): BeatSpot[] {
    return beats.flatMap((beat) => {
        const at = fractionValue(beat.at);
        if (at < laid.from - 1e-6 || at >= laid.to - 1e-6) return [];
        const unit = unitOf(beat.measure);
        const tempo = perMinute(beat, unit, moving(beat));
        const to = at + beat.length;
        return [
            {
                beat,
                x: xAt(laid, at),
                right: to >= laid.to - 1e-6 ? laid.right : xAt(laid, to),
                y: scale.y(tempo),
                strictY: scale.y(perMinute(beat, unit, beat.strict)),
                tempo,
            },
        ];
    });
}

/** Steps through beats, each as long as it stands there. */
export const stepsThrough = (spots: readonly BeatSpot[], y: (spot: BeatSpot) => number): string =>
    spots.map((spot, index) => `${index === 0 ? 'M' : 'L'}${spot.x} ${y(spot)} H${spot.right}`).join(' ');

/** Where in the piece a bar comes, each time it is played, ms. */
export const timesOf = ({ clock }: Pick<TimeAnswer, 'clock'>, measure: number): number[] => clock.filter((bar) => bar.measure === measure).map(({ ms }) => ms);

/** "+120", "−60", "0". */
export const signedMs = (ms: number): string => (Math.abs(ms) < 0.5 ? '0' : `${ms > 0 ? '+' : '−'}${Math.round(Math.abs(ms))}`);

import { xAt, type Laid } from '../../engraving/layout';
import type { FootStep, LaneNote, LaneTime } from '@generated/take';

/** Heights of the four lanes under a line, px from above. */
export const FOOT = { top: 6, bottom: 34 };
export const LEVELS = { top: 44, bottom: 92 };
export const KEYS = { top: 102, bottom: 120 };
export const TIME = { top: 130, bottom: 160 };
export const HEIGHT = 166;

const round = (value: number): number => Math.round(value * 10) / 10;

/** The way of a foot as a path: steps, drawn down as the pedal goes down. */
export function footPath(steps: readonly FootStep[], laid: Laid): string {
    const y = (depth: number): number => FOOT.top + depth * (FOOT.bottom - FOOT.top);
    let depth = steps.findLast(({ at }) => at <= laid.from)?.depth ?? 0;
    let path = `M${round(laid.left)} ${round(y(depth))}`;
    for (const step of steps) {
        if (step.at <= laid.from || step.at >= laid.to) continue;
        const x = round(xAt(laid, step.at));
        path += ` L${x} ${round(y(depth))} L${x} ${round(y(step.depth))}`;
        depth = step.depth;
    }
    return `${path} L${round(laid.right)} ${round(y(depth))}`;
}

/** dB that the lane of levels spans. */
export function levelScale(notes: readonly Pick<LaneNote, 'level' | 'planned'>[]): (level: number) => number {
    const all = notes.flatMap(({ level, planned }) => [level, planned]);
    const [least, most] = [Math.min(...all, -30), Math.max(...all, -6)];
    return (level) => LEVELS.bottom - ((level - least) / (most - least)) * (LEVELS.bottom - LEVELS.top);
}

export interface LevelDot {
    note: string;
    x: number;
    played: number;
    planned: number;
    off: number;
}

/** Notes of a layer as they were played and planned, on one line of music. */
export function levelDots(notes: readonly LaneNote[], laid: Laid, y: (level: number) => number, layer: LaneNote['layer']): LevelDot[] {
    return notes
        .filter((note) => note.layer === layer && note.at >= laid.from - 1e-6 && note.at < laid.to - 1e-6)
        .map(({ note, at, level, planned }) => ({ note, x: round(xAt(laid, at)), played: round(y(level)), planned: round(y(planned)), off: level - planned }));
}

/** From where to where a key was held, and how long it was to be; of the tune above, of the bass below. */
export interface KeyBar {
    note: string;
    y: number;
    left: number;
    right: number;
    planned: number;
}

export function keyBars(notes: readonly LaneNote[], laid: Laid): KeyBar[] {
    return notes
        .filter(({ layer, at }) => (layer === 'melody' || layer === 'bass') && at >= laid.from - 1e-6 && at < laid.to - 1e-6)
        .map(({ note, layer, at, until, planned_until }) => ({
            note,
            y: layer === 'melody' ? KEYS.top + 4 : KEYS.bottom - 4,
            left: round(xAt(laid, at)),
            right: round(xAt(laid, until)),
            planned: round(xAt(laid, planned_until)),
        }));
}

/** Rates that the lane of time spans: twice as slow to twice as quick. */
const SPAN = Math.log(2);

/** Where a rate stands in its lane, as a share of the tempo of the take. */
export function rateHeight(rate: number): number {
    const share = Math.max(-1, Math.min(1, Math.log(Math.max(0.01, rate)) / SPAN));
    return (TIME.top + TIME.bottom) / 2 - (share * (TIME.bottom - TIME.top)) / 2;
}

/** How fast it was played from stroke to stroke beside its own tempo, as a path. */
export function timePath(time: readonly LaneTime[], laid: Laid, tempo: number): string {
    const here = time.filter(({ at }) => at >= laid.from - 1e-6 && at < laid.to - 1e-6);
    return here.map(({ at, rate }, index) => `${index === 0 ? 'M' : 'L'}${round(xAt(laid, at))} ${round(rateHeight(rate / tempo))}`).join(' ');
}

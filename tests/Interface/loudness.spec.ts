import { expect, test } from '@playwright/test';
import { levelSteps } from '../../resources/js/sound/loudness';
import { wantedFiles } from '../../resources/js/sound/wantedFiles';
import type { Damping } from '../../resources/js/sound/damping';

const seconds = (ms: number): number => ms / 1000;

/** A key that is left, caught by the foot, let go, half damped and let go for good. */
const DAMPING: Damping[] = [
    { ms: 300, seconds: 0.1 },
    { ms: 400, seconds: null },
    { ms: 900, seconds: 0.02 },
    { ms: 930, seconds: 0.5 },
    { ms: 1500, seconds: 0.05 },
];

/** The level at a second, by what is scheduled. */
function levelAt(steps: readonly { at: number; value: number; seconds: number | null }[], at: number): number {
    const step = steps.findLast((one) => one.at <= at + 1e-12)!;
    return step.seconds === null ? step.value : step.value * Math.exp(-(at - step.at) / step.seconds);
}

test('a tone that is handed over late has the level that it would have had, and never more than its own', () => {
    const inTime = levelSteps(DAMPING, seconds, 0, 1);
    for (const late of [0.05, 0.35, 0.6, 0.95, 1.2, 1.5, 3]) {
        const steps = levelSteps(DAMPING, seconds, late, 1);
        expect(steps.map(({ at }) => at)).toEqual(steps.map(({ at }) => at).sort((a, b) => a - b));
        for (const { at, value } of steps) {
            expect(at).toBeGreaterThanOrEqual(late);
            expect(value).toBeGreaterThanOrEqual(0);
            expect(value).toBeLessThanOrEqual(1);
        }
        for (const at of [1, 1.4, 1.6, 2, 3.5].filter((one) => one > late)) expect(levelAt(steps, at)).toBeCloseTo(levelAt(inTime, at), 9);
    }
});

test('moments that a loop presses onto its end, or that come in disorder, raise nothing', () => {
    const pressed = levelSteps(DAMPING, (ms) => seconds(Math.min(ms, 950)), 0, 1);
    for (const [index, { value, at }] of pressed.entries()) {
        expect(value).toBeLessThanOrEqual(pressed[index - 1]?.value ?? 1);
        expect(at).toBeGreaterThanOrEqual(pressed[index - 1]?.at ?? 0);
    }
    const backwards = levelSteps([...DAMPING].reverse(), seconds, 0.2, 0.7);
    expect(backwards.every(({ value }) => Number.isFinite(value) && value <= 0.7)).toBe(true);
});

const FILES = [24, 27, 30, 33, 36].map((midi) => ({ midi, url: `${midi}.mp3`, bytes: 300 - midi }));

test('a passage needs the nearest file of each of its keys, in the order in which they come', () => {
    expect(wantedFiles([34, 24, 33, 35], FILES, new Set(), Infinity).map(({ midi }) => midi)).toEqual([33, 24, 36]);
    expect(wantedFiles([], FILES, new Set(), Infinity)).toEqual([]);
});

test('where a passage would be too much to load, what is missed least is left out, and what is there costs nothing', () => {
    const keys = [24, 24, 24, 24, 27, 30, 33, 33, 36, 36];
    const wanted = wantedFiles(keys, FILES, new Set(), 800);
    expect(wanted.reduce((sum, { bytes }) => sum + bytes, 0)).toBeLessThanOrEqual(800);
    expect(wanted.map(({ midi }) => midi)).toContain(24);
    // No stroke is moved further than it must be.
    for (const key of keys) expect(Math.min(...wanted.map(({ midi }) => Math.abs(midi - key)))).toBeLessThanOrEqual(3);
    expect(wantedFiles(keys, FILES, new Set([24, 27, 30]), 600).map(({ midi }) => midi)).toEqual([24, 27, 30, 33, 36]);
    expect(wantedFiles(keys, FILES, new Set(), 1)).toHaveLength(1);
});

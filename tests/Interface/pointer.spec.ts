import { expect, test } from '@playwright/test';
import { placeUnder } from '../../resources/js/desk/pointer';
import type { Laid } from '../../resources/js/engraving/layout';

/** A line of the score as it lies in the window; a system is 500 px wide, however it is scaled. */
const line = (top: number, width = 1000): HTMLElement =>
    ({ getBoundingClientRect: () => ({ left: 40, top, bottom: top + 200, width, height: 200 }) }) as unknown as HTMLElement;

const laid = (moment: number): Laid => ({
    system: { svg: '', width: 500, height: 100, notes: {}, measures: [] },
    spots: [{ moment, time: 0, x: 10 }],
    left: 0,
    right: 500,
    from: 0,
    to: 4,
});

const at = (x: number, y: number): PointerEvent => ({ clientX: x, clientY: y }) as PointerEvent;

test('the line under a pointer is found, and its place on it in px of the system', () => {
    const lines = [line(0), line(200)];
    const places = [laid(0), laid(7)];
    expect(placeUnder(at(540, 100), lines, places)).toMatchObject({ laid: { spots: [{ moment: 0 }] }, x: 250 });
    expect(placeUnder(at(40, 250), lines, places)).toMatchObject({ laid: { spots: [{ moment: 7 }] }, x: 0 });
});

test('below the last line counts as on it, above the first as on that; without lines there is no place', () => {
    const lines = [line(0), line(200)];
    const places = [laid(0), laid(7)];
    expect(placeUnder(at(40, 900), lines, places)?.laid.spots[0]?.moment).toBe(7);
    expect(placeUnder(at(40, -50), lines, places)?.laid.spots[0]?.moment).toBe(0);
    expect(placeUnder(at(40, 50), [], [])).toBeNull();
    // A line that is engraved and not yet laid out.
    expect(placeUnder(at(40, 50), lines, [])).toBeNull();
});

import fs from 'node:fs';
import tonejs from '@tonejs/midi';
import { expect, type Page } from '@playwright/test';
import { openDesk, saved, seriousViolations, signIn, suggest, test } from './support/studio';

type Mark = { id: string; craft: string; kind: string; from: Place; to: Place; depth: string | number; origin: string } & Record<string, unknown>;
interface Place {
    measure: string;
    offset: string;
}

/** The pedal's marks of the copy that is open, as its plan on the server has them. */
async function marks(page: Page, kind = 'span'): Promise<Mark[]> {
    const copy = /copies\/(\d+)/.exec(page.url())?.[1];
    const { plan } = (await (await page.request.get(`/copies/${copy}/plan`)).json()) as { plan: { marks: Mark[]; settings: { pedal?: object } } };
    return plan.marks.filter((mark) => mark.craft === 'pedal' && mark.kind === kind);
}

const at = async (page: Page, bar: number): Promise<Mark | undefined> =>
    (await marks(page)).find(({ from }) => from.measure === `tw1-${bar + 1}` && from.offset === '0');

/** Does something and waits until the plan with it is on the server. */
async function sent(page: Page, does: () => Promise<unknown>): Promise<void> {
    await Promise.all([page.waitForResponse((response) => response.request().method() === 'PUT'), does()]);
    await saved(page);
}

async function press(page: Page, key: string, times = 1): Promise<void> {
    for (let time = 0; time < times; time++) await page.keyboard.press(key);
}

test('every manner of use has its key: depth, manner, gradual, flutter, una corda, the middle pedal, a wash', async ({ page }) => {
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');

    // Bar 2: three quarters deep, with the strike, from beat 3 gradually up.
    await press(page, 'ArrowDown', 2);
    await press(page, 'd', 2);
    await press(page, 'm');
    await press(page, 'ArrowRight', 4);
    await press(page, 'g');
    // Bar 3: gradually down to beat 2, fluttering.
    await press(page, 'ArrowDown');
    await press(page, 'ArrowRight', 2);
    await press(page, 'Shift+G');
    await press(page, 'f');
    await saved(page);
    expect(await at(page, 2)).toMatchObject({ depth: 'three-quarter', manner: 'with', lifting: { offset: '2' }, origin: 'teacher' });
    expect(await at(page, 3)).toMatchObject({ lowered: { offset: '1' }, flutter: true });
    await expect(page.locator('.foot .says', { hasText: '¾' })).toBeVisible();
    await expect(page.locator('.foot .says', { hasText: 'flutter' })).toBeVisible();

    // Bars 5 and 6: una corda, the middle pedal, a wash.
    await press(page, 'ArrowDown', 2);
    await press(page, 'Shift+ArrowDown', 2);
    await press(page, 'u');
    await press(page, 'o');
    await press(page, 'w');
    await saved(page);
    for (const kind of ['soft', 'sostenuto', 'wash']) expect(await marks(page, kind)).toMatchObject([{ from: { measure: 'tw1-6' }, to: { measure: 'tw1-8' } }]);
    await expect(page.locator('.foot .row', { hasText: 'una corda' }).first()).toBeVisible();
    await expect(page.locator('.foot .wash').first()).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);

    // All three pedals, and how deep, are in the MIDI file; the words are on the sheet, and no line is lost.
    await page.getByRole('link', { name: 'Marked copy' }).click();
    const feet = page.getByRole('img', { name: 'Pedal and count of this line' });
    await expect(feet.locator('path').nth(12)).toBeAttached();
    await expect(feet.filter({ hasText: 'una corda' }).first()).toBeAttached();
    await expect(page.locator('.page svg g.pedal')).toHaveCount(0);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'MIDI', exact: true }).click();
    const midi = new tonejs.Midi(fs.readFileSync(await (await download).path()));
    const values = (number: number): number[] =>
        midi.tracks.flatMap(({ controlChanges }) => (controlChanges[number] ?? []).map(({ value }) => Math.round(value * 127)));
    expect(values(64)).toContain(95);
    expect(values(64).filter((value) => value > 0 && value < 95).length).toBeGreaterThan(4);
    expect([values(66), values(67)]).toEqual([
        [127, 0],
        [127, 0],
    ]);
    expect(problems).toEqual([]);
});

test('what sounds at the cursor is told by key and reason, and what else the foot could do is done with one press', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await press(page, 'ArrowDown', 2);
    const ring = page.getByRole('region', { name: 'What sounds at the cursor' });
    await expect(ring).toContainText('B2');
    await expect(ring).toContainText('held by the finger');
    await press(page, 'ArrowRight', 3);
    await expect(ring).toContainText('kept by the pedal');

    // A loud bar without a change: what rings from before is foreign to it, clashes, and is lit.
    await page.getByRole('link', { name: 'Back to the studio' }).click();
    await openDesk(page, 'Bram', 'Slow Weather');
    await press(page, 'ArrowDown', 9);
    await press(page, 'x');
    await expect(ring).toContainText('foreign to the harmony');
    await expect(page.locator('.engraving [data-layer="clash"]').first()).toBeVisible();
    const decisions = page.getByRole('region', { name: 'What else the foot could do' });
    await expect(decisions).toContainText('change here');
    await expect(decisions).toContainText(/better by/);
    await decisions.getByRole('button', { name: /change here/ }).click();
    await saved(page);
    expect((await marks(page)).find(({ from }) => from.measure === 'tw1-10' && from.offset === '0')).toMatchObject({ origin: 'teacher' });
    await expect(page.locator('.engraving [data-layer="clash"]')).toHaveCount(0);
});

test('bars have their own way, another pedalling is laid beside and taken over, and what was planned is kept', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await suggest(page);

    // Bars 1 to 4 in half bars, by a passage that is drawn over them.
    await press(page, 'Shift+ArrowDown', 4);
    await page.getByRole('button', { name: 'Foot …' }).click();
    await sent(page, () => page.getByLabel('How often the pedal changes').selectOption('half-bar'));
    expect(await marks(page, 'passage')).toMatchObject([{ rate: 'half-bar', from: { measure: 'tw1-1' }, to: { measure: 'tw1-5' } }]);
    await expect(page.locator('.foot .way').first()).toContainText('half bar');

    // Haze beside it differs; for the selected bars it is taken over, after what was planned has been kept.
    await page.getByLabel('Another pedalling beside this one').selectOption('haze');
    await expect(page.locator('.foot .beside .differs').first()).toBeAttached();
    await page.getByRole('button', { name: 'Foot …' }).click();
    await press(page, 'a');
    await saved(page);
    const before = (await marks(page)).length;
    await sent(page, () => page.getByRole('button', { name: 'As haze' }).click());
    expect((await marks(page)).length).toBeLessThan(before);
    const [kept] = await marks(page, 'kept');
    expect(kept).toMatchObject({ from: { measure: 'tw1-1' }, to: { measure: 'tw1-5' } });
    const list = page.getByRole('region', { name: 'Kept beside' });
    await list.getByLabel('Reason for this pedalling').fill('clearer');
    await list.getByLabel('Reason for this pedalling').press('Enter');
    await sent(page, () => list.getByRole('button', { name: 'Use this' }).click());
    expect((await marks(page)).length).toBe(before);
    expect(await marks(page, 'kept')).toMatchObject([{ words: 'planned before' }]);
});

test('what is kept as her own is not planned again', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await press(page, 'ArrowDown', 2);
    const own = page.locator('.foot .mark.teacher');
    await expect(own).toHaveCount(0);
    await press(page, 'k');
    await saved(page);
    const mark = await at(page, 2);
    expect(mark).toMatchObject({ origin: 'teacher' });
    await sent(page, () => page.getByLabel('Way of pedalling').selectOption('dampers-off'));
    expect(await at(page, 2)).toEqual(mark);
    await expect(own).not.toHaveCount(0);
});

test.describe('on a tablet', () => {
    test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

    test('depth and manner are chosen, and the other pedals set, with a finger', async ({ page }) => {
        await signIn(page);
        await openDesk(page, 'Oona', 'Lantern on the Water');
        await press(page, 'ArrowDown', 2);
        await page.getByLabel('Depth of this pedal').selectOption('40');
        await page.getByLabel('How the foot goes down').selectOption('before');
        await page.getByRole('button', { name: 'More tools' }).tap();
        await page.getByRole('menuitem', { name: /^Una corda/ }).tap();
        await saved(page);
        expect(await at(page, 2)).toMatchObject({ depth: 40, manner: 'before' });
        expect(await marks(page, 'soft')).toHaveLength(1);
    });
});

import fs from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { givePiece, openDesk, saved, seriousViolations, signIn, studentCard, test } from './support/studio';

/** Opens the desk of Oona's demo piece at a printed bar in the Read view. */
async function read(page: Page, bar: string): Promise<void> {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Read', exact: true }).click();
    await expect(page.locator('.arch').first()).toBeVisible();
    await goTo(page, bar);
}

async function goTo(page: Page, bar: string): Promise<void> {
    await page
        .getByRole('navigation', { name: 'The whole piece, bar by bar' })
        .getByRole('button', { name: new RegExp(`^Bar ${bar}:`) })
        .click();
    await expect(page.getByRole('complementary')).toContainText(`Bar ${bar}`);
}

/** How many note heads carry a layer's tint in the lines that are drawn. */
function heads(page: Page, layer: string) {
    return page.locator(`.engraving g.note[data-layer="${layer}"]`);
}

test('a piece is read: harmonies, phrases, layers, and bars that are alike', async ({ page }) => {
    await read(page, '4');
    const inspector = page.getByRole('complementary');
    await expect(inspector).toContainText('Section A · D major · 4/4 · melody and accompaniment');
    await expect(inspector).toContainText('A seventh V7');
    await expect(inspector).toContainText('A half cadence, beat 1.');
    await expect(inspector).toContainText('an up-beat like that of the beginning');

    // The traps: what bar 20 has otherwise, and its twin shaded in the score.
    await expect(inspector).toContainText('bars 17–20 ≈ bars 1–4, with 3 differences');
    await expect(inspector).toContainText('beat 4: A5, not A4 as in bar 4');
    await inspector.getByRole('button', { name: 'see bar 20' }).click();
    await expect(inspector).toContainText('Bar 20');
    await expect(page.locator('.twin')).toHaveCount(1);

    // The marks of bar 4 go onto its twin, with what differs said beside it.
    await inspector.getByRole('button', { name: 'Take 1 from bar 4' }).click();
    await saved(page);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await page.keyboard.press('z');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

    // The song is melody, the left hand's lowest notes are bass, the rest of the figure filling.
    await goTo(page, '1');
    expect(await heads(page, 'melody').count()).toBeGreaterThan(5);
    expect(await heads(page, 'bass').count()).toBeGreaterThan(3);
    expect(await heads(page, 'filling').count()).toBeGreaterThan(20);

    await page.getByRole('combobox', { name: 'Harmony as' }).selectOption({ label: 'numerals' });
    await expect(page.locator('.harmony .name')).toHaveCount(0);
    await expect(page.locator('.harmony .numeral').first()).toHaveText('I');

    // A bracket under the score leads to what its bars are like.
    await page.getByRole('button', { name: /bars 8–9 = bars 1–2 in the left hand/ }).click();
    await expect(inspector).toContainText('Bar 1');
    await page.getByRole('button', { name: 'Section A′' }).click();
    await expect(inspector).toContainText('Bar 17');
    expect(await seriousViolations(page)).toEqual([]);
});

test('the teacher reads it otherwise, and everything follows', async ({ page }) => {
    await read(page, '3');
    const inspector = page.getByRole('complementary');
    const harmonies = page.locator('.harmony .name');

    // A chord by another name.
    await inspector.getByRole('button', { name: 'rename' }).click();
    const editor = page.getByRole('form', { name: 'Name this chord' });
    await editor.getByRole('combobox', { name: 'Root' }).selectOption({ label: 'C' });
    await editor.getByRole('combobox', { name: 'Kind of chord' }).selectOption({ label: 'major seventh' });
    await editor.getByRole('button', { name: 'Name it' }).click();
    await expect(inspector).toContainText('C major seventh over G');
    await expect(inspector).toContainText('named by you');
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(1);

    // A phrase begins on its second beat, by keyboard, and does not again.
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    const arches = await page.locator('.arch').count();
    await page.keyboard.press('b');
    await expect(inspector).toContainText('set by you');
    await expect(page.locator('.arch')).toHaveCount(arches + 1);
    await page.keyboard.press('b');
    await expect(page.locator('.arch')).toHaveCount(arches);

    // The rest of the left hand's bar is an inner line, in the right hand.
    const inner = await heads(page, 'inner').count();
    await page.keyboard.press('ArrowLeft');
    await inspector.getByText('the same line to the end of the bar').click();
    await page.keyboard.press('3');
    await expect(heads(page, 'inner')).toHaveCount(inner + 7);
    await page.keyboard.press('r');
    await expect(inspector.getByRole('combobox', { name: /^Hand of/ })).toHaveValue('right');
    await saved(page);

    // It is all in the plan: after a reload it stands as it was; the pedal view has the new harmony too.
    await page.reload();
    await page.getByRole('button', { name: 'Read', exact: true }).click();
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(1);
    await expect(heads(page, 'inner')).toHaveCount(inner + 7);
    await page.getByRole('button', { name: 'Pedal', exact: true }).click();
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(1);

    // An edit of the pedal leaves it alone, and undo takes steps back one by one.
    await goTo(page, '5');
    await page.keyboard.press('h');
    await saved(page);
    await page.getByRole('button', { name: 'Read', exact: true }).click();
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(1);
    await goTo(page, '3');
    await inspector.getByRole('button', { name: 'read again' }).click();
    await expect(harmonies.filter({ hasText: 'Em/G' }).first()).toBeVisible();
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(0);
    await page.keyboard.press('z');
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(1);
    await page.keyboard.press('y');
    await expect(harmonies.filter({ hasText: 'Cmaj7/G' })).toHaveCount(0);
    await saved(page);
});

test('the portrait of a new piece leads to its bars', async ({ page }) => {
    await signIn(page);
    const card = studentCard(page, 'Lio');
    await card.getByRole('combobox').selectOption({ label: 'Slow Weather' });
    await card.getByRole('button', { name: 'Open desk' }).click();
    await expect(page.getByRole('heading', { name: 'Slow Weather' })).toBeVisible();
    await expect(page.getByText('A portrait, for Lio')).toBeVisible();
    await expect(page.getByText('Block chords in C minor, 4/4, 16 bars')).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);

    await page.getByRole('link', { name: /D♭ major over F: the flat second degree/ }).click();
    await expect(page.getByRole('complementary')).toContainText('Bar 3');
    await expect(page.getByRole('complementary')).toContainText('the flat second degree (Neapolitan)');
    await page.getByRole('link', { name: 'Portrait' }).click();
    await expect(page.getByRole('heading', { name: 'Hardest bars' })).toBeVisible();
});

test('a student is measured, and the portrait says up to which tempo', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'Change Bram' }).click();
    // Four notes to a click at 15 are one a second, less than Slow Weather asks for.
    await page.getByLabel('Quickest even run').fill('12');
    await page.getByLabel('Quickest even run').press('Tab');
    await expect(page.getByText('0.8 a second')).toBeVisible();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await studentCard(page, 'Bram').getByRole('listitem').filter({ hasText: 'Slow Weather' }).getByRole('link', { name: 'portrait' }).click();
    await expect(page.getByText(/goes no faster than ♩ = 48/)).toBeVisible();
});

test('the beats are tapped along with a metronome, by the space bar', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await page.getByRole('button', { name: 'Count', exact: true }).click();
    const panel = page.getByRole('region', { name: 'Tap along' });
    await expect(panel).toContainText('bars 1–2');
    await page
        .getByRole('navigation', { name: 'The whole piece, bar by bar' })
        .getByRole('button', { name: /^Bar 5:/ })
        .click();
    await expect(panel).toContainText('bars 5–6');
    await panel.getByRole('combobox', { name: 'How many bars' }).selectOption({ label: '1 bar' });
    await page.getByRole('spinbutton', { name: 'Quarters a minute' }).fill('120');
    await page.getByRole('spinbutton', { name: 'Quarters a minute' }).press('Tab');
    await page.locator('.scroll').focus();

    await page.keyboard.press('t');
    const pad = panel.getByRole('button', { name: 'Tap here' });
    await expect(pad).toContainText('counting in');
    // Tapping begins with the count-in, as one does; those taps count for nothing.
    while (await pad.isVisible()) {
        await page.keyboard.press(' ');
        await page.waitForTimeout(240);
    }
    // The score has not scrolled or the bar changed under the space bar; every target has its answer.
    await expect(panel.getByRole('img')).toBeVisible();
    await expect(panel.locator('figcaption')).toContainText(/On the whole (in time|\d+ ms (early|late)), even within \d+ ms/);
    await expect(panel.locator('svg g')).toHaveCount(4);
    await expect(panel.locator('svg g title').first()).toContainText(/bar 5, 1: \d+ ms/);
    expect(await seriousViolations(page)).toEqual([]);

    await page.keyboard.press('t');
    await expect(pad).toBeVisible();
    await pad.dispatchEvent('pointerdown');
    await panel.getByRole('button', { name: 'Stop' }).click();
    await expect(pad).toHaveCount(0);
    await page.keyboard.press('z');
    await saved(page);
});

test('a corrected file takes the plans along', async ({ page }) => {
    await signIn(page);
    await page.goto('/pieces/new');
    const original = fs.readFileSync('database/demo/skipping-stones.musicxml', 'utf8');
    await page.locator('input[type=file]').setInputFiles({ name: 'a.musicxml', mimeType: 'application/xml', buffer: Buffer.from(original) });
    await page.getByLabel('Title').fill('Pebbles');
    await page.getByRole('button', { name: 'Keep this piece' }).click();
    await givePiece(page, 'Lio', 'Pebbles');
    await goTo(page, '7');
    await page.keyboard.press('n');
    await saved(page);
    await page.goto('/');
    await page.getByRole('button', { name: 'What to do with Pebbles' }).click();
    await page.getByRole('link', { name: 'Corrected file' }).click();

    const file = page.locator('input[type=file]');
    await file.setInputFiles({ name: 'torn.musicxml', mimeType: 'application/xml', buffer: Buffer.from(original.slice(0, 9000)) });
    await expect(page.getByRole('alert')).toContainText('damaged or cut off');
    const shorter = original
        .replace(/<measure\b[^>]*number="3"[\s\S]*?<\/measure>/, '')
        .replaceAll(/ id="[^"]*"(?=[^>]*>)/g, (id) => (/id="P\d"/.test(id) ? id : ''));
    await file.setInputFiles({ name: 'b.musicxml', mimeType: 'application/xml', buffer: Buffer.from(shorter) });
    const found = page.getByRole('region', { name: 'What differs' });
    await expect(found).toContainText('Bars that are gone3');
    await expect(found).toContainText('Lio: 1 mark goes over.');
    expect(await seriousViolations(page)).toEqual([]);
    await found.getByRole('button', { name: 'Put this file in place' }).click();
    await openDesk(page, 'Lio', 'Pebbles');
    await expect(page.getByRole('navigation', { name: 'The whole piece, bar by bar' }).getByRole('button', { name: /^Bar/ })).toHaveCount(28);
    const copy = /copies\/(\d+)/.exec(page.url())?.[1];
    const { plan } = (await (await page.request.get(`/copies/${copy}/plan`)).json()) as { plan: { marks: { kind: string; from: { measure: string } }[] } };
    const dry = plan.marks.filter(({ kind }) => kind === 'dry');
    expect(dry).toHaveLength(1);
    // Bar 7 is now the sixth of the file.
    await expect(page.locator('.engraving g.measure').nth(5)).toHaveAttribute('id', dry[0]!.from.measure);
});

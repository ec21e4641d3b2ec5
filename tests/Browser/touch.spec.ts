import fs from 'node:fs';
import { expect } from '@playwright/test';
import { openDesk, saved, seriousViolations, signIn, test } from './support/studio';

test('the teacher says how notes are left, and sees what the pedal makes of it', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    const inspector = page.getByRole('complementary');
    await expect(page.locator('svg.touch').first()).toBeVisible();
    const held = page.locator('svg.touch .held');
    await expect.poll(() => held.count()).toBeGreaterThan(40);

    // All keys of the first chord staccato; the pedal hides it.
    const before = await inspector.getByRole('listitem').first().textContent();
    await page.keyboard.press('s');
    await expect(inspector.getByRole('listitem').first()).toContainText('staccato: 50 % of its length (yours)');
    expect(await inspector.getByRole('listitem').first().textContent()).not.toBe(before);
    await expect(page.locator('svg.touch .own .held')).toHaveCount(4);
    await expect(inspector.locator('.finding').first()).toContainText('The pedal hides the staccato');
    await expect(page.locator('svg.touch .flag').first()).toBeVisible();

    // One of them only is tenuto again; without the pedal nothing is hidden.
    await page.keyboard.press('k');
    await page.keyboard.press('n');
    await expect(inspector.getByRole('listitem').first()).toContainText('tenuto: 100 %');
    await saved(page);
    await page.getByRole('button', { name: 'Pedal', exact: true }).click();
    await page.keyboard.press('x');
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    await expect(inspector.locator('.finding', { hasText: 'The pedal hides' })).toHaveCount(0);

    // A style changes what is not marked; a reload keeps it all.
    await page.getByRole('combobox', { name: 'Style of touch' }).selectOption({ label: 'dance' });
    await page.keyboard.press('Escape');
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    await expect(page.getByRole('combobox', { name: 'Style of touch' })).toHaveValue('dance');
    await expect(page.locator('svg.touch .own .held')).toHaveCount(4);
    expect(await seriousViolations(page)).toEqual([]);
    await page.locator('.scroll').focus();
    await page.keyboard.press('0');
    await expect(page.locator('svg.touch .own .held')).toHaveCount(0);
    await saved(page);
});

test('slurs are drawn, moved by dragging and taken away; a gesture and a held key go onto the copy', async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    const inspector = page.getByRole('complementary');
    const drawn = page.locator('.slurs .own');
    await expect(page.locator('.slurs .end').first()).toBeVisible();
    await expect(drawn).toHaveCount(0);

    // Bar 1 from the long note to the next: by keys.
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('l');
    await expect(inspector.getByRole('button', { name: 'Slur from F♯5 to here' })).toBeVisible();
    for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('l');
    await expect(drawn).toHaveCount(1);

    // Its end dragged two bars on, by mouse; taken back by undo.
    const path = drawn.locator('> path');
    const before = await path.getAttribute('d');
    const end = await drawn.locator('.end').nth(1).boundingBox();
    await page.mouse.move(end!.x + end!.width / 2, end!.y + end!.height / 2);
    await page.mouse.down();
    await page.mouse.move(end!.x + 150, end!.y + 20, { steps: 5 });
    await page.mouse.up();
    await expect.poll(() => path.getAttribute('d')).not.toBe(before);
    await page.keyboard.press('z');
    await expect.poll(() => path.getAttribute('d')).toBe(before);

    // The printed slur over the up-beat goes, and comes back.
    const ends = page.locator('.slurs .end');
    const count = await ends.count();
    await page.keyboard.press('Home');
    await inspector.getByRole('button', { name: 'No slur' }).click();
    await expect(ends).toHaveCount(count - 2);
    await page.keyboard.press('z');
    await expect(ends).toHaveCount(count);

    // A gesture by touch of the palette, which can be changed; the bass held on.
    await inspector.getByRole('button', { name: 'Change these …' }).click();
    await page.getByRole('textbox', { name: /One to a line/ }).fill('lean like a reed\nwrist rises\n');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await inspector.getByRole('button', { name: 'lean like a reed 1' }).click();
    await expect(page.locator('svg.words text')).toHaveText('lean like a reed');
    await page.locator('.scroll').focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('h');
    await expect(inspector.getByRole('button', { name: /Hold less/ })).toBeVisible();
    await saved(page);
    expect(await seriousViolations(page)).toEqual([]);

    // What the hand does bears on what the foot catches.
    const measured = page.waitForResponse((response) => response.url().endsWith('/answers/pedal'));
    await page.getByRole('button', { name: 'Pedal', exact: true }).click();
    expect((await measured).ok()).toBe(true);

    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await expect(page.getByText('lean like a reed').first()).toBeVisible();
    await page.getByRole('link', { name: 'MusicXML', exact: true }).click();
    const xml = fs.readFileSync(await (await download).path()).toString();
    expect(xml).toContain('lean like a reed');
    expect(xml).toMatch(/keep D3 until beat/);
});

test("a school's own lengths take the place of the style's", async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    const inspector = page.getByRole('complementary');
    await expect(page.locator('svg.touch').first()).toBeVisible();
    await page.keyboard.press('p');
    await expect(inspector.getByRole('listitem').first()).toContainText('portato: 75 % of its length (yours)');
    await page.getByRole('button', { name: 'Lengths', exact: true }).click();
    const portato = page.getByRole('spinbutton', { name: 'portato' });
    await portato.fill('60');
    await portato.press('Enter');
    await expect(inspector.getByRole('listitem').first()).toContainText('portato: 60 % of its length (yours)');
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    await page.getByRole('button', { name: 'Lengths (yours)' }).click();
    await page.getByRole('button', { name: 'As the style has it' }).click();
    await expect(inspector.getByRole('listitem').first()).toContainText('portato: 75 % of its length (yours)');
    await page.locator('.scroll').focus();
    await page.keyboard.press('0');
    await saved(page);
});

import { expect, test } from '@playwright/test';
import { openDesk, saved, seriousViolations, signIn } from './support/studio';

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

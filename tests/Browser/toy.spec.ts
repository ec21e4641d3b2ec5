import { expect } from '@playwright/test';
import { openDesk, saved, signIn, test } from './support/studio';

const toy = `http://127.0.0.1:${Number(process.env['TARNWIND_TEST_PORT'] ?? 8321) + 1}`;

test.use({ baseURL: toy, studio: 'toy' });

test('a craft that is one folder on each side and one line in each list works like any other', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    const views = page.getByRole('group', { name: 'View' }).getByRole('button');
    await expect(views).toHaveText(['Read', 'Count', 'Hand', 'Touch', 'Shape', 'Voice', 'Pedal', 'Time', 'Practice', 'Hear', 'Breath']);
    await page.getByRole('button', { name: 'Breath', exact: true }).click();

    // Its finding, in the middle of the piece, where the form strip shows it, and its remedy.
    await page.getByRole('button', { name: /^Bar 12: 1 to look at/ }).click();
    await expect(page.getByText('No breath for', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'Breathe here' }).click();
    const commas = page.getByRole('img', { name: 'Breaths of this line' }).locator('text');
    await expect(commas).toHaveCount(1);
    await saved(page);

    // Its key, its letter on the button, and its line in the sheet of keys.
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('b');
    await expect(commas).toHaveCount(2);
    await expect(page.getByRole('button', { name: 'Breathe' })).toContainText('B');
    await page.keyboard.press('z');
    await expect(commas).toHaveCount(1);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('breathe here, or do not');

    // Its mark is in the plan like any other.
    await page.keyboard.press('Escape');
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: 'Breath', exact: true }).click();
    await expect(commas).toHaveCount(1);
});

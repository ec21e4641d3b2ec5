import { expect } from '@playwright/test';
import { seriousViolations, signIn, test } from './support/studio';

test.use({ viewport: { width: 390, height: 844 } });

test('on a phone the desk says what fits, and on a larger screen it opens', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Slow Weather', exact: true }).click();
    await expect(page.getByText('wants a tablet or a larger screen')).toBeVisible();
    await expect(page.getByRole('toolbar', { name: 'Views and tools' })).toBeHidden();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await seriousViolations(page)).toEqual([]);

    await page.setViewportSize({ width: 1024, height: 768 });
    await expect(page.getByRole('toolbar', { name: 'Views and tools' })).toBeVisible();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
    await expect(page.getByText('wants a tablet or a larger screen')).toBeHidden();
});

test('on a phone the marked copy is engraved for its width, and printed for paper', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'marked copy' }).first().click();
    const sheet = page.locator('.page svg').first();
    await expect(sheet).toBeVisible();
    const across = async (): Promise<number> => Number((await sheet.locator('svg.definition-scale').getAttribute('viewBox'))!.split(' ')[2]);
    const narrow = await across();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await seriousViolations(page)).toEqual([]);

    // What the printer is given is as wide as paper, whatever the screen.
    await page.evaluate(() => {
        window.print = () => {
            const drawn = document.querySelector('.page svg.definition-scale')!.getAttribute('viewBox')!.split(' ')[2]!;
            document.body.dataset['printed'] = drawn;
        };
    });
    await page.getByRole('button', { name: 'Print' }).click();
    await expect(page.locator('body')).toHaveAttribute('data-printed', String(Math.round((narrow * 2100) / ((390 - 48) * 3))));
    await expect.poll(across).toBe(narrow);
});

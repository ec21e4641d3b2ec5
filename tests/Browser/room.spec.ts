import { expect } from '@playwright/test';
import { openDesk, saved, signIn, test } from './support/studio';

for (const [width, height] of [
    [1280, 800],
    [1024, 768],
] as const) {
    test(`ten views and the tools of the one in front stand in one row at ${width} px`, async ({ page }) => {
        await page.setViewportSize({ width, height });
        await signIn(page);
        await openDesk(page, 'Oona', 'Lantern on the Water');
        // As many views as a whole lesson has, with names as long as theirs.
        await page.evaluate(() => {
            const views = document.querySelector('.views')!;
            for (const name of ['Hear', 'Learn']) {
                const button = views.lastElementChild!.cloneNode() as HTMLElement;
                button.textContent = name;
                button.setAttribute('aria-pressed', 'false');
                views.append(button);
            }
        });
        for (const view of ['Read', 'Count', 'Hand', 'Touch', 'Shape', 'Voice', 'Pedal', 'Time']) {
            await page.getByRole('button', { name: view, exact: true }).click();
            await expect(page.getByRole('complementary')).toBeVisible();
            const tools = (await page.getByRole('toolbar').boundingBox())!;
            expect(tools.height, view).toBeLessThan(52);
            for (const button of await page.getByRole('toolbar').getByRole('button').all()) {
                if ((await button.getAttribute('aria-hidden')) === 'true') continue;
                const box = (await button.boundingBox())!;
                expect(box.x + box.width, `${view}: ${await button.textContent()}`).toBeLessThanOrEqual(width);
            }
            const score = (await page.getByRole('main').boundingBox())!;
            expect(score.height, view).toBeGreaterThanOrEqual((2 / 3) * height);
        }
    });
}

test('bars are selected by keys and by dragging, and tools act on all of them', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Touch', exact: true }).click();
    const held = page.locator('svg.touch .own .held');
    await expect(page.locator('svg.touch .held')).not.toHaveCount(0);
    const before = await held.count();

    // The up-beat and the first bar.
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.locator('.selection.range')).toHaveCount(1);
    await page.keyboard.press('s');
    await expect(held).toHaveCount(before + 12);
    await saved(page);
    await page.keyboard.press('0');
    await expect(held).toHaveCount(before);
    await page.keyboard.press('Escape');
    await expect(page.locator('.selection.range')).toHaveCount(0);

    // Over two bars of the first line, and one more by the handle.
    const line = (await page.locator('.system').first().boundingBox())!;
    const y = line.y + 130;
    await page.mouse.move(line.x + line.width * 0.3, y);
    await page.mouse.down();
    await page.mouse.move(line.x + line.width * 0.45, y, { steps: 6 });
    await page.mouse.up();
    const range = page.locator('.selection.range');
    await expect(range).toHaveCount(1);
    const two = (await range.boundingBox())!.width;
    const handle = (await range.locator('.last').boundingBox())!;
    await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
    await page.mouse.down();
    await page.mouse.move(line.x + line.width * 0.7, y, { steps: 6 });
    await page.mouse.up();
    await expect.poll(async () => (await range.boundingBox())!.width).toBeGreaterThan(two);

    // Another craft acts on the same selection.
    await page.getByRole('button', { name: 'Pedal', exact: true }).click();
    await page.keyboard.press('n');
    await expect(page.locator('svg.foot rect.dry')).not.toHaveCount(0);
    await page.keyboard.press('z');
    await expect(page.locator('svg.foot rect.dry')).toHaveCount(0);
});

import { expect, type Page } from '@playwright/test';
import { openDesk, seriousViolations, signIn, test } from './support/studio';

interface Start {
    at: number;
    now: number;
    rate: number;
}

declare global {
    interface Window {
        starts: Start[];
    }
}

/** Takes down every tone that is handed to the audio clock. */
async function listen(page: Page): Promise<void> {
    await page.addInitScript(() => {
        window.starts = [];
        const start = Reflect.get<AudioBufferSourceNode, 'start'>(AudioBufferSourceNode.prototype, 'start');
        AudioBufferSourceNode.prototype.start = function (at = 0): void {
            window.starts.push({ at, now: this.context.currentTime, rate: this.playbackRate.value });
            start.call(this, at);
        };
    });
}

const starts = (page: Page): Promise<Start[]> => page.evaluate(() => window.starts);

test('a piece is heard from the cursor as it is planned, slower, and with a hand left out', async ({ page }) => {
    await listen(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    await expect(page.locator('.playhead')).toHaveCount(1);
    await expect.poll(async () => (await starts(page)).length, { timeout: 40_000 }).toBeGreaterThan(9);
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
    await expect(page.locator('.playhead')).toHaveCount(0);

    // Bar 2 has nine notes at 76 quarters a minute: two together, then one an eighth; none is handed over late.
    const heard = (await starts(page)).slice(0, 9);
    const gaps = heard.slice(1).map(({ at }, index) => Math.round(1000 * (at - heard[index]!.at)));
    expect(gaps.filter((gap) => gap === 0)).toHaveLength(2);
    expect(gaps.filter((gap) => Math.abs(gap - 395) <= 2)).toHaveLength(6);
    expect(heard.every(({ at, now }) => at > now)).toBe(true);

    // At half the tempo, the left hand alone.
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    expect(await seriousViolations(page)).toEqual([]);
    await page.getByLabel('How fast').selectOption({ label: '50 % of the tempo' });
    await page.getByLabel('right hand').uncheck();
    await page.keyboard.press('Escape');
    await page.locator('.scroll').focus();
    const before = (await starts(page)).length;
    await page.keyboard.press(' ');
    await expect.poll(async () => (await starts(page)).length - before, { timeout: 40_000 }).toBeGreaterThan(4);
    const slow = (await starts(page)).slice(before, before + 5);
    slow.slice(1).forEach(({ at }, index) => expect(Math.abs(at - slow[index]!.at - 0.789)).toBeLessThan(0.003));
});

import { expect } from '@playwright/test';
import { practiseDaily, seriousViolations, signIn, studentCard, test } from './support/studio';

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
    // A sheet of A4 between its margins is 703 px.
    await expect(page.locator('body')).toHaveAttribute('data-printed', /^\d+$/);
    const printed = Number(await page.locator('body').getAttribute('data-printed'));
    expect(Math.abs(printed / narrow - 703 / (390 - 48))).toBeLessThan(0.02);
    await expect.poll(across).toBe(narrow);
});

test('a link is made for home, opens the copy on a phone without an account, and is withdrawn', async ({ page, browser }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await signIn(page);
    await page.getByRole('link', { name: 'marked copy' }).first().click();
    await expect(page.locator('.page svg').first()).toBeVisible();
    await page.getByRole('button', { name: 'Link for home' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();
    await expect(page.getByText(/One is good until/)).toHaveCount(1);
    expect(await seriousViolations(page)).toEqual([]);

    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const home = await phone.newPage();
    await home.goto(new URL(new URL(link).pathname, page.url()).href);
    await expect(home.locator('.page svg').first()).toBeVisible();
    await expect(home.getByRole('heading', { name: 'Slow Weather' })).toBeVisible();
    await expect(home.getByText('Weight from the back').last()).toBeVisible();
    // Nothing leads away from what the link shows.
    const there = new URL(link).pathname;
    expect(
        (await home.getByRole('link').evaluateAll((links) => links.map((one) => one.getAttribute('href')))).filter((href) => !href?.startsWith('#')),
    ).toEqual([`${there}/foot`]);
    expect(await phone.cookies()).toEqual([]);
    expect(await home.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await seriousViolations(home)).toEqual([]);

    await page.getByRole('button', { name: 'Withdraw' }).click();
    await expect(page.getByText(/One is good until/)).toHaveCount(0);
    await home.reload();
    await expect(home.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
    expect(await home.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await expect(home.getByText('Weight from the back')).toHaveCount(0);
    await phone.close();
});

test('a student hears a step and tells what she has practised, without a network too', async ({ page, browser }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await signIn(page);
    // A week that has minutes on every day.
    await page.getByRole('link', { name: 'Practice of Oona' }).click();
    await practiseDaily(page, 31);
    await page.goto('/');
    await studentCard(page, 'Oona').getByRole('link', { name: 'marked copy' }).click();
    await page.getByRole('button', { name: 'Link for home' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();

    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const home = await phone.newPage();
    await home.goto(new URL(new URL(link).pathname, page.url()).href);
    const step = home.locator('#practice article').first();
    const name = (await step.locator('h4').textContent())!.trim();
    await step.getByRole('button', { name: 'Hear it' }).click();
    await expect(step.getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 30_000 });
    await step.getByRole('button', { name: 'Stop' }).click();
    await expect(step.getByRole('button', { name: 'Hear it' })).toBeVisible();
    await home.getByRole('button', { name: 'Not so' }).first().click();
    await expect(home.locator('#examples').getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 30_000 });
    await home.locator('#examples').getByRole('button', { name: 'Stop' }).click();

    await phone.setOffline(true);
    await step.getByRole('button', { name: 'I have practised it' }).click();
    await step.getByLabel('Minutes').fill('7');
    await step.getByLabel('all right').check();
    await step.getByLabel('A word about it').fill('The lamp does not flicker');
    await step.getByRole('button', { name: 'Yes, done' }).click();
    await expect(home.getByText('One entry waits here')).toBeVisible();
    expect(await seriousViolations(home)).toEqual([]);
    await phone.setOffline(false);
    await expect(home.getByText('One entry waits here')).toHaveCount(0);
    await expect(step.getByText('Done', { exact: true })).toBeVisible();
    expect(await phone.cookies()).toEqual([]);
    await phone.close();

    await page.goto('/');
    await page.getByRole('link', { name: 'Practice of Oona' }).click();
    const told = page.getByRole('row', { name: /The lamp does not flicker/ });
    await expect(told).toContainText(name.split(' ♩')[0]!.split(',')[0]!);
    await expect(told).toContainText('done, all right');
    await expect(told).toContainText('student');
});

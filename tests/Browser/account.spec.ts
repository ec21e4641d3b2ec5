import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import { expect } from '@playwright/test';
import { TOTP } from 'otpauth';
import { openDesk, requestsUnderWay, saved, seriousViolations, signIn, studentCard, test } from './support/studio';

const PASSWORD = 'mist-over-water';

test('a first day: from an empty studio to a copy that is opened on a phone', async ({ page, browser }) => {
    execFileSync('php', [
        '-r',
        '$d = new SQLite3($argv[1]); $d->busyTimeout(10000); $d->exec("pragma foreign_keys = on; delete from users");',
        'database/browser-test.sqlite',
    ]);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Welcome to Tarnwind' })).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    await page.getByLabel('Name').fill('Wren');
    await page.getByLabel('E-mail').fill('wren@tarnwind.invalid');
    await page.getByLabel('Password', { exact: true }).fill('short');
    await page.getByLabel('The same again').fill('short');
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByRole('alert')).toContainText('at least 10 characters');
    await page.getByLabel('Password', { exact: true }).fill('reeds lean over water');
    await page.getByLabel('The same again').fill('reeds lean over water');
    await page.getByRole('button', { name: 'Make the account' }).click();

    await page.getByRole('button', { name: 'Add a student' }).click();
    await page.getByRole('dialog').getByLabel('Name', { exact: false }).first().fill('Lark');
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /Add|Save/ })
        .click();
    await page.getByRole('link', { name: 'Add a piece' }).click();
    await page.locator('input[type=file]').setInputFiles('database/demo/slow-weather.musicxml');
    await page.getByRole('button', { name: 'Keep this piece' }).click();
    await studentCard(page, 'Lark').getByRole('combobox').selectOption({ label: 'Slow Weather' });
    await studentCard(page, 'Lark').getByRole('button', { name: 'Open desk' }).click();
    await page.getByRole('link', { name: 'Open the desk' }).click();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
    await page.keyboard.press('s');
    await saved(page);
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await expect(page.getByText('for Lark')).toBeVisible();

    // Handed out: a link, opened on a phone of somebody who has no account, with what is practised first.
    await page.goto('/');
    await page.getByRole('link', { name: 'Lark', exact: true }).click();
    await Promise.all([
        page.waitForResponse((response) => response.request().method() === 'PATCH'),
        page.getByLabel('Status of Slow Weather').selectOption('learning'),
    ]);
    await page.goto('/');
    await page.getByRole('link', { name: 'marked copy' }).click();
    await page.getByRole('button', { name: 'Link for home' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const home = await phone.newPage();
    await home.goto(new URL(new URL(link).pathname, page.url()).href);
    await expect(home.getByText('for Lark')).toBeVisible();
    await expect(home.locator('.page svg').first()).toBeVisible();
    await expect(home.getByRole('heading', { name: /^Listen, the whole piece/ })).toBeVisible();
    expect(await seriousViolations(home)).toEqual([]);
    await phone.close();
});

test('a session that ends during work is taken up again at the desk, and nothing is lost', async ({ page, context }) => {
    const underWay = requestsUnderWay(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.keyboard.press('ArrowDown');
    // An answer that is still on its way would bring its session back.
    await expect.poll(() => underWay.size).toBe(0);
    await context.clearCookies();
    await page.keyboard.press('n');
    const again = page.getByRole('dialog', { name: 'You have been signed out' });
    await expect(again).toBeVisible();
    await again.getByLabel('E-mail').fill('ines@tarnwind.invalid');
    await again.getByLabel('Password').fill('guess');
    await again.getByRole('button', { name: 'Sign in' }).click();
    await expect(again.getByRole('alert')).toContainText('do not belong together');
    await again.getByLabel('Password').fill(PASSWORD);
    await again.getByRole('button', { name: 'Sign in' }).click();
    await expect(again).toBeHidden();
    await saved(page);
    await page.reload();
    await expect(page.locator('svg.foot rect.dry').first()).toBeAttached();
});

test('a second step is taken into use, asked for, and left', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Ines Marrow' }).click();
    const section = page.locator('section', { has: page.getByRole('heading', { name: 'Second step' }) });
    await section.getByRole('button', { name: 'Use an app …' }).click();
    await section.getByLabel('Password').fill(PASSWORD);
    await section.getByRole('button', { name: 'Go on' }).click();
    await expect(section.getByRole('img')).toBeVisible();
    const secret = (await section.locator('.secret').textContent())!.replace(/\s/g, '');
    const app = new TOTP({ secret });
    await section.getByLabel('Code').fill(app.generate());
    await section.getByRole('button', { name: 'Use it' }).click();
    await expect(section.getByRole('listitem')).toHaveCount(8);
    const recovery = (await section.getByRole('listitem').first().textContent())!.trim();
    expect(await seriousViolations(page)).toEqual([]);

    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
    await page.getByLabel('E-mail').fill('ines@tarnwind.invalid');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Second step' })).toBeVisible();
    await page.getByLabel('Code').fill('000000');
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('alert')).toContainText('not right');
    await page.getByLabel('Code').fill(recovery);
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('heading', { name: 'Students' })).toBeVisible();
});

test('a studio is taken along and brought into the account of somebody who was invited', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Ines Marrow' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Export the studio', exact: true }).click()]);
    const path = await download.path();
    expect(fs.readFileSync(path).subarray(0, 2).toString()).toBe('PK');
    await page.getByLabel('For whom, to remember it by').fill('the hill school');
    await page.getByRole('button', { name: 'Make an invitation' }).click();
    const link = await page.getByLabel('Link of the invitation').inputValue();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();

    await page.goto(link);
    await expect(page.getByText('Ines Marrow has invited you')).toBeVisible();
    await page.getByLabel('Name').fill('Wren');
    await page.getByLabel('E-mail').fill('wren@tarnwind.invalid');
    await page.getByLabel('Password', { exact: true }).fill('reeds lean over water');
    await page.getByLabel('The same again').fill('reeds lean over water');
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByText('Add your first student')).toBeVisible();
    await page.getByRole('link', { name: 'Wren' }).click();
    await page.getByLabel('Take a studio in').setInputFiles({ name: 'torn.zip', mimeType: 'application/zip', buffer: fs.readFileSync(path).subarray(0, 4000) });
    await expect(page.getByRole('alert')).toContainText('Nothing has changed.');
    await page.getByLabel('Take a studio in').setInputFiles({ name: 'studio.zip', mimeType: 'application/zip', buffer: fs.readFileSync(path) });
    await expect(page.getByText('3 students and 3 pieces have come.')).toBeVisible();
    await page.getByRole('link', { name: 'Tarnwind' }).click();
    await expect(studentCard(page, 'Oona').getByRole('link', { name: 'Lantern on the Water', exact: true })).toBeVisible();

    // The link has opened the door once.
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
    await page.goto(link);
    await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
});

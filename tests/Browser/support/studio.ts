import { execFileSync } from 'node:child_process';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';

/** A test that starts from the seeded demo, whatever the tests before it (or its own first try) have done. */
export const test = base.extend<{ studio: string; seeded: undefined }>({
    studio: ['browser', { option: true }],
    seeded: [
        async ({ studio }, use) => {
            const database = `database/${studio}-test.sqlite`;
            const restore = '$live = new SQLite3($argv[1]); $live->busyTimeout(10000); (new SQLite3($argv[1] . ".seeded"))->backup($live);';
            execFileSync('php', ['-r', restore, database]);
            await use(undefined);
        },
        { auto: true },
    ],
});

/** Signs in as the demo teacher, by the offered button. */
export async function signIn(page: Page): Promise<void> {
    await page.goto('/sign-in');
    await page.getByRole('button', { name: 'Sign in as the demo teacher' }).click();
    await expect(page.getByRole('heading', { name: 'Students' })).toBeVisible();
}

/** Opens the desk of a student's piece and waits until its first line is engraved. */
export async function openDesk(page: Page, student: string, title: string): Promise<void> {
    await studentCard(page, student).getByRole('link', { name: title, exact: true }).click();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
}

export function studentCard(page: Page, name: string) {
    return page.locator('article', { has: page.getByRole('heading', { name, exact: true }) });
}

/** Gives a piece to a student and goes through its portrait to the desk. */
export async function givePiece(page: Page, student: string, title: string): Promise<void> {
    const card = studentCard(page, student);
    await card.getByRole('combobox').selectOption({ label: title });
    await card.getByRole('button', { name: 'Open desk' }).click();
    await page.getByRole('link', { name: 'Open the desk' }).click();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
}

/** Waits until the plan is on the server. */
export async function saved(page: Page): Promise<void> {
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
}

/** Asks for a suggestion by its key and waits until the plan with it is on the server. */
export async function suggest(page: Page): Promise<void> {
    await Promise.all([page.waitForResponse((response) => response.request().method() === 'PUT'), page.keyboard.press('s')]);
    await saved(page);
}

/** What assistive technology would stumble over on the page. */
export async function seriousViolations(page: Page): Promise<string[]> {
    const { violations } = await new AxeBuilder({ page }).analyze();
    return violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

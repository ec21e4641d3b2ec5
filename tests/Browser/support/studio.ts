import { execFileSync } from 'node:child_process';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page, type Request } from '@playwright/test';

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

/** Takes a piece away from a student, with its plan. */
export async function takeAway(page: Page, student: string, title: string): Promise<void> {
    await page.getByRole('button', { name: `Take ${title} away from ${student}` }).click();
    await page.getByRole('button', { name: 'Take away', exact: true }).click();
    await expect(page.getByRole('button', { name: `Take ${title} away from ${student}` })).toHaveCount(0);
}

/** Gives a student so many minutes on every day, on the page of her practice. */
export async function practiseDaily(page: Page, minutes: number): Promise<void> {
    for (const day of ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays']) {
        await page.getByLabel(`Minutes on ${day}`).fill(String(minutes));
    }
    await page.getByLabel('Minutes on Sundays').blur();
    await expect(page.getByRole('heading', { name: /^Today/ })).toContainText(`of ${minutes} min`);
    await page.reload();
    await expect(page.getByLabel('Minutes on Mondays')).toHaveValue(String(minutes));
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

/** The requests of a page that have no answer yet, from now on. */
export function requestsUnderWay(page: Page): ReadonlySet<Request> {
    const underWay = new Set<Request>();
    page.on('request', (request) => underWay.add(request));
    page.on('requestfinished', (request) => underWay.delete(request));
    page.on('requestfailed', (request) => underWay.delete(request));
    return underWay;
}

/** What assistive technology would stumble over on the page; colours that fade are looked at when they stand. */
export async function seriousViolations(page: Page): Promise<string[]> {
    const fading = () => document.getAnimations().filter((one) => one.effect?.getComputedTiming().endTime !== Infinity).length;
    await expect.poll(() => page.evaluate(fading)).toBe(0);
    const { violations } = await new AxeBuilder({ page }).analyze();
    return violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

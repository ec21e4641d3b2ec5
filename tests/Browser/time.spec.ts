import { expect, type Page } from '@playwright/test';
import { openDesk, saved, seriousViolations, signIn, test } from './support/studio';

type Mark = {
    craft: string;
    kind: string;
    beats?: (number | null)[];
    back?: boolean;
    end?: number;
    seconds?: number | null;
    ms?: number;
    longer?: number;
    at?: unknown;
};
type Plan = { tempo: number | null; settings: Record<string, Record<string, unknown>>; marks: Mark[] };

/** Does something and gives the plan that is saved with it. */
async function savedPlan(page: Page, act: () => Promise<void>): Promise<Plan> {
    const [request] = await Promise.all([page.waitForRequest((one) => one.method() === 'PUT'), act()]);
    await saved(page);
    return (request.postDataJSON() as { plan: Plan }).plan;
}

const marks = (plan: Plan, kind: string): Mark[] => plan.marks.filter((mark) => mark.craft === 'time' && mark.kind === kind);

async function openTime(page: Page, title = 'Lantern on the Water', student = 'Oona'): Promise<void> {
    await signIn(page);
    await openDesk(page, student, title);
    await page.getByText('Time', { exact: true }).first().click();
    await expect(page.locator('svg.time').first()).toBeVisible();
}

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Bar inspector' });

test('a beat is made longer by keys and by mouse, and the phrase gives it back to nought', async ({ page }) => {
    await openTime(page);
    await page.getByRole('button', { name: /^Bar 1:/ }).click();
    const longer = await savedPlan(page, async () => {
        for (let press = 0; press < 6; press++) await page.keyboard.press('+');
    });
    expect(marks(longer, 'rubato')[0]!.beats!.filter((beat) => beat !== null)).toEqual([1.3]);
    await expect(inspector(page).getByText(/nothing owed/)).toBeVisible();
    await expect(inspector(page).getByText('rubato: taken')).toBeVisible();
    await expect(page.locator('svg.time').first()).toContainText('gives back: 0');
    // Dragged down a beat is slower; its number says so while it is dragged.
    const point = page.locator('svg.time .point').nth(6);
    const box = (await point.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 14, { steps: 4 });
    const dragged = await savedPlan(page, () => page.mouse.up());
    expect(marks(dragged, 'rubato')[0]!.beats!.filter((beat) => beat !== null)).toHaveLength(2);
    // It may also owe: then that is said, and mended with one action.
    await page.getByRole('button', { name: /^Bar 1:/ }).click();
    await page.keyboard.press('g');
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    await expect(inspector(page).getByText(/does not give them back/)).toBeVisible();
    const given = await savedPlan(page, () => inspector(page).getByRole('button', { name: 'The other beats give back' }).click());
    expect(marks(given, 'rubato')[0]!.back).toBe(true);
    await expect(inspector(page).getByText(/nothing owed/)).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
});

test('the suggestion is taken, a slowing is put, shaped and taken away, and the clock follows', async ({ page }) => {
    await openTime(page);
    await expect(inspector(page).getByText(/0:00 of 1:20/)).toBeVisible();
    const suggested = await savedPlan(page, () => inspector(page).getByRole('button', { name: 'Take the suggestion' }).click());
    expect(suggested.settings['time']).toEqual({ school: 'breathing' });
    await page.getByRole('button', { name: /^Bar 5:/ }).click();
    const slowed = await savedPlan(page, () => page.keyboard.press('r'));
    expect(marks(slowed, 'pace')).toMatchObject([{ end: 0.7 }]);
    await expect(inspector(page).getByRole('heading', { name: 'Your slowing' })).toBeVisible();
    const steeper = await savedPlan(page, async () => {
        await inspector(page).getByRole('spinbutton', { name: 'To', exact: true }).fill('50');
        await page.keyboard.press('Tab');
    });
    expect(marks(steeper, 'pace')[0]!.end).toBe(0.5);
    await expect(inspector(page).getByText(/of 1:2[2-9]/)).toBeVisible();
    await page.keyboard.press('Escape');
    await inspector(page).getByRole('button', { name: 'Take it away' }).click();
    await expect(inspector(page).getByRole('heading', { name: 'Your slowing' })).toBeHidden();
});

test('a fermata is held for as long as the teacher wants, and not longer than it sounds', async ({ page }) => {
    await openTime(page);
    await page.keyboard.press('End');
    await expect(inspector(page).getByText(/it has faded after/)).toBeVisible();
    const held = await savedPlan(page, async () => {
        await inspector(page).getByRole('spinbutton', { name: 'Held for' }).fill('3.5');
        await page.keyboard.press('Tab');
    });
    expect(marks(held, 'fermata')).toMatchObject([{ seconds: 3.5 }]);
    await expect(inspector(page).getByText(/a fermata wants at least half as long again/)).toBeVisible();
    const mended = await savedPlan(page, () =>
        inspector(page)
            .getByRole('button', { name: /^Hold for/ })
            .click(),
    );
    expect(marks(mended, 'fermata')[0]!.seconds).toBeGreaterThan(4.5);
    const back = await savedPlan(page, () =>
        inspector(page)
            .getByRole('button', { name: /As printed/ })
            .click(),
    );
    expect(marks(back, 'fermata')).toEqual([]);
});

test('a breath is put before a bar and heard; playing and clicking follow the plan', async ({ page }) => {
    await openTime(page);
    await page.getByRole('button', { name: /^Bar 9:/ }).click();
    const plan = await savedPlan(page, () => page.keyboard.press('b'));
    expect(marks(plan, 'silence')).toMatchObject([{ ms: 250 }]);
    await page.getByRole('button', { name: /^Bar 8:/ }).click();
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    await page.getByLabel('A click on the beats').selectOption({ label: 'breathes with the plan' });
    await page.keyboard.press('Escape');
    const [response] = await Promise.all([
        page.waitForResponse((one) => one.url().endsWith('/rendition')),
        page.getByRole('button', { name: 'Play', exact: true }).click(),
    ]);
    const { bars, steady } = (await response.json()) as Record<'bars' | 'steady', { measure: number; ms: number }[]>;
    const begins = (list: { measure: number; ms: number }[], measure: number): number => list.find((bar) => bar.measure === measure)!.ms;
    expect(begins(bars, 9) - begins(bars, 8)).toBeCloseTo(begins(steady, 9) - begins(steady, 8) + 250, 0);
    await page.getByRole('button', { name: 'Stop' }).click();
});

test('a phrase is tapped in with the space bar and kept as a rubato that owes nothing', async ({ page }) => {
    await openTime(page);
    await page.getByRole('button', { name: /^Bar 1:/ }).click();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('t');
    await expect(inspector(page).getByText(/Every beat of bar 1/)).toBeVisible();
    for (const wait of [0, 520, 640, 520, 500]) {
        await page.waitForTimeout(wait);
        await page.keyboard.press(' ');
    }
    await expect(inspector(page).getByText(/Tapped at \d+ % of the tempo/)).toBeVisible();
    const kept = await savedPlan(page, () => inspector(page).getByRole('button', { name: 'Keep, giving back' }).click());
    const [rubato] = marks(kept, 'rubato');
    expect([rubato!.back, rubato!.beats!.length]).toEqual([true, 4]);
    await expect(page.locator('svg.time').first()).toContainText('gives back: 0');
});

test('what is planned stands on the printed copy', async ({ page }) => {
    await openTime(page);
    await page.getByRole('button', { name: /^Bar 5:/ }).click();
    await savedPlan(page, () => page.keyboard.press('r'));
    await page.getByRole('button', { name: /^Bar 13:/ }).click();
    await savedPlan(page, () => page.keyboard.press('+'));
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await expect(page.locator('main svg').first()).toBeVisible();
    await expect(page.getByText('rit.', { exact: true }).first()).toBeVisible();
    await expect(page.getByText('←').first()).toBeVisible();
});

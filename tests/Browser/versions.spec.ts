import { expect } from '@playwright/test';
import { givePiece, openDesk, saved, seriousViolations, signIn, studentCard, suggest, takeAway, test } from './support/studio';

test('a plan is kept under a name, compared, heard beside, and gone back to', async ({ page }) => {
    await signIn(page);
    await takeAway(page, 'Lio', 'Skipping Stones');
    await givePiece(page, 'Lio', 'Skipping Stones');
    await suggest(page);
    await saved(page);
    const plan = async (): Promise<{ plan: { tempo: number | null; marks: { craft: string }[] } }> =>
        (await (await page.request.get(`/copies/${/copies\/(\d+)/.exec(page.url())![1]}/plan`)).json()) as never;
    const before = await plan();

    await page.getByRole('button', { name: 'Versions' }).click();
    const drawer = page.getByRole('region', { name: 'Versions of this plan' });
    await expect(drawer).toContainText('None is kept yet.');
    await drawer.getByLabel('Keep the plan as it is now, under a name').fill('Before the concert');
    await drawer.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(drawer.getByRole('listitem')).toHaveCount(1);
    await drawer.getByRole('button', { name: 'Compare with “Before the concert”' }).click();
    await expect(drawer).toContainText('Nothing is otherwise.');

    // Slower, and one pedal less.
    await page.getByLabel('Quarters a minute').fill('120');
    await page.getByLabel('Quarters a minute').press('Enter');
    await expect(drawer).toContainText('The plan has been changed since.');
    await drawer.getByRole('button', { name: 'Compare again' }).click();
    const differences = drawer.getByRole('region', { name: 'What is otherwise' });
    await expect(differences).toContainText('Tempo, quarters a minute: as printed → 120');
    await expect(differences).toContainText('It takes 0:54; it took 0:47.');
    expect(await seriousViolations(page)).toEqual([]);

    // It can be heard, by its name.
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    await expect(page.getByLabel('What is heard', { exact: true }).locator('option', { hasText: 'as in “Before the concert”' })).toHaveCount(1);
    await page.keyboard.press('Escape');
    if (!(await drawer.isVisible())) await page.getByRole('button', { name: 'Versions' }).click();

    // Going back keeps what was there, and can be undone.
    await saved(page);
    await drawer.getByRole('button', { name: 'Go back to “Before the concert”' }).click();
    await expect(drawer.getByRole('listitem')).toHaveCount(2);
    await expect(page.getByLabel('Quarters a minute')).toHaveValue('138');
    await saved(page);
    expect(await plan()).toMatchObject({ plan: before.plan });
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('Quarters a minute')).toHaveValue('120');

    await drawer.getByLabel('Name of “Before the concert”').fill('The plain one');
    await drawer.getByLabel('Name of “Before the concert”').press('Enter');
    await drawer.getByRole('button', { name: 'Forget “The plain one”' }).click();
    await page.getByRole('button', { name: 'Forget', exact: true }).click();
    await expect(drawer.getByRole('listitem')).toHaveCount(1);
});

test('how far a piece is, and what it is for, is said on the student and seen in the studio', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Lio', exact: true }).click();
    await page.getByLabel('Status of Skipping Stones').selectOption('polishing');
    await page.getByLabel('What Skipping Stones is for').fill('Boathouse evening');
    await page.getByLabel('What Skipping Stones is for').press('Enter');
    const day = new Date(Date.now() + 21 * 86_400_000 + 3_600_000);
    const iso = [day.getFullYear(), String(day.getMonth() + 1).padStart(2, '0'), String(day.getDate()).padStart(2, '0')].join('-');
    await page.getByLabel('Day for Skipping Stones').fill(iso);
    await page.getByLabel('Day for Skipping Stones').blur();
    await expect(page.getByRole('group', { name: 'How far Skipping Stones is' })).toContainText('in 3 weeks');
    expect(await seriousViolations(page)).toEqual([]);
    await page.goto('/');
    await expect(page.getByText('polishing · Boathouse evening in 3 weeks')).toBeVisible();
});

test('a piece is given with the plan of another student, and the desk says what became of it', async ({ page }) => {
    await signIn(page);
    // In half pedals throughout, which Lio's digital piano has not.
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Foot …' }).click();
    await Promise.all([
        page.waitForResponse((response) => response.request().method() === 'PUT'),
        page.getByLabel('How deep pedals are').selectOption({ label: 'half' }),
    ]);
    await saved(page);
    await page.goto('/');
    const card = studentCard(page, 'Lio');
    await card.getByRole('combobox').selectOption({ label: 'Lantern on the Water, planned as for Oona' });
    await card.getByRole('button', { name: 'Open desk' }).click();
    const drawer = page.getByRole('region', { name: 'Versions of this plan' });
    await expect(drawer.getByRole('heading', { name: 'Now, against “As Oona has it”' })).toBeVisible();
    await expect(drawer).toContainText('Bar 1changed: a pedal mark; the foot moves otherwise');
    const given = (await (await page.request.get(`/copies/${/copies\/(\d+)/.exec(page.url())![1]}/plan`)).json()) as {
        plan: { marks: { craft: string; depth?: string }[] };
    };
    expect(new Set(given.plan.marks.filter(({ craft }) => craft === 'pedal').map(({ depth }) => depth))).toEqual(new Set(['full']));
    const [first] = await drawer.getByRole('button', { name: /^Bar \d+$/ }).all();
    const bar = await first!.textContent();
    await first!.click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(page.getByRole('complementary')).toContainText(bar!);
});

test('without a network no version is kept or gone back to, what was typed stays, and later it is', async ({ page, context }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await page.getByRole('button', { name: 'Versions' }).click();
    const drawer = page.getByRole('region', { name: 'Versions of this plan' });
    await expect(drawer.getByRole('listitem')).toHaveCount(1);
    await context.setOffline(true);
    await drawer.getByLabel('Keep the plan as it is now, under a name').fill('Before the storm');
    await drawer.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(drawer.getByRole('alert')).toHaveText('The server cannot be reached.');
    await expect(drawer.getByLabel('Keep the plan as it is now, under a name')).toHaveValue('Before the storm');
    await drawer.getByRole('button', { name: 'Go back to “As it was suggested”' }).click();
    await expect(drawer.getByRole('alert')).toHaveText('The server cannot be reached.');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

    await context.setOffline(false);
    await drawer.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(drawer.getByRole('listitem')).toHaveCount(2);
    await expect(drawer.getByRole('alert')).toHaveCount(0);
    await expect(drawer.getByLabel('Keep the plan as it is now, under a name')).toHaveValue('');
});

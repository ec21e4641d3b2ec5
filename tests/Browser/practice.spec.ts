import { expect } from '@playwright/test';
import { openDesk, practiseDaily, saved, seriousViolations, signIn, test } from './support/studio';

test('chunks and steps are seen at the desk, cut otherwise, left out and added, and go into the plan', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Practice', exact: true }).click();
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await expect(inspector.getByRole('heading', { name: /^Chunk: / })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Chunk of bars/ }).first()).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);

    // The hardest chunk is the first in the order of work.
    await page.getByRole('button', { name: 'Chunk of bars 23 to 24' }).first().click();
    await expect(inspector).toContainText('Number 1 of');
    await expect(inspector).toContainText('a leap of 19 semitones');

    // Three bars as one chunk, by keys; and back.
    await page.getByRole('button', { name: 'Chunk of bars 11 to 12' }).first().click();
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('c');
    await expect(inspector.getByRole('heading', { name: 'Chunk: bars 11–13' })).toBeVisible();
    await expect(inspector).toContainText('You cut it so.');
    await saved(page);

    const steps = inspector.getByRole('region', { name: 'Steps' });
    await steps.getByText('Into the next').click();
    await steps.getByRole('button', { name: 'Leave out' }).click();
    await expect(steps.getByRole('button', { name: /Into the next.*back in/ })).toBeVisible();
    await steps.getByLabel('Add a step').selectOption({ label: 'Pedal alone' });
    const added = steps.getByRole('listitem').filter({ hasText: 'Pedal alone' });
    await added.locator('summary').click();
    await added.getByLabel('In your words').fill('Only the foot, with the song sung.');
    await added.getByLabel('In your words').blur();
    await expect(steps).toContainText('Only the foot, with the song sung.');
    await saved(page);

    // The other schools.
    await page.getByLabel('What opens the next step').selectOption({ label: 'sound first' });
    await expect(steps).toContainText('slips do not count');
    await page.getByLabel('How it is begun').selectOption({ label: 'hands apart' });
    await expect(steps.getByRole('listitem').first()).toContainText('Right hand');
    await saved(page);
    const { plan } = (await (await page.request.get(`/copies/${/copies\/(\d+)/.exec(page.url())![1]}/plan`)).json()) as {
        plan: { settings: Record<string, unknown>; marks: { craft: string; kind: string; step?: string; wanted?: boolean }[] };
    };
    expect(plan.settings['practice']).toEqual({ start: 'apart', gates: 'sound', order: 'hardest' });
    expect(plan.marks.filter(({ craft, kind }) => craft === 'practice' && kind !== 'example').map(({ kind, step, wanted }) => [kind, step, wanted])).toEqual(
        expect.arrayContaining([
            ['chunk', undefined, undefined],
            ['step', 'link', false],
            ['step', 'pedal-alone', true],
        ]),
    );
    await page.keyboard.press('x');
    await expect(inspector.getByRole('heading', { name: 'Chunk: bars 11–12' })).toBeVisible();

    // An example for home, of these bars.
    const examples = inspector.getByRole('region', { name: 'Examples for home' });
    await examples.getByLabel('Add an example').selectOption({ label: 'no pedal' });
    await expect(examples.getByRole('listitem').filter({ hasText: 'no pedal' })).toContainText('bars 11–13');
});

test('practice is shared out over days, told of, charted, and taken home on paper', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Practice of Bram' }).click();
    await expect(page.getByText(/In bars 5–6 the tempo stays at ♩ = \d+ since/)).toBeVisible();
    await expect(page.locator('canvas')).toHaveCount(2);
    await page.getByText('As a table').first().click();
    await expect(page.getByRole('row', { name: /bars 5–6/ }).first()).toContainText('♩ = 52');
    expect(await seriousViolations(page)).toEqual([]);

    await practiseDaily(page, 21);
    const today = page.locator('article').filter({ has: page.getByRole('heading', { name: /^Today/ }) });
    const before = await today.getByRole('listitem').count();
    await today.getByRole('button', { name: 'Note' }).first().click();
    await today.getByRole('button', { name: 'Yes, done' }).click();
    await expect(page.getByRole('row', { name: /teacher/ })).toHaveCount(1);
    await expect(today.getByRole('listitem')).not.toHaveCount(before + 1);

    await page.getByRole('link', { name: 'Take-home sheet' }).click();
    await expect(page.getByText(/^Bram, week from/)).toBeVisible();
    await expect(page.locator('.box').first()).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    // On paper the bar of the page is not there, and the sheet is no wider than paper.
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('what a marked copy shows is chosen for the student, and how large it is', async ({ page }) => {
    await signIn(page);
    await page.goto('/copies/1/print');
    const pedals = page.getByRole('img', { name: 'Pedal and count of this line' });
    await expect(pedals.first()).toBeAttached();
    await page.getByRole('button', { name: 'What it shows' }).click();
    const choice = page.getByRole('group', { name: 'What it shows' });
    await choice.getByLabel('pedal', { exact: true }).uncheck();
    await expect(pedals).toHaveCount(0);
    const across = async (): Promise<number> => Number((await page.locator('.page svg svg.definition-scale').first().getAttribute('viewBox'))!.split(' ')[2]);
    const usual = await across();
    await choice.getByLabel('Size of print').selectOption({ label: 'very large' });
    await expect.poll(across).toBeLessThan(0.7 * usual);
    expect(await seriousViolations(page)).toEqual([]);
    await page.reload();
    await expect(page.locator('.page svg').first()).toBeVisible();
    await expect(pedals).toHaveCount(0);
});

test('pieces are found, tagged, and given to several students', async ({ page }) => {
    await signIn(page);
    const rows = page.getByRole('row').filter({ has: page.getByRole('button', { name: /^Remove / }) });
    await expect(rows).toHaveCount(3);
    await page.getByLabel('What it trains').selectOption({ label: 'leaping bass' });
    await expect(rows).toHaveCount(1);
    await expect(page.getByText('one piece', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'All', exact: true }).click();
    await page.getByLabel('Find pieces by words').fill('EVENING');
    await expect(rows).toHaveText([/Lantern on the Water/]);
    await page.getByLabel('Find pieces by words').fill('');
    await page.getByLabel('Tags of Slow Weather').fill('chords, storm');
    await Promise.all([page.waitForResponse((response) => response.request().method() === 'PUT'), page.getByLabel('Tags of Slow Weather').blur()]);
    await page.getByLabel('Tag', { exact: true }).selectOption({ label: 'storm' });
    await expect(rows).toHaveText([/Slow Weather/]);
    expect(await seriousViolations(page)).toEqual([]);

    await page.getByRole('button', { name: 'What to do with Slow Weather' }).click();
    await page.getByRole('menuitem', { name: 'Give to students' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Oona').check();
    await dialog.getByLabel('Lio').check();
    await expect(dialog.getByLabel('Bram')).toHaveCount(0);
    await dialog.getByRole('button', { name: 'Give' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'Slow Weather' })).toHaveCount(3);
});

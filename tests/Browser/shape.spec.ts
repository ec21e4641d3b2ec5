import { expect, type Page } from '@playwright/test';
import { openDesk, saved, seriousViolations, signIn, test } from './support/studio';

type Plan = {
    settings: Record<string, Record<string, unknown>>;
    marks: { craft: string; kind: string; note?: string; rise?: number; dynamic?: string; change?: number; notes?: string[] }[];
};

/** Does something and gives the plan that is saved with it. */
async function savedPlan(page: Page, act: () => Promise<void>): Promise<Plan> {
    const [request] = await Promise.all([page.waitForRequest((one) => one.method() === 'PUT'), act()]);
    await saved(page);
    return (request.postDataJSON() as { plan: Plan }).plan;
}

const marks = (plan: Plan, craft: string, kind: string) => plan.marks.filter((mark) => mark.craft === craft && mark.kind === kind);

async function openView(page: Page, title: string): Promise<void> {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByText(title, { exact: true }).first().click();
}

test('a phrase is given another goal and another arch, by mouse and by keys', async ({ page }) => {
    await openView(page, 'Shape');
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await expect(inspector.getByRole('heading', { name: 'Phrase 1' })).toBeVisible();
    await expect(inspector.getByText('the highest note', { exact: false }).first()).toBeVisible();
    const goal = page.locator('.arches .goal').first();
    const box = (await goal.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 90, box.y - 6, { steps: 5 });
    await page.mouse.move(box.x + 164, box.y - 10, { steps: 5 });
    const dragged = await savedPlan(page, () => page.mouse.up());
    expect(marks(dragged, 'shape', 'goal')).toHaveLength(1);
    expect(marks(dragged, 'shape', 'arch')[0]!.rise).toBeGreaterThan(4);
    await expect(inspector.getByRole('button', { name: 'D5' })).toHaveClass(/primary/);
    await page.keyboard.press('-');
    await saved(page);
    // Two steps at once are two steps, even before the first is answered.
    const softer = await savedPlan(page, async () => {
        await page.keyboard.press('s');
        await page.keyboard.press('s');
    });
    expect(softer.marks.some(({ kind }) => kind === 'arch')).toBe(true);
    await expect(inspector.getByRole('group', { name: 'Arch of the phrase' })).toContainText('as a whole −1');
    await inspector.getByRole('button', { name: /As the school has it/ }).click();
    await expect(inspector.getByRole('group', { name: 'Arch of the phrase' })).toContainText('grows by ¾ grade');
    expect(await seriousViolations(page)).toEqual([]);
});

test('dynamics, hairpins and nudges change what is played, and say what they are made of', async ({ page }) => {
    await openView(page, 'Shape');
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await page.getByRole('button', { name: /^Bar 3:/ }).click();
    await expect(inspector.getByText(/^G5 is played /)).toBeVisible();
    const planned = await savedPlan(page, () => page.keyboard.press('6'));
    expect(marks(planned, 'shape', 'dynamic').map(({ dynamic }) => dynamic)).toEqual(['f']);
    await expect(inspector.getByText('f, yours')).toBeVisible();
    await expect(page.locator('svg.shape').first().getByText('f', { exact: true }).last()).toBeVisible();
    const nudged = await savedPlan(page, () => page.keyboard.press('o'));
    expect(marks(nudged, 'shape', 'nudge')[0]!.change).toBe(2);
    await expect(inspector.getByText('brought out, yours')).toBeVisible();
    const grown = await savedPlan(page, () => page.keyboard.press('<'));
    expect(marks(grown, 'shape', 'hairpin')).toHaveLength(1);
    await expect(page.locator('svg.shape .hairpin')).toHaveCount(1);
    // What is planned is what is heard.
    const [answer] = await Promise.all([page.waitForResponse((one) => one.url().endsWith('/rendition')), page.keyboard.press(' ')]);
    const { events } = (await answer.json()) as { events: { midi: number; velocity: number }[] };
    expect(events.find(({ midi }) => midi === 79)!.velocity).toBeGreaterThan(96);
    await page.keyboard.press(' ');
    await page.keyboard.press('0');
    await expect(page.locator('svg.shape .hairpin')).toHaveCount(0);
});

test('a layer is softer in some bars, a note is given to another layer, and what goes under is mended in one step', async ({ page }) => {
    await openView(page, 'Voice');
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await expect(page.locator('svg.balance').first()).toBeVisible();
    await page.getByRole('button', { name: /^Bar 6:/ }).click();
    await expect(inspector.getByText(/B5 goes under after/)).toHaveCount(0);
    const layered = await savedPlan(page, () => inspector.getByRole('button', { name: 'Filling louder' }).click());
    expect(marks(layered, 'balance', 'layer')).toMatchObject([{ layer: 'filling', change: 2 }]);
    await savedPlan(page, () => inspector.getByRole('button', { name: 'Filling louder' }).click());
    await expect(inspector.getByText(/B5 goes under after/)).toBeVisible();
    const mended = await savedPlan(page, () => inspector.getByRole('button', { name: /What goes along .* softer/ }).click());
    expect(marks(mended, 'shape', 'nudge')[0]!.notes!.length).toBeGreaterThan(4);
    await expect(inspector.getByText(/B5 goes under after/)).toHaveCount(0);
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    const given = await savedPlan(page, () => page.keyboard.press('3'));
    expect(marks(given, 'read', 'layer')).toMatchObject([{ layer: 'inner' }]);
    await page.getByLabel('School of balance').selectOption({ label: 'as printed' });
    await saved(page);
    await page.getByRole('button', { name: /^Bar 3:/ }).click();
    await expect(inspector.getByText(/^melody$/)).toHaveCount(0);
    expect(await seriousViolations(page)).toEqual([]);
});

test('words for the sound stand over a place or a passage, and on the copy that is handed out', async ({ page }) => {
    await openView(page, 'Shape');
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await page.getByRole('button', { name: /^Bar 3:/ }).click();
    await savedPlan(page, () => inspector.getByRole('button', { name: 'sing out' }).click());
    await expect(page.locator('svg.words text', { hasText: 'sing out' })).toBeVisible();
    await page.locator('.scroll').focus();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    const passage = await savedPlan(page, () => inspector.getByRole('button', { name: 'still water' }).click());
    expect(marks(passage, 'words', 'expression')).toHaveLength(2);
    await expect(page.locator('svg.words path')).toHaveCount(1);
    const file = await page.request.get(`${page.url().replace(/#.*$/, '')}/download.musicxml`);
    const xml = await file.text();
    expect(xml).toContain('sing out');
    expect(xml).toContain('still water');
    expect(xml).toContain('<dashes');
    await inspector.getByRole('button', { name: 'Take away still water' }).click();
    await expect(page.locator('svg.words path')).toHaveCount(0);
    expect(await seriousViolations(page)).toEqual([]);
});

test('a click on a note head picks that note of its chord; the tops of chords are given away together', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    await page.getByText('Voice', { exact: true }).first().click();
    const inspector = page.getByRole('complementary', { name: 'Bar inspector' });
    await expect(page.locator('svg.balance').first()).toBeVisible();
    // Bar 9: five notes together. The lowest of them is picked by its head.
    await page.getByRole('button', { name: /^Bar 9:/ }).click();
    const names = inspector.locator('.notes li strong.name');
    await expect(names).toHaveText(['E♭5', 'C5', 'G4', 'C3', 'C2']);
    const heads = page.locator('.cursor').locator('xpath=..').locator('g.note .notehead');
    const boxes = await heads.evaluateAll((all) =>
        all.map((one) => one.getBoundingClientRect()).map(({ x, y, width, height }) => ({ x: x + width / 2, y: y + height / 2 })),
    );
    const cursor = (await page.locator('.cursor').boundingBox())!;
    const here = boxes.filter(({ x }) => x >= cursor.x && x <= cursor.x + cursor.width).sort((a, b) => b.y - a.y);
    await page.mouse.click(here[0]!.x, here[0]!.y);
    await expect(inspector.locator('.notes li.selected strong.name')).toHaveText('C2');
    const given = await savedPlan(page, () => page.keyboard.press('3'));
    expect(marks(given, 'read', 'layer')[0]!.notes).toHaveLength(1);
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await inspector.getByRole('checkbox', { name: 'only the top of each chord' }).click();
    await page.locator('.scroll').focus();
    const tops = await savedPlan(page, () => page.keyboard.press('1'));
    // Four chords in two bars, one top for each hand.
    expect(marks(tops, 'read', 'layer').flatMap(({ notes }) => notes ?? []).length).toBe(9);
    const silent = await savedPlan(page, () => inspector.getByRole('button', { name: 'Bass: touch only' }).click());
    expect(marks(silent, 'balance', 'layer')).toMatchObject([{ layer: 'bass', silent: true }]);
    await expect(inspector.getByRole('button', { name: 'Bass: touch only' })).toHaveAttribute('aria-pressed', 'true');
});

import fs from 'node:fs';
import { expect } from '@playwright/test';
import { seriousViolations, signIn, test } from './support/studio';

test('a lesson is opened from the agenda, noted in, and what is agreed comes up in the next', async ({ page }) => {
    await signIn(page);
    const agenda = page.getByRole('region', { name: 'Today' });
    await expect(agenda.getByText('From beginning to end, as on the evening')).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    // Bram's is only in the timetable: opening it makes it.
    await agenda.getByRole('button', { name: 'Bram' }).click();
    await expect(page.getByRole('heading', { name: /^Bram, .* 15:30–16:00$/ })).toBeVisible();
    const open = page.getByRole('region', { name: 'Open from earlier lessons' });
    await expect(open.getByRole('checkbox')).toHaveCount(2);
    expect(await seriousViolations(page)).toEqual([]);
    await Promise.all([
        page.waitForResponse((response) => response.request().method() === 'PATCH'),
        open.getByLabel(/Two days hands apart in bars 13 and 14/).check(),
    ]);

    const notes = page.getByRole('region', { name: 'Notes by bar' });
    await notes.getByLabel('Bar, Notes by bar').fill('99');
    await notes.getByLabel('Words, Notes by bar').fill('Thunder, not hail');
    await notes.getByRole('button', { name: 'Add' }).click();
    await expect(notes.getByRole('alert')).toHaveText('There is no bar 99.');
    await notes.getByLabel('Bar, Notes by bar').fill('9');
    await notes.getByRole('button', { name: 'Add' }).click();
    await expect(notes.getByRole('link', { name: 'Slow Weather, bar 9' })).toBeVisible();
    const agreed = page.getByRole('region', { name: 'Agreed', exact: true });
    await agreed.getByLabel('Words, Agreed').fill('Octaves with the eyes closed');
    await agreed.getByLabel('Words, Agreed').press('Enter');
    await expect(agreed.getByRole('checkbox', { name: 'Settled: Octaves with the eyes closed' })).toBeVisible();
    await page.getByLabel('Notes of the lesson').fill('Shoulders low today.');
    await Promise.all([page.waitForResponse((response) => response.request().method() === 'PATCH'), page.getByLabel('Notes of the lesson').blur()]);
    await Promise.all([
        page.waitForResponse((response) => response.request().method() === 'PATCH'),
        page.getByLabel('Whether it was held').selectOption({ label: 'held' }),
    ]);
    await page.reload();
    await expect(page.getByLabel('Notes of the lesson')).toHaveValue('Shoulders low today.');
    await expect(page.getByLabel('Whether it was held')).toHaveValue('held');

    await page.getByRole('button', { name: 'Open it' }).click();
    await expect(open.getByLabel(/Octaves with the eyes closed/)).toBeVisible();
    await expect(open.getByLabel(/Bars 13 and 14 at half tempo/)).toBeVisible();
    await expect(open.getByLabel(/Two days hands apart/)).toHaveCount(0);
    // A note leads to its bar.
    await page.goBack();
    await page.getByRole('link', { name: 'Slow Weather, bar 9' }).click();
    await expect(page.getByRole('complementary')).toContainText('Bar 9');
});

test('weeks are made of weekly times and holidays, lessons are called off and made up for, and the calendar goes out', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Lessons', exact: true }).click();
    await page.getByRole('link', { name: 'Week after' }).click();
    const cards = page.locator('article');
    await expect(cards).toHaveCount(3);
    expect(await seriousViolations(page)).toEqual([]);
    const times = page.getByRole('region', { name: 'Weekly times' });
    await times.getByLabel('Student').selectOption({ label: 'Lio' });
    await times.getByLabel('Day of the week').selectOption({ label: 'Saturdays' });
    await times.getByLabel('Time', { exact: true }).fill('10:30');
    await times.getByRole('button', { name: 'Add' }).click();
    await expect(cards).toHaveCount(4);
    await expect(cards.filter({ hasText: '10:30–11:15' })).toContainText('Lio');

    const monday = /week=(\d{4}-\d\d-\d\d)/.exec(page.url())![1]!;
    const holidays = page.getByRole('region', { name: 'Holidays' });
    await holidays.getByLabel('Name of the holiday').fill('Reed week');
    await holidays.getByLabel('First day').fill(monday);
    await holidays.getByLabel('Last day').fill(monday);
    await holidays.getByRole('button', { name: 'Add' }).click();
    await expect(holidays).toContainText('Reed week');

    await cards.filter({ hasText: '10:30–11:15' }).getByRole('button', { name: 'Lio' }).click();
    await page.getByLabel('Whether it was held').selectOption({ label: 'called off' });
    await page.getByLabel('Time in its place').fill('18:00');
    await page.getByRole('button', { name: 'Open that lesson' }).click();
    await expect(page.getByText(/^In the place of Saturday/)).toBeVisible();
    await page.getByRole('link', { name: 'Lessons', exact: true }).last().click();
    await expect(cards.filter({ hasText: '10:30–11:15' })).toContainText('called off');
    await expect(cards.filter({ hasText: '18:00–18:45' })).toContainText('for Saturday');

    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Calendar file' }).click()]);
    const calendar = fs.readFileSync(await download.path(), 'utf8');
    expect(calendar).toContain('SUMMARY:Lesson: Oona');
    expect(calendar).toContain('STATUS:CANCELLED');
});

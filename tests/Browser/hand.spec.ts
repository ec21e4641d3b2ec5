import fs from 'node:fs';
import { expect } from '@playwright/test';
import { givePiece, openDesk, saved, seriousViolations, signIn, test } from './support/studio';

test('fingers are planned, set by typing, and the rest follows', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Hand', exact: true }).click();
    const inspector = page.getByRole('complementary');
    const planned = page.locator('.fingers .planned text');
    const own = page.locator('.fingers .teacher text');
    await expect(planned.first()).toBeVisible();
    await expect(own).toHaveCount(0);

    // Bar 1: the song's first long note, with another finger than the planned one, then a silent change.
    await page.keyboard.press('ArrowDown');
    await expect(inspector).toContainText('F♯5');
    // The second digit belongs to the first only while it is fresh.
    await page.keyboard.press('5');
    await page.keyboard.press('1');
    await expect(own).toHaveText('5-1');
    await expect(inspector.getByRole('listitem').first()).toContainText('right, yours');
    await saved(page);

    // The next note of the chord is the bass; the other hand takes it and gives it back.
    await page.keyboard.press('k');
    await expect(inspector.getByRole('listitem').nth(1)).toHaveClass('selected');
    await page.keyboard.press('r');
    await expect(inspector.getByRole('listitem').nth(1)).toContainText('right');
    await page.keyboard.press('z');
    await expect(inspector.getByRole('listitem').nth(1)).toContainText('left');

    // It lasts, stands on the marked copy, and can be planned again.
    await page.keyboard.press('ArrowRight');
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: 'Hand', exact: true }).click();
    await expect(own).toHaveText('5-1');
    expect(await seriousViolations(page)).toEqual([]);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await page.getByRole('link', { name: 'MusicXML', exact: true }).click();
    expect(fs.readFileSync(await (await download).path()).toString()).toContain('<fingering substitution="yes">1</fingering>');
    await page.getByRole('link', { name: 'Back to the desk' }).click();
    await page.getByRole('button', { name: 'Hand', exact: true }).click();
    await expect(own).toHaveText('5-1');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('0');
    await expect(own).toHaveCount(0);

    // Planned fingers are kept: of one note, of the whole piece; they are the teacher's then.
    await page.keyboard.press('f');
    await expect(own).toHaveCount(1);
    await page.keyboard.press('Shift+F');
    await expect(planned).toHaveCount(0);
    await saved(page);
    await page.keyboard.press('z');
    await page.keyboard.press('z');
    await expect(own).toHaveCount(0);
    await saved(page);
});

test('in a longer piece the bars around an edit are answered first, then the whole', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    const asked: (object | null)[] = [];
    page.on('request', (request) => {
        const { bars = null } = request.url().endsWith('/hand') ? (request.postDataJSON() as { bars?: object }) : { bars: 'other' };
        if (bars !== 'other') asked.push(bars as object | null);
    });
    await page.getByRole('button', { name: 'Hand', exact: true }).click();
    const inspector = page.getByRole('complementary');
    await expect(page.locator('.fingers .planned text').first()).toBeVisible();
    expect(asked).toEqual([null]);

    // A finger that does not fit what follows: findings come with the first answer and stay with the second.
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('4');
    await expect(page.locator('.fingers .teacher text')).toHaveText('4');
    await expect.poll(() => asked).toEqual([null, { first: 1, last: 1 }, null]);
    await expect(inspector.getByRole('listitem').first()).toContainText('right, yours');
    await page.keyboard.press('z');
    await expect(page.locator('.fingers .teacher')).toHaveCount(0);
    await expect.poll(() => asked.length).toBe(5);
    await saved(page);
});

test('a smaller hand has its own findings, each mended by one action', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'Add a student' }).click();
    const name = 'Wren';
    await page.getByLabel('First name or nickname').fill(name);
    for (const hand of ['Right hand', 'Left hand']) {
        await page.getByRole('combobox', { name: `${hand}, comfortable` }).selectOption({ label: 'a sixth' });
        await page.getByRole('combobox', { name: `${hand}, at most` }).selectOption({ label: 'a seventh' });
    }
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await givePiece(page, name, 'Slow Weather');
    await page.getByRole('button', { name: 'Hand', exact: true }).click();

    const inspector = page.getByRole('complementary');
    await expect(inspector).toContainText('Right hand a sixth, at most a seventh');
    await inspector.getByRole('button', { name: 'Beyond reach: go to bar 6' }).click();
    await expect(inspector).toContainText(
        'is a tenth, beyond the largest reach of this left hand (a seventh): the right hand can take C4. Do not force the span.',
    );
    await inspector.getByRole('button', { name: 'C4 to the right hand' }).click();
    await expect(inspector).not.toContainText('is a tenth, beyond the largest reach');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(inspector).toContainText('is a tenth, beyond the largest reach');

    // What is meant so is not said again, until the teacher wants it to be.
    await inspector.locator('.finding', { hasText: 'is a tenth' }).getByRole('button', { name: 'I mean it so' }).click();
    await expect(inspector).toContainText('Meant so: beyond reach');
    await expect(inspector).not.toContainText('is a tenth, beyond the largest reach');
    await inspector.getByRole('button', { name: 'say it again' }).click();
    await expect(inspector).toContainText('is a tenth, beyond the largest reach');

    // Two bars are shared out at once.
    await expect(inspector).toContainText(/In bars 6 to 7 the right hand can take 3 notes \(C4, G3, F3\): of \d+ findings there (none is|\d are) left\./);
    await inspector.getByRole('button', { name: 'All 3 to the right hand' }).click();
    await expect(inspector.getByRole('button', { name: 'All 3 to the right hand' })).toHaveCount(0);
    await expect(inspector.getByText('right, planned')).toHaveCount(3);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(inspector.getByRole('button', { name: 'All 3 to the right hand' })).toBeVisible();
    await saved(page);
});

test('a student page says what her hands mean for each piece', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Bram', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Bram', level: 1 })).toBeVisible();
    await expect(page.getByText('an octave in comfort, a ninth at most').first()).toBeVisible();
    const piece = page.getByRole('article').filter({ hasText: 'Slow Weather' });
    await expect(piece.getByRole('columnheader', { name: 'if it reached a tenth' })).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    await piece.getByRole('link', { name: /chord/ }).last().click();
    await expect(page.getByRole('complementary')).toContainText('beyond the');
});

test('on a tablet: a piano without the lowest keys, and fingers by the print alone', async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await signIn(page);
    await page.getByRole('button', { name: 'Add a student' }).click();
    const name = test.info().retry === 0 ? 'Reed' : 'Reedling';
    await page.getByLabel('First name or nickname').fill(name);
    await page.getByRole('combobox', { name: 'Lowest key' }).selectOption({ label: 'C2' });
    await page.getByRole('combobox', { name: 'soft pedal' }).selectOption({ label: 'is not there' });
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await givePiece(page, name, 'Slow Weather');
    await page.getByRole('button', { name: 'Hand', exact: true }).click();

    const inspector = page.getByRole('complementary');
    await inspector
        .getByRole('button', { name: /Not on this piano: go to bar/ })
        .first()
        .click();
    await expect(inspector).toContainText('is not on this piano');
    const play = inspector.getByRole('button', { name: /^Play .* as / }).first();
    const action = (await play.textContent())!.trim();
    await play.click();
    await expect(inspector.getByRole('button', { name: action })).toHaveCount(0);
    await expect(page.locator('.fingers .octave').first()).toHaveText('↑8');
    await saved(page);

    // By the print nothing is suggested: the piece has no printed fingers.
    await expect(page.locator('.fingers .planned').first()).toBeVisible();
    await page.getByRole('combobox', { name: 'Fingers by' }).selectOption({ label: 'the print' });
    await expect(page.locator('.fingers .planned')).toHaveCount(0);
    await page.locator('.scroll').focus();
    await page.keyboard.press('3');
    await expect(page.locator('.fingers .teacher text').first()).toHaveText('3');
    await saved(page);
    expect(await seriousViolations(page)).toEqual([]);
});

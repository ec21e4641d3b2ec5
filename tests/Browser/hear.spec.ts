import { createRequire } from 'node:module';
import { expect, type Locator, type Page } from '@playwright/test';
import { openDesk, seriousViolations, signIn, test } from './support/studio';

const { Midi } = createRequire(import.meta.url)('@tonejs/midi') as typeof import('@tonejs/midi');

interface FakeMidi {
    send(bytes: number[], at?: number): void;
}

declare global {
    interface Window {
        fakeMidi: FakeMidi;
    }
}

/** A digital piano that the browser finds by Web MIDI, and that a test plays on. */
async function plugIn(page: Page): Promise<void> {
    await page.addInitScript(() => {
        const input: { id: string; name: string; state: string; onmidimessage: ((event: unknown) => void) | null } = {
            id: 'stage',
            name: 'Stage piano',
            state: 'connected',
            onmidimessage: null,
        };
        window.fakeMidi = { send: (bytes, at = performance.now()) => input.onmidimessage?.({ data: new Uint8Array(bytes), timeStamp: at }) };
        Object.defineProperty(navigator, 'requestMIDIAccess', { value: () => Promise.resolve({ inputs: new Map([['stage', input]]), onstatechange: null }) });
    });
}

async function openHear(page: Page): Promise<void> {
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'Hear', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible();
}

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Bar inspector' });

/** Plugs a digital piano in and finds it, for another take. */
async function withInstrument(page: Page): Promise<Locator> {
    await plugIn(page);
    await signIn(page);
    await openHear(page);
    const panel = inspector(page);
    await panel.getByText('Record another take').click();
    await panel.getByRole('button', { name: 'Look for instruments' }).click();
    return panel;
}

/** Records what the simulated pianist plays, without waiting for it. */
async function simulate(page: Page, faults: string[]): Promise<void> {
    const panel = inspector(page);
    if (!(await panel.getByLabel('at once').isVisible())) await panel.getByText('Record another take').click();
    await panel.getByLabel('at once').check();
    if (faults.length > 0 && !(await panel.getByLabel('Foot late').isVisible())) await panel.getByText('With faults').click();
    for (const fault of faults) await panel.getByLabel(fault, { exact: true }).check();
    await Promise.all([
        page.waitForResponse((response) => response.request().method() === 'GET' && /\/takes\/\d+\?/.test(response.url())),
        panel.getByRole('button', { name: 'Record the piece' }).click(),
    ]);
    await expect(panel.getByText('Listening', { exact: false })).toHaveCount(0);
}

test('a take of the simulated piano is measured, told by bar, and laid beside an earlier one', async ({ page }) => {
    await signIn(page);
    await openHear(page);
    const panel = inspector(page);
    await simulate(page, ['Foot late', 'Filling too loud']);
    const next = panel.getByRole('list', { name: 'What to do next' });
    await expect(next.getByText('The pedal comes up too late')).toBeVisible();
    await expect(next.getByText('The accompaniment covers the melody.')).toBeVisible();
    await expect(page.locator('.move.smear').first()).toBeVisible();
    await expect(page.locator('.hear path.played').first()).toBeVisible();

    // From finding to finding, and from the verdict to its bar.
    await page.getByRole('button', { name: /^Bar 1:/ }).click();
    await page.keyboard.press('n');
    await expect(panel.getByRole('heading', { level: 2 })).not.toHaveText('Bar 1');
    await next.getByRole('button').first().click();
    await expect(panel.locator('.finding').first()).toBeVisible();

    // The same without the faults is better, and beside the first it is told what.
    await panel.getByLabel('Foot late').uncheck();
    await panel.getByLabel('Filling too loud', { exact: true }).uncheck();
    await simulate(page, []);
    await expect(panel.getByText('As planned: all 249 notes')).toBeVisible();
    await expect(panel.getByRole('list', { name: 'What got better' })).toContainText('Late pedal: better in bars');
    await page.getByLabel('An earlier take beside it').selectOption({ index: 1 });
    await expect(panel.getByText(/Late pedal: \d+ before, 0 now/)).toBeVisible();
    await expect(page.locator('.hear path.before').first()).toBeVisible();
    await expect(panel.locator('canvas')).toBeVisible();
    await panel.getByText('As a table').click();
    await expect(panel.getByRole('table').getByRole('row')).toHaveCount(6);
    expect(await seriousViolations(page)).toEqual([]);
});

test('a take has a name, is judged by the plan of now, heard, downloaded and deleted', async ({ page }) => {
    await signIn(page);
    await openHear(page);
    const panel = inspector(page);
    await panel.getByLabel('Name of the take').fill('Before the lesson');
    await panel.getByLabel('Name of the take').press('Enter');
    await expect(page.getByLabel('Take', { exact: true }).locator('option').first()).toHaveText('Before the lesson');
    await panel.getByLabel('judged by the plan as it is now').check();
    await expect(panel.getByText('Listening', { exact: false })).toHaveCount(0);
    await panel.getByRole('button', { name: 'with the plan’s pedal' }).click();
    await expect(panel.getByRole('button', { name: 'Stop' })).toBeVisible();
    await panel.getByRole('button', { name: 'Stop' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), panel.getByRole('link', { name: 'As MIDI' }).click()]);
    expect(download.suggestedFilename()).toMatch(/\.mid$/);
    await panel.getByRole('button', { name: 'Delete' }).click();
    await page.getByRole('tooltip').getByRole('button', { name: 'Delete' }).click();
    await expect(page.getByLabel('Take', { exact: true }).locator('option', { hasText: 'Before the lesson' })).toHaveCount(0);
});

test('a digital piano is found, known, recorded and judged; no event of three dense minutes is lost', async ({ page }) => {
    test.slow();
    const panel = await withInstrument(page);
    await expect(panel.getByLabel('Instrument')).toHaveValue('stage');

    await panel.getByRole('button', { name: 'Get to know this instrument' }).click();
    for (const velocity of [30, 100, 64]) {
        await page.evaluate((loud) => [60, 62, 64, 65, 67, 69].forEach((key) => window.fakeMidi.send([0x90, key, loud])), velocity);
        await expect(panel.getByText('6 notes')).toBeVisible();
        await panel.getByRole('button', { name: velocity === 64 ? 'Learn it' : 'Next' }).click();
    }
    await expect(panel.getByText('it tells 30 for the softest and 100 for the loudest')).toBeVisible();
    await panel.getByRole('button', { name: 'Good' }).click();

    // Twenty keys a second and the pedal forty times, for three minutes, as quickly as the page takes them.
    await panel.getByLabel('count-in').uncheck();
    await panel.getByRole('button', { name: 'Record the piece' }).click();
    await expect(panel.getByText('0 keys')).toBeVisible();
    const sent = await page.evaluate(async () => {
        const begin = performance.now();
        let keys = 0;
        for (let ms = 0; ms < 180_000; ms += 25) {
            const key = 40 + ((ms / 25) % 40);
            window.fakeMidi.send([0xb0, 64, (ms / 25) % 128], begin + ms);
            if (ms % 50 === 0) {
                window.fakeMidi.send([0x90, key, 40 + (keys % 60)], begin + ms);
                window.fakeMidi.send([0x80, key, 64], begin + ms + 45);
                keys++;
            }
            if (ms % 2000 === 0) await new Promise((done) => setTimeout(done, 20));
        }
        return keys;
    });
    expect(sent).toBe(3600);
    await expect(panel.getByText('3600 keys, 7200 moves of the pedal')).toBeVisible();
    await panel.getByRole('button', { name: 'Stop' }).click();
    await expect(panel.getByText('Recorded here on Stage piano')).toBeVisible({ timeout: 60_000 });
    const file = await page.request.get((await panel.getByRole('link', { name: 'As MIDI' }).getAttribute('href'))!);
    const [track] = new Midi(await file.body()).tracks;
    expect([track?.notes.length, track?.controlChanges[64]?.length]).toEqual([3600, 7200]);
    expect(track!.notes.at(-1)!.time - track!.notes[0]!.time).toBeCloseTo(179.95, 2);
});

test('a recording that was interrupted by a reload is still there, and is kept', async ({ page }) => {
    const panel = await withInstrument(page);
    await panel.getByLabel('count-in').uncheck();
    await panel.getByRole('button', { name: 'Record the piece' }).click();
    await page.evaluate(() =>
        [57, 62, 66].forEach((key) => {
            window.fakeMidi.send([0x90, key, 60]);
            window.fakeMidi.send([0x80, key, 60]);
        }),
    );
    await expect(panel.getByText('3 keys')).toBeVisible();
    await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.startsWith('tarnwind:recording:')));
    await page.reload();
    await page.getByRole('button', { name: 'Hear', exact: true }).click();
    await panel.getByText('Record another take').click();
    await expect(panel.getByText('A recording on Stage piano has not been kept yet.')).toBeVisible();
    await panel.getByRole('button', { name: 'Keep it' }).click();
    await expect(panel.getByText('has not been kept yet')).toHaveCount(0);
    await expect(page.getByLabel('Take', { exact: true }).locator('option')).toHaveCount(4);
});

test('keys on the screen are played by mouse and by the computer, and a file is dropped', async ({ page }) => {
    await signIn(page);
    await openHear(page);
    const panel = inspector(page);
    await panel.getByText('Record another take').click();
    await panel.getByLabel('Instrument').selectOption('screen');
    await panel.getByLabel('count-in').uncheck();
    await panel.getByRole('button', { name: 'Record the piece' }).click();
    await panel.getByRole('button', { name: 'C4', exact: true }).click();
    await panel.getByRole('group', { name: 'Keys on the screen' }).focus();
    for (const key of ['d', ' ', 'g']) await page.keyboard.press(key);
    await expect(panel.getByText('3 keys, 2 moves of the pedal')).toBeVisible();
    await panel.getByRole('button', { name: 'Throw it away' }).click();
    await panel.getByLabel('A MIDI file').setInputFiles({ name: 'no take.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing') });
    await expect(panel.getByRole('alert')).toHaveText('This is not a MIDI file.');
});

test('the foot is trained by a key, told at once, judged, and goes on by what it did', async ({ page }) => {
    await signIn(page);
    await openHear(page);
    await inspector(page).getByRole('link', { name: 'Train the foot' }).click();
    await expect(page.getByRole('heading', { name: 'The foot', exact: true })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Rounds so far' })).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Dry at the rest' }).click();
    await expect(page.getByText('Foot up with the end of the chord')).toBeVisible();
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    // Told within one frame or two of the press.
    const told = await page.evaluate(async () => {
        const mark = document.querySelector('.mark')!;
        const begin = performance.now();
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
        while (mark.textContent.trim() === '' && performance.now() - begin < 2000) await new Promise((done) => requestAnimationFrame(done));
        return mark.textContent.trim();
    });
    expect(told).toMatch(/down \d+ ms (before|after)/);
    await page.keyboard.up(' ');
    await expect(page.getByRole('article', { name: 'The round' })).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('button', { name: 'Next round' })).toBeVisible();
    await expect(page.getByRole('table').getByRole('row').nth(1)).toContainText('Dry at the rest');
    // Chords of one's own: the foot is told against them.
    await page.getByRole('button', { name: 'Change with your own chords' }).click();
    await expect(page.getByText('Play nine chords at your own pace')).toBeVisible();
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('group', { name: 'Keys on the screen' }).focus();
    for (let chord = 0; chord < 9; chord++) {
        await page.keyboard.press('a');
        await page.keyboard.up(' ');
        await page.keyboard.down(' ');
        await page.waitForTimeout(200);
    }
    await expect(page.getByRole('article', { name: 'The round' }).getByRole('listitem')).toHaveCount(9);
    await page.keyboard.up(' ');
    // A passage of the piece, with the windows it has there.
    await page
        .getByRole('navigation', { name: /Changes of Lantern/ })
        .getByRole('button')
        .first()
        .click();
    await expect(page.getByText('within 150 ms')).toBeVisible();
});

test('at home a student records a step; what passes opens the next', async ({ page, browser }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await page.getByRole('button', { name: 'Link for home' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();
    const tablet = await browser.newContext({ viewport: { width: 820, height: 1100 } });
    const home = await tablet.newPage();
    await home.goto(new URL(new URL(link).pathname, page.url()).href);
    const step = home.locator('article.step').first();
    await step.getByRole('button', { name: 'Play it to Tarnwind' }).click();
    await step.getByLabel('at once').check();
    await step.getByRole('button', { name: /^Record / }).click();
    await expect(step.getByText('The next step is open.')).toBeVisible();
    await expect(step.getByText(/^As planned: all \d+ notes/)).toBeVisible();
    await expect(step.getByText('Done', { exact: true })).toBeVisible();
    expect(await seriousViolations(home)).toEqual([]);
    await home.getByRole('link', { name: 'Train the foot' }).click();
    await expect(home.getByRole('heading', { name: 'The foot', exact: true })).toBeVisible();
    await tablet.close();
});

test('the studio says how far from the plan a take may be', async ({ page }) => {
    await signIn(page);
    await page.goto('/account');
    const limits = page.locator('section', { has: page.getByRole('heading', { name: 'How takes are judged' }) });
    await limits.getByText('Foot', { exact: true }).click();
    await limits.getByLabel('Late pedal').fill('80');
    await limits.getByRole('button', { name: 'Save the limits' }).click();
    await expect(page.getByRole('status')).toHaveText('Saved. Takes are judged by it from now on.');
    await page.reload();
    await expect(limits.getByText('1 is yours', { exact: false })).toBeVisible();
});

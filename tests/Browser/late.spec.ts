import { expect, type Page } from '@playwright/test';
import { openDesk, signIn, test } from './support/studio';

/** Levels that were given to one tone, the first one its own. */
type Levels = { values: number[]; offline: boolean; at: number };

declare global {
    interface Window {
        tones: Levels[];
        lateBy: number[];
    }
}

/** Takes down every level that is scheduled for a tone of the piano, and how late the tone is handed over. */
async function takeDown(page: Page): Promise<void> {
    await page.addInitScript(() => {
        window.tones = [];
        window.lateBy = [];
        const known = new WeakMap<AudioParam, Levels>();
        const owner = new WeakMap<AudioParam, BaseAudioContext>();
        const make = Reflect.get<BaseAudioContext, 'createGain'>(BaseAudioContext.prototype, 'createGain');
        BaseAudioContext.prototype.createGain = function (this: BaseAudioContext): GainNode {
            const node = make.call(this);
            owner.set(node.gain, this);
            return node;
        };
        const set = Reflect.get<AudioParam, 'setValueAtTime'>(AudioParam.prototype, 'setValueAtTime');
        AudioParam.prototype.setValueAtTime = function (value: number, at: number): AudioParam {
            const context = owner.get(this);
            if (context) {
                const levels = known.get(this) ?? { values: [], offline: context instanceof OfflineAudioContext, at };
                if (levels.values.length === 0) window.tones.push(levels);
                levels.values.push(value);
                known.set(this, levels);
            }
            return set.call(this, value, at);
        };
        const start = Reflect.get<AudioBufferSourceNode, 'start'>(AudioBufferSourceNode.prototype, 'start');
        AudioBufferSourceNode.prototype.start = function (at = 0): void {
            window.lateBy.push(this.context.currentTime - at);
            start.call(this, at);
        };
    });
}

const tones = (page: Page, offline: boolean): Promise<Levels[]> => page.evaluate((wanted) => window.tones.filter((tone) => tone.offline === wanted), offline);

/** Keeps the page's one thread busy. */
const block = (page: Page, ms: number): Promise<void> =>
    page.evaluate((long) => {
        const until = performance.now() + long;
        while (performance.now() < until);
    }, ms);

async function hide(page: Page, hidden: boolean): Promise<void> {
    await page.evaluate((is) => {
        Object.defineProperty(document, 'hidden', { configurable: true, get: () => is });
        document.dispatchEvent(new Event('visibilitychange'));
    }, hidden);
}

test('whatever keeps the page busy, no tone is louder than its own, and a sound file of the same has the same levels', async ({ page }) => {
    const thrown: string[] = [];
    page.on('pageerror', (error) => thrown.push(error.message));
    await takeDown(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    await expect.poll(async () => (await tones(page, false)).length, { timeout: 40_000 }).toBeGreaterThan(6);
    for (const ms of [600, 1500, 3000]) {
        const before = (await tones(page, false)).length;
        await block(page, ms);
        await expect.poll(async () => (await tones(page, false)).length, { timeout: 20_000 }).toBeGreaterThan(before + 3);
    }
    // Hidden, it looks once a second: what is due until then has been handed over.
    await page.evaluate(() => (window.lateBy = []));
    await hide(page, true);
    await block(page, 1000);
    await page.waitForTimeout(100);
    await block(page, 1000);
    await expect.poll(() => page.evaluate(() => window.lateBy.length)).toBeGreaterThan(6);
    expect(Math.max(...(await page.evaluate(() => window.lateBy)))).toBeLessThanOrEqual(0);
    await hide(page, false);
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();

    const live = await tones(page, false);
    for (const { values } of live) {
        expect(values.every((value) => Number.isFinite(value) && value >= 0)).toBe(true);
        values.slice(1).forEach((value, index) => expect(value).toBeLessThanOrEqual(values[index]! * (1 + 1e-6)));
    }
    // A tone that comes at all comes at most a tenth of a second late.
    expect(thrown).toEqual([]);

    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    const [file] = await Promise.all([page.waitForEvent('download', { timeout: 60_000 }), page.getByRole('button', { name: 'Save as a sound file' }).click()]);
    await file.path();
    const own = (await tones(page, true)).map(({ values }) => values[0]!.toFixed(6));
    let place = 0;
    // What was heard live is what the file has, in order, less what came too late.
    for (const { values } of live) {
        const found = own.indexOf(values[0]!.toFixed(6), place);
        expect(found).toBeGreaterThanOrEqual(place);
        place = found + 1;
    }
    expect(live.length).toBeGreaterThan(20);
    expect(thrown).toEqual([]);
});

test('a first passage loads what it needs and no more, and says how far it is', async ({ page }) => {
    let bytes = 0;
    let files = 0;
    page.on('response', (response) => {
        if (!response.url().endsWith('.mp3')) return;
        files++;
        bytes += Number(response.headers()['content-length'] ?? 0);
    });
    await takeDown(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    expect(files).toBe(0);
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press(' ');
    await expect.poll(async () => (await tones(page, false)).length, { timeout: 40_000 }).toBeGreaterThan(1);
    await page.keyboard.press(' ');
    expect(files).toBeGreaterThan(1);
    expect(files).toBeLessThan(16);
    expect(bytes).toBeGreaterThan(100_000);
    expect(bytes).toBeLessThanOrEqual(2_500_000);
    // The whole piece needs more, and keeps within the same.
    const before = bytes;
    await page.keyboard.press('Home');
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 40_000 });
    await page.waitForTimeout(3000);
    expect(bytes - before).toBeLessThanOrEqual(2_500_000);
});

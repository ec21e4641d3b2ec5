// Measures in the browser how soon a long piece is read, kept and seen, and how smoothly its desk moves.
// Usage: bin/bench-desk.mjs ORIGIN E-MAIL PASSWORD FILE      (bin/bench-desk starts a server and calls it)
import { chromium } from '@playwright/test';

const [origin, email, password, file] = process.argv.slice(2);
const TITLE = 'A long piece';
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => {
    window.longTasks = [];
    new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => window.longTasks.push(duration))).observe({ type: 'longtask' });
});

/** Seconds until something has come. */
async function time(work) {
    const start = performance.now();
    await work();
    return (performance.now() - start) / 1000;
}
const say = (what, seconds) => console.log(`${what.padEnd(44)} ${seconds.toFixed(2)} s`);
const firstLine = () => page.locator('.system .engraving svg').first().waitFor();
const allLines = () => page.waitForFunction(() => document.querySelector('.system') && !document.querySelector('.engraving-note:not(.wait)'));

await page.goto(`${origin}/sign-in`);
await page.getByLabel('E-mail').fill(email);
await page.getByLabel('Password').fill(password);
await page.getByRole('button', { name: 'Sign in', exact: true }).click();
await page.getByRole('heading', { name: 'Students' }).waitFor();
await page.waitForTimeout(1500);

await page.goto(`${origin}/pieces/new`);
say(
    'a file is read for its preview',
    await time(async () => {
        await page.locator('input[type="file"]').setInputFiles(file);
        await page.getByLabel('Title').waitFor();
    }),
);
await page.getByLabel('Title').fill(TITLE);
say(
    'it is kept',
    await time(async () => {
        await page.getByRole('button', { name: 'Keep this piece' }).click();
        await page.getByRole('heading', { name: 'Students' }).waitFor();
    }),
);
await page.waitForTimeout(1500);
await page.getByRole('combobox').first().selectOption({ label: TITLE });
say(
    'its portrait',
    await time(async () => {
        await page.getByRole('button', { name: 'Open desk' }).first().click();
        await page.getByRole('link', { name: 'Open the desk' }).waitFor();
    }),
);
let first = 0;
const all = await time(async () => {
    first = await time(async () => {
        await page.getByRole('link', { name: 'Open the desk' }).click();
        await firstLine();
    });
    await allLines();
});
say('the first line of its desk, from the click', first);
say('all its lines', all);
await page.waitForTimeout(4000);
await page.getByRole('link', { name: 'Back to the studio' }).click();
await page.getByRole('heading', { name: 'Students' }).waitFor();
await page.waitForTimeout(500);
say(
    'all lines at a second opening',
    await time(async () => {
        await page.getByRole('link', { name: TITLE, exact: true }).first().click();
        await firstLine();
        await allLines();
    }),
);
await page.reload();
await page.waitForTimeout(4000);

/** Tasks of the main thread over 50 ms while something is done. */
async function tasks(what, work) {
    await page.evaluate(() => (window.longTasks = []));
    await work();
    await page.waitForTimeout(500);
    const long = await page.evaluate(() => window.longTasks);
    console.log(`${what.padEnd(44)} ${long.length} tasks over 50 ms${long.length > 0 ? `, the longest ${Math.round(Math.max(...long))} ms` : ''}`);
}
for (const view of ['Pedal', 'Touch', 'Hand', 'Read', 'Count']) {
    await page.getByRole('button', { name: view, exact: true }).click();
    await page.waitForTimeout(4000);
    await page.keyboard.press('Home');
    await page.waitForTimeout(800);
    await tasks(`${view}: forty bars by key`, async () => {
        for (let bar = 0; bar < 40; bar++) {
            await page.keyboard.press('ArrowDown');
            await page.waitForTimeout(60);
        }
    });
    await page.locator('.scroll').hover();
    await tasks(`${view}: twenty turns of the wheel`, async () => {
        for (let turn = 0; turn < 20; turn++) {
            await page.mouse.wheel(0, 700);
            await page.waitForTimeout(80);
        }
    });
}
// Three minutes of playing with dense pedal: from the key to the first tone, and tones that were handed over too late.
if (process.env.TARNWIND_LISTEN) {
    await page.getByRole('button', { name: 'Pedal', exact: true }).click();
    await page.locator('.scroll').focus();
    await page.keyboard.press('Home');
    await page.evaluate(() => {
        window.firstTone = null;
        const start = AudioBufferSourceNode.prototype.start;
        AudioBufferSourceNode.prototype.start = function (at = 0) {
            window.firstTone ??= performance.now() + 1000 * (at - this.context.currentTime);
            start.call(this, at);
        };
    });
    await page.keyboard.press(' ');
    await page.waitForFunction(() => window.firstTone !== null, null, { timeout: 120_000 });
    await page.waitForTimeout(20_000);
    await page.keyboard.press(' ');
    await page.waitForTimeout(500);
    const pressed = await page.evaluate(() => ((window.firstTone = null), performance.now()));
    await page.keyboard.press(' ');
    await page.waitForFunction(() => window.firstTone !== null);
    say('from the key to the first tone, samples loaded', ((await page.evaluate(() => window.firstTone)) - pressed) / 1000);
    await page.waitForTimeout(180_000);
    const told = page.waitForEvent('console', (message) => message.text().endsWith('tones came late'));
    await page.keyboard.press(' ');
    console.log(`three minutes of playing: ${(await told).text()}`);
}
await browser.close();

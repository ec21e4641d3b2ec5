import { chromium } from '@playwright/test';
const base = process.env.BASE ?? 'http://127.0.0.1:8123';
const b = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});
const [w, h] = (process.env.SIZE ?? '1280x800').split('x').map(Number);
const p = await b.newPage({ viewport: { width: w, height: h } });
p.on('console', (m) => {
    if (m.type() !== 'log') console.log('console', m.type(), m.text().slice(0, 300));
});
p.on('pageerror', (e) => console.log('pageerror', e.message.slice(0, 400)));
p.on('requestfailed', (r) => console.log('failed', r.url()));
await p.goto(base + '/sign-in');
if (process.argv.includes('signin')) {
    await p.waitForTimeout(500);
    await p.screenshot({ path: '/tmp/shots/signin.png' });
}
await p.click('text=Sign in as the demo teacher');
await p.waitForURL(base + '/');
if (process.argv.includes('studio')) {
    await p.waitForTimeout(600);
    await p.screenshot({ path: '/tmp/shots/studio.png' });
}
const step = process.argv.find((a) => a.startsWith('run:'));
globalThis.p = p;
globalThis.base = base;
if (step) {
    const m = await import('file:///tmp/' + step.slice(4));
    await m.default(p, base);
}
await b.close();

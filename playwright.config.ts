import { defineConfig } from '@playwright/test';

const port = Number(process.env['TARNWIND_TEST_PORT'] ?? 8321);

export default defineConfig({
    testDir: 'tests',
    testMatch: 'Browser/*.spec.ts',
    workers: 1,
    // Shared machines stall now and then; a test that passes at the second try is reported as flaky.
    retries: 1,
    timeout: 120_000,
    expect: { timeout: 30_000 },
    reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
        screenshot: 'only-on-failure',
    },
    // The second one has a craft more than the application: see tests/Toy.
    webServer: [
        [port, 'browser'],
        [port + 1, 'toy'],
    ].map(([at, name]) => ({
        command: `bash tests/Browser/support/serve.sh ${at} ${name}`,
        url: `http://127.0.0.1:${at}/up`,
        timeout: 120_000,
        reuseExistingServer: false,
        stderr: 'ignore' as const,
    })),
});

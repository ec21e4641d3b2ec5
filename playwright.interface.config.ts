import { defineConfig } from '@playwright/test';

// The parts of the interface that need no page and no server.
export default defineConfig({
    testDir: 'tests/Interface',
    workers: 2,
    reporter: [['line'], ['json', { outputFile: 'test-results/interface.json' }]],
});

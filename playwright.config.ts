import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'test-results',
    timeout: 90_000,
    expect: { timeout: 10_000 },
    workers: 2,
    fullyParallel: false,
    forbidOnly: process.env.CI !== undefined,
    retries: process.env.CI !== undefined ? 1 : 0,
    reporter: [['list']],
    use: {
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
        trace: 'retain-on-failure',
    },
});

import { defineConfig } from '@playwright/test';

const slow = process.env.CI !== undefined;

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'test-results',
    globalSetup: './tests/Browser/once.ts',
    // A shared machine may be several times slower than the one at hand.
    timeout: slow ? 180_000 : 90_000,
    expect: { timeout: slow ? 25_000 : 10_000 },
    workers: 2,
    fullyParallel: false,
    forbidOnly: slow,
    retries: slow ? 1 : 0,
    reporter: [['list']],
    use: {
        viewport: { width: 1280, height: 800 },
        // What the tablet keeps stands between page and network: tested by itself, in away.spec.
        serviceWorkers: 'block',
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
        // Filming every test takes twice the time of the tests; what fails is filmed the second time.
        trace: 'on-first-retry',
    },
    // Tablets stand in three zones, one of them half an hour off.
    projects: [
        { name: 'west', testMatch: /(bench|story|contacts|scale|builds|study|keeping)\.spec/, use: { timezoneId: 'America/Los_Angeles' } },
        {
            name: 'middle',
            testMatch: /(access|formulas|labels|people|plan|point|shell|zones|two-tablets|ounces)\.spec/,
            use: { timezoneId: 'UTC' },
        },
        {
            name: 'east',
            testMatch: /(away|port|weighing|nothing-lost|swatches|walks|ways-in|through|hot)\.spec/,
            use: { timezoneId: 'Asia/Kolkata' },
        },
    ],
});

import { defineConfig } from '@playwright/test';

const slow = process.env.CI !== undefined;

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'test-results',
    globalSetup: './tests/Browser/once.ts',
    // A shared machine may be several times slower than the one at hand.
    timeout: slow ? 180_000 : 90_000,
    expect: { timeout: slow ? 25_000 : 10_000 },
    // A walk waits for a scale that settles and a page that comes more than it reckons: two on a core keep both cores busy.
    workers: 4,
    fullyParallel: false,
    forbidOnly: slow,
    retries: slow ? 1 : 0,
    reporter: [['list']],
    use: {
        // What cannot be pressed or chosen is said by its name, not by the end of the test.
        actionTimeout: slow ? 60_000 : 25_000,
        viewport: { width: 1280, height: 800 },
        // What the tablet keeps stands between page and network: tested by itself, in away.spec.
        serviceWorkers: 'block',
        // Nobody watches: what glides is there at once.
        contextOptions: { reducedMotion: 'reduce' },
        launchOptions: {
            executablePath: '/usr/bin/chromium-headless-shell',
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
    // Tablets stand in three zones, one of them half an hour off; the long walks begin first, so that no worker is alone at the end.
    projects: [
        {
            name: 'east',
            testMatch: /(away|port|weighing|nothing-lost|swatches|walks|ways-in|through|hot)\.spec/,
            use: { timezoneId: 'Asia/Kolkata' },
        },
        {
            name: 'middle',
            testMatch: /(access|formulas|labels|people|paper|plan|point|practice|shell|zones|two-tablets|ounces)\.spec/,
            use: { timezoneId: 'UTC' },
        },
        { name: 'west', testMatch: /(bench|story|contacts|scale|builds|study|keeping)\.spec/, use: { timezoneId: 'America/Los_Angeles' } },
    ],
});

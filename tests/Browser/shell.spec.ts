import { castSheet, expect, test } from './shop';

test('what was typed after the session ended is handed in all the same', async ({ page, context, shop }) => {
    await page.goto(`${shop.url}/jobs`);
    await page.getByRole('button', { name: /New job/ }).click();
    await page.getByLabel('Piece').fill('Sat there over lunch');
    // Two idle hours: the server has forgotten the session and with it the token.
    await context.clearCookies();
    await page.getByRole('button', { name: 'Start the job' }).click();

    await expect(page.getByRole('heading', { name: 'Sat there over lunch' })).toBeVisible();
});

test('a sheet that stood open goes on being kept after the session ended', async ({ page, context, shop }) => {
    await castSheet(page, shop, 'Idle sheet');
    await expect(page.getByText('By mass')).toBeVisible();
    await context.clearCookies();
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('321');
    await expect(page.getByTestId('mass')).toHaveText('321');
    await page.reload();

    await expect(page.getByLabel('Mass wanted')).toHaveValue('321');
});

test('the first screen comes in under 200 kB, packed, and its parts are kept', async ({ browser, shop }) => {
    const page = await (await browser.newContext()).newPage();
    const network = await page.context().newCDPSession(page);
    await network.send('Network.enable');
    let bytes = 0;
    network.on('Network.loadingFinished', (part) => (bytes += part.encodedDataLength));
    const kept: string[] = [];
    page.on('response', (response) => {
        if (response.url().includes('/build/assets/')) {
            kept.push(response.headers()['cache-control'] ?? '');
            expect(/\.(js|css)$/.test(response.url()) ? response.headers()['content-encoding'] : 'br', response.url()).toBe('br');
        }
    });
    await page.goto(shop.url, { waitUntil: 'networkidle' });
    await page.evaluate(() => document.fonts.ready);

    expect(kept.length).toBeGreaterThan(4);
    expect(new Set(kept)).toEqual(new Set(['public, max-age=31536000, immutable']));
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(200_000);
    await page.context().close();
});

test('no page runs a script that was written into it', async ({ page, shop }) => {
    const refused: string[] = [];
    page.on('console', (said) => {
        if (/Content Security Policy/.test(said.text())) {
            refused.push(said.text());
        }
    });
    for (const address of [
        '/',
        '/jobs',
        '/formulas',
        '/swatches',
        '/swatches/colour',
        '/swatches/drawer',
        '/swatches/series',
        '/log',
        '/stores',
        '/contacts',
    ]) {
        await page.goto(`${shop.url}${address}`, { waitUntil: 'networkidle' });
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    }
    expect(refused).toEqual([]);
});

test('a button pressed three times while it waits makes one job', async ({ page, shop }) => {
    await page.goto(`${shop.url}/jobs`);
    await page.getByRole('button', { name: /New job/ }).click();
    await page.getByLabel('Piece').fill('Pressed thrice');
    await page.route('**/jobs', async (route) => {
        if (route.request().method() === 'POST') {
            await new Promise((done) => setTimeout(done, 700));
        }
        await route.continue();
    });
    const start = page.getByRole('button', { name: 'Start the job' });
    await start.click();
    await expect(page.locator('html')).toHaveAttribute('data-sending', '');
    await start.dispatchEvent('click');
    await start.dispatchEvent('click');
    await expect(page.getByRole('heading', { name: 'Pressed thrice' })).toBeVisible();
    await expect(page.locator('html')).not.toHaveAttribute('data-sending', '');
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await page.goto(`${shop.url}/jobs?q=thrice`);

    await expect(page.getByRole('link', { name: /Pressed thrice/ })).toHaveCount(1);
});

test('where the answer was lost it is said so, and pressing once more is the same press', async ({ page, shop }) => {
    await page.goto(`${shop.url}/jobs`);
    await page.getByRole('button', { name: /New job/ }).click();
    await page.getByLabel('Piece').fill('Answer lost');
    let lost = 0;
    await page.route('**/jobs', async (route) => {
        if (route.request().method() !== 'POST' || lost > 0) {
            await route.continue();

            return;
        }
        lost++;
        // It arrives and is made; the way back is cut.
        await route.fetch({ maxRedirects: 0 });
        await route.abort('connectionreset');
    });
    const start = page.getByRole('button', { name: 'Start the job' });
    await start.click();
    await expect(page.getByRole('alert').filter({ hasText: 'not known whether that arrived' })).toBeVisible();
    await expect(page.getByLabel('Piece')).toHaveValue('Answer lost');
    await start.click();
    await expect(page.getByRole('heading', { name: 'Answer lost' })).toBeVisible();
    await page.goto(`${shop.url}/jobs?q=lost`);

    await expect(page.getByRole('link', { name: /Answer lost/ })).toHaveCount(1);
});

import { castSheet, expect, test, toTheCup, type Shop } from './shop';
import type { Browser, Page } from '@playwright/test';

/** A second tablet: another browser, with nothing of the first in it. */
async function another(browser: Browser, url: string): Promise<Page> {
    const page = await (await browser.newContext({ viewport: { width: 820, height: 1180 } })).newPage();
    await page.goto(url);
    return page;
}

async function sheet(page: Page, shop: Shop, name: string, grams: string): Promise<void> {
    await castSheet(page, shop, name);
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill(grams);
    await expect(page.getByTestId('mass')).toHaveText(grams);
}

const clash = (page: Page) => page.getByRole('alert', { name: 'Changed on another screen' });

test('a sheet that both tablets change: both are shown, and what is kept is poured', async ({ page, browser, shop }) => {
    await sheet(page, shop, 'Two on a sheet', '150');
    const other = await another(browser, page.url());
    await expect(other.getByTestId('mass')).toHaveText('150');

    // What one keeps the other shows, as long as nothing was typed there.
    await page.getByLabel('Mass wanted').fill('160');
    await expect(page.getByTestId('mass')).toHaveText('160');
    await expect(other.getByTestId('mass')).toHaveText('160', { timeout: 45_000 });

    // Both at once: the second is told, with both figures, and nothing of either is lost.
    await other.context().setOffline(true);
    await other.getByLabel('Mass wanted').fill('200');
    await page.getByLabel('Mass wanted').fill('170');
    await expect(page.getByTestId('mass')).toHaveText('170');
    await other.context().setOffline(false);
    await expect(clash(other)).toBeVisible({ timeout: 20_000 });
    await expect(clash(other).getByRole('row', { name: /Mass wanted/ })).toContainText('200 g');
    await expect(clash(other).getByRole('row', { name: /Mass wanted/ })).toContainText('170 g');
    await expect(other.getByRole('button', { name: /Gear on, start/ }).first()).toBeDisabled();
    await clash(other).getByRole('button', { name: 'Keep what stands here' }).click();
    await expect(clash(other)).toBeHidden();
    await expect(other.getByTestId('mass')).toHaveText('200');
    await expect(page.getByTestId('mass')).toHaveText('200', { timeout: 45_000 });
    await other.context().close();
});

test('an idle tablet writes nothing when the room moves, and is led to the run once another has begun it', async ({
    page,
    browser,
    shop,
}) => {
    test.slow();
    await sheet(page, shop, 'Idle tablet', '140');
    const idle = await another(browser, page.url());
    await expect(idle.getByTestId('mass')).toHaveText('140');
    const written: string[] = [];
    idle.on('request', (request) => request.method() === 'PUT' && written.push(request.url()));
    // A tablet nobody touches looks every twenty seconds.
    await page.request.put(`${shop.url}/workshop`, { data: { room_c: 24.4 }, headers: await tokens(page) });
    await expect(idle.getByText('24.4 °C').first()).toBeVisible({ timeout: 45_000 });
    await expect(idle.getByTestId('mass')).toHaveText('140');
    expect(written).toEqual([]);

    await toTheCup(page, shop);
    await expect(idle).toHaveURL(/\/run$/, { timeout: 45_000 });
    // Back in the browser of the first is no way to a sheet with a live start button.
    await page.goBack();
    await expect(page).toHaveURL(/\/run$|\/jobs/, { timeout: 20_000 });
    await idle.context().close();
});

test('until A meets B there is a way back to the plan, and what is in the cup stays', async ({ page, shop }) => {
    await sheet(page, shop, 'Mind changed', '150');
    await toTheCup(page, shop);
    await page.getByRole('button', { name: 'Type the reading instead' }).click();
    await page.getByLabel('The scale reads').fill('50');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Go on short' })).toBeVisible();
    await page.getByRole('button', { name: 'Go on short' }).click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();

    await page.getByRole('button', { name: /Back to the plan, with what is in the cup/ }).click();
    await expect(page.getByText('In the cup already:')).toBeVisible();
    await page.getByLabel('Mass wanted').fill('180');
    await expect(page.getByTestId('mass')).toHaveText('180');
    await page
        .getByRole('button', { name: /Gear on, start/ })
        .filter({ visible: true })
        .click();
    const main = page.locator('.actions .main:not([aria-disabled="true"])');
    await main.click();
    await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
    await expect(page.locator('.checklist input:not(:disabled)')).toHaveCount(0);
    await main.click();
    await expect(page.getByRole('heading', { name: /Stir each part/ })).toBeVisible();
    await main.click();
    await expect(page.getByRole('heading', { name: 'Cup on the scale, with what is in it' })).toBeVisible();
    await expect(page.getByText(/In it: 50\.0 g B/)).toBeVisible();
});

test('a link of a chain that both tablets change shows both', async ({ page, browser, shop }) => {
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Two on a link');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('button', { name: /Casts/ }).first().click();
    const other = await another(browser, page.url());
    await other.getByRole('button', { name: /Casts/ }).first().click();
    for (const one of [page, other]) {
        await one.getByRole('button', { name: 'Change it' }).click();
        await expect(one.getByRole('form', { name: 'Change the link' })).toBeVisible();
    }
    await page.getByLabel('Name').fill('Ears, soft');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('heading', { name: 'Ears, soft', exact: true })).toBeVisible();

    await other.getByLabel('Name').fill('Ears, hard');
    await other.getByRole('button', { name: 'Keep it' }).click();
    await expect(clash(other).getByRole('row', { name: /Name/ })).toContainText('Ears, soft');
    await expect(other.getByLabel('Name')).toHaveValue('Ears, hard');
    await clash(other).getByRole('button', { name: 'Keep what stands here' }).click();
    await expect(other.getByRole('heading', { name: 'Ears, hard', exact: true })).toBeVisible();
    await other.context().close();
});

test('what holds for the bench, changed on both, shows both', async ({ page, browser, empty }) => {
    await page.goto(`${empty.url}/jobs`);
    const other = await another(browser, `${empty.url}/jobs`);
    for (const one of [page, other]) {
        await one.getByRole('button', { name: 'This bench' }).click();
        await expect(one.getByLabel('Pairs of hands at the bench')).toBeVisible();
    }
    await page.getByLabel('The workshop is called').fill('Under the arches');
    await page.getByLabel('Pairs of hands at the bench').fill('2');
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(page.getByLabel('Pairs of hands at the bench')).toBeHidden();

    await other.getByLabel('The workshop is called').fill('Over the arches');
    await other.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(clash(other).getByRole('row', { name: /Pairs of hands/ })).toContainText('2');
    await clash(other).getByRole('button', { name: 'Take what stands there' }).click();
    await expect(other.getByLabel('The workshop is called')).toHaveValue('Under the arches');
    await expect(other.getByLabel('Pairs of hands at the bench')).toHaveValue('2');
    await other.context().close();
});

test('a sheet of the shop’s own that both tablets keep shows both', async ({ page, browser, shop }) => {
    await page.goto(`${shop.url}/stores/new/sheet?from=pr-10`);
    await page.getByLabel('House code (needed)').fill('two-1');
    await page.getByLabel('Name (needed)').fill('Ours, twice');
    await page.getByRole('button', { name: /^Keep/ }).first().click();
    await expect(page).toHaveURL(/\/stores\/two-1$/);
    await page.goto(`${shop.url}/stores/two-1/change`);
    const other = await another(browser, page.url());
    await page.getByLabel('Name (needed)').fill('Ours, first');
    await other.getByLabel('Name (needed)').fill('Ours, second');
    await page.getByRole('button', { name: /^Keep/ }).first().click();
    await expect(page).toHaveURL(/\/stores\/two-1$/);
    await other.getByRole('button', { name: /^Keep/ }).first().click();
    await expect(clash(other).getByRole('row', { name: /Name/ })).toContainText('Ours, first');
    await clash(other).getByRole('button', { name: 'Keep what stands here' }).click();
    await expect(other).toHaveURL(/\/stores\/two-1$/);
    await expect(other.getByRole('heading', { name: 'Ours, second' })).toBeVisible();
    await other.context().close();
});

/** What a browser says of itself when it changes something. */
async function tokens(page: Page): Promise<Record<string, string>> {
    const token = (await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN')?.value ?? '';
    return { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json', 'Content-Type': 'application/json' };
}

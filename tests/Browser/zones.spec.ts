import { castSheet, expect, test, type Shop } from './shop';
import type { Browser, Page } from '@playwright/test';

// A workshop stands where it stands, whatever the tablet in somebody's hand believes.

const ZONES = ['America/Los_Angeles', 'UTC', 'Asia/Kolkata'];
const hereIn = (zone: string, ms = Date.now()): string =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(ms);

async function on(browser: Browser, zone: string): Promise<Page> {
    return (await browser.newContext({ timezoneId: zone, viewport: { width: 1280, height: 800 } })).newPage();
}

async function stands(page: Page, shop: Shop, zone: string): Promise<void> {
    await page.goto(`${shop.url}/jobs`);
    await page.getByRole('button', { name: 'This bench' }).click();
    await page.getByLabel('Time zone').selectOption(zone);
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByLabel('Time zone')).toBeHidden();
}

/** The minute may turn while one looks: what time it is there is asked at each look. */
const here = (page: Page): Promise<void> =>
    expect(async () => {
        await expect(page.locator('header').getByText(hereIn('Asia/Kolkata')).first()).toBeVisible({ timeout: 1000 });
    }).toPass();

test('the first screen says where the workshop stands', async ({ browser, empty: shop }) => {
    const page = await on(browser, 'Asia/Kolkata');
    await page.goto(shop.url);
    await here(page);
    // Once said it stays, also for a tablet that comes from elsewhere.
    const elsewhere = await on(browser, 'America/Los_Angeles');
    await elsewhere.goto(shop.url);
    await here(elsewhere);
});

test('a deadline is the day that was written down, from west and from east of it', async ({ browser, empty: shop }) => {
    const page = await on(browser, 'UTC');
    await stands(page, shop, 'UTC');
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Deadline');
    await page.getByLabel('Wanted by').fill('2027-03-01');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await expect(page.getByRole('heading', { name: 'Deadline' })).toBeVisible();
    for (const zone of ZONES) {
        const other = await on(browser, zone);
        await other.goto(`${shop.url}/jobs`);
        await expect(other.getByText(/1 Mar/).first()).toBeVisible();
        await expect(other.getByText(/28 Feb/)).toHaveCount(0);
    }
});

test('when something happened is told on the clock of the workshop, half hours and all', async ({ browser, empty: shop }) => {
    const page = await on(browser, 'America/Los_Angeles');
    await stands(page, shop, 'Asia/Kolkata');
    await castSheet(page, shop, 'Night shift');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('150');
    await expect(page.getByTestId('mass')).toHaveText('150');
    await page.getByRole('button', { name: /Gear on/ }).click();
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await page.keyboard.press('n');
    await page.getByLabel('In your words').fill('Begun late');
    const before = Date.now();
    await page.getByRole('button', { name: 'Keep it' }).click();
    const note = page.getByLabel('Notes');
    await expect(note.getByText('Begun late')).toBeVisible();
    await expect(note).toContainText(new RegExp(`${hereIn('Asia/Kolkata', before)}|${hereIn('Asia/Kolkata', before + 60_000)}`));
});

import { castSheet, expect, pourToTarget, test, toTheCup, type Shop } from './shop';
import type { Page } from '@playwright/test';

// What the bench computer is not there for: pages open as they stood, a run walks on, and all of it arrives once.
test.use({ serviceWorkers: 'allow' });

/** A cast that is being weighed, on a tablet that keeps what it looks at. */
async function weighing(page: Page, shop: Shop, name: string): Promise<void> {
    await castSheet(page, shop, name);
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('150');
    await expect(page.getByTestId('mass')).toHaveText('150');
    await toTheCup(page, shop);
    await page.evaluate(() => navigator.serviceWorker.ready);
}

/** The pages under way are on the tablet. */
async function keeps(page: Page, path: string): Promise<void> {
    await expect
        .poll(() => page.evaluate(async (wanted) => (await (await caches.open('looks')).match(wanted)) !== undefined, path), { timeout: 20_000 })
        .toBe(true);
}

test('what is under way opens without the bench computer, says how old it is, and goes on by itself', async ({ page, shop }) => {
    await weighing(page, shop, 'Wireless gone');
    await page.reload();
    const run = new URL(page.url()).pathname;
    for (const path of ['/', '/day', run]) {
        await keeps(page, path);
    }
    shop.kill9();

    await page.reload();
    await expect(page.getByText(/As it stood .*: the bench computer does not answer/)).toBeVisible();
    await expect(page.getByRole('heading', { name: /Pour/ }).first()).toBeVisible();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible();
    await expect(page.getByText(/As it stood/)).toBeVisible();
    await page.goto(`${shop.url}/day`);
    await expect(page.getByText(/As it stood/)).toBeVisible();
    await page.goto(`${shop.url}/faults`);
    await expect(page.getByRole('heading', { name: 'This page is not on this tablet' })).toBeVisible();
    await page.getByRole('link', { name: 'Pour: Wireless gone · Cast' }).click();
    await expect(page.getByText(/As it stood/)).toBeVisible();

    await shop.start();
    await expect(page.getByText(/As it stood/)).toBeHidden({ timeout: 20_000 });
    await pourToTarget(page, shop);
});

test('whose page it was is not left lying: who signs out takes the looks along', async ({ page, shop }) => {
    await weighing(page, shop, 'Signed out');
    await page.reload();
    const run = new URL(page.url()).pathname;
    await keeps(page, run);
    await page.evaluate(async () => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
        await fetch('/sign-out', { method: 'POST', headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } });
    });
    expect(await page.evaluate(async () => (await caches.keys()).includes('looks'))).toBe(false);
});

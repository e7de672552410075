import { castSheet, expect, pourToTarget, steady, test, toTheCup, type Shop } from './shop';
import type { Page } from '@playwright/test';

/** A job with a cast that is being weighed, made over the interface. */
async function weighing(page: Page, shop: Shop, name: string): Promise<void> {
    await castSheet(page, shop, name);
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('150');
    await expect(page.getByTestId('mass')).toHaveText('150');
    await toTheCup(page, shop);
}

test('a reload and a second tab stand where the pour stands', async ({ page, context, shop }) => {
    await weighing(page, shop, 'Reload');
    await pourToTarget(page, shop);
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    const cup = await page.getByTestId('target').textContent();

    await page.reload();
    await expect(page.getByTestId('target')).toHaveText(cup ?? '');
    const second = await context.newPage();
    await second.goto(page.url());
    await expect(second.getByTestId('target')).toHaveText(cup ?? '');

    // What one tab confirms the other shows by itself, and confirming there too is no second weighing.
    await pourToTarget(page, shop);
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Mix it/ })).toBeVisible();
    await expect(second.getByRole('heading', { name: /Mix it/ })).toBeVisible();
    await steady(page);
    await page.keyboard.press('Backspace');
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await expect(second.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
});

test('a server killed with -9 mid-pour has lost nothing, and what was pressed meanwhile arrives once', async ({ page, shop }) => {
    await weighing(page, shop, 'Power cut');
    await pourToTarget(page, shop);
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await shop.scale('+20');
    await expect(page.getByText('since A met B')).toBeVisible();

    shop.kill9();
    // With the server the scale is gone, and the field for typed readings has the keys: what is pressed while the page makes room for
    // it may miss.
    await expect(page.getByLabel('The scale reads')).toBeVisible();
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByLabel('In your words').fill('The light went out');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('Kept on this device, not yet on the bench computer.')).toBeVisible();
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByLabel('In your words').fill('A torch will do');
    await page.getByRole('button', { name: 'Keep it' }).click();

    await shop.start();
    await expect(page.getByText('Kept on this device')).toBeHidden({ timeout: 20_000 });
    await expect(page.getByText('The light went out')).toBeVisible();
    await page.reload();
    await expect(page.getByText('The light went out')).toHaveCount(1);
    await expect(page.getByText('A torch will do')).toHaveCount(1);
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await expect(page.getByText('since A met B')).toBeVisible();
    await expect(page.getByRole('img', { name: /In the cup: B/ })).toBeVisible();
});

test('a fact kept on the device survives closing the page before the server is back', async ({ page, shop }) => {
    await weighing(page, shop, 'Closed lid');
    const address = page.url();
    shop.kill9();
    // With the server the scale is gone, and the field for typed readings has the keys: what is pressed while the page makes room for
    // it may miss.
    await expect(page.getByLabel('The scale reads')).toBeVisible();
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByLabel('In your words').fill('Lid closed');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('Kept on this device')).toBeVisible();
    await page.goto('about:blank');
    await shop.start();
    await page.goto(address);

    await expect(page.getByLabel('Notes').getByText('Lid closed')).toBeVisible();
});

test('a scale that drops out mid-pour is said, typing goes on, and it comes back', async ({ page, shop }) => {
    await weighing(page, shop, 'Loose cable');
    await shop.scale('DROP 6');
    await expect(page.getByText(/The scale has gone quiet/)).toBeVisible();
    const box = page.getByLabel('The scale reads');
    await box.fill('12,5');
    await page.getByRole('button', { name: /It is in/ }).click();
    await expect(page.getByText(/Still 62.5 g short of 75 g/)).toBeVisible();
    await expect(box).toHaveValue('12.5');
    await expect(page.getByTestId('live')).toBeVisible({ timeout: 15_000 });
    await expect(page.getByText(/The scale has gone quiet/)).toBeHidden();

    // Typing is always possible, also where the scale answers.
    await page.getByRole('button', { name: 'Type the reading instead' }).click();
    await page.getByLabel('The scale reads').fill('75');
    await page.getByRole('button', { name: /It is in/ }).click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await page.getByRole('button', { name: 'Let the scale say it' }).click();
    await expect(page.getByTestId('live')).toBeVisible();
});

test('a sheet typed while the server is gone is kept and answered when it is back', async ({ page, shop }) => {
    await castSheet(page, shop, 'Typed in the dark');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('100');
    await expect(page.getByTestId('mass')).toHaveText('100');
    shop.kill9();
    await page.getByLabel('Mass wanted').fill('250');
    await expect(page.getByText(/does not answer/)).toBeVisible();
    await expect(page.locator('.numbers')).toHaveClass(/stale/);
    await shop.start();
    await expect(page.getByTestId('mass')).toHaveText('250', { timeout: 15_000 });
    await page.reload();
    await expect(page.getByLabel('Mass wanted')).toHaveValue('250');
});

import { castSheet, expect, onScale, pourToTarget, steady, target, test, toTheCup, type Shop } from './shop';
import type { Page } from '@playwright/test';

// The scale is watched: what no pouring does is said before it is written down.

async function weighing(page: Page, shop: Shop, name: string, grams = 150): Promise<void> {
    await castSheet(page, shop, name);
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill(String(grams));
    await expect(page.getByTestId('mass')).toHaveText(String(grams));
    await toTheCup(page, shop);
}
const trouble = (page: Page) => page.getByTestId('scale-trouble');
const main = (page: Page) => page.locator('.actions .main');

test('set to zero half way: it is said, counted on from there, and what is written down is what is in the cup', async ({
    page,
    empty: shop,
}) => {
    await weighing(page, shop, 'Zeroed');
    const wanted = await target(page);
    await shop.scale('+34.5');
    await expect.poll(() => onScale(page)).toBeCloseTo(34.5, 1);
    await shop.scale('T');
    await expect(trouble(page)).toContainText('It fell to 0.0 g');
    // Nothing of it is confirmed before that is settled.
    await expect(main(page)).toBeHidden();
    await page.keyboard.press('Space');
    await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
    await expect(trouble(page)).toBeVisible();

    await page.getByRole('button', { name: /It was set to zero: count from 0.0 g/ }).click();
    await expect(trouble(page)).toBeHidden();
    await expect(page.getByTestId('target')).toHaveText((wanted - 34.5).toFixed(1));
    await pourToTarget(page, shop);
    await steady(page);
    await main(page).click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await expect(page.getByRole('img', { name: new RegExp(`In the cup: B ${String(wanted)} g`) })).toBeVisible();
});

test('lifted and put back it goes on by itself; something set down beside the cup does not count', async ({ page, empty: shop }) => {
    await weighing(page, shop, 'Lifted');
    await shop.scale('+40');
    await expect.poll(() => onScale(page)).toBeCloseTo(40, 1);
    await shop.scale('-40');
    await expect(trouble(page)).toContainText('The display reads too little');
    await shop.scale('SET 40');
    await expect(trouble(page)).toBeHidden();
    await shop.scale('SET 240');
    await expect(trouble(page)).toContainText('The display jumped');
    await shop.scale('-240');
    await expect(trouble(page)).toBeHidden();
    await shop.scale('UNIT oz');
    await expect(trouble(page)).toContainText('It shows oz');
    await shop.scale('UNIT g');
    await expect(trouble(page)).toBeHidden();
    expect(await onScale(page)).toBeCloseTo(40, 1);
});

test('one scale serves one weigh-up: the other says who has it, and takes it only when told to', async ({ page, context, empty: shop }) => {
    await weighing(page, shop, 'Holds the scale');
    await shop.scale('+20');
    await expect.poll(() => onScale(page)).toBeCloseTo(20, 1);
    const series = await context.newPage();
    await series.goto(`${shop.url}/swatches/series?base=pr-10`);
    await series.getByRole('button', { name: 'Begin weighing' }).click();
    const held = series.getByRole('alert', { name: 'The scale serves another weigh-up' });
    await expect(held).toContainText('Holds the scale');

    await held.getByRole('button', { name: 'Take the scale over' }).click();
    await expect(held).toBeHidden();
    // The run no longer counts what stands there, and says who has it.
    await page.bringToFront();
    await expect(page.getByRole('alert', { name: 'The scale serves another weigh-up' })).toContainText('Pucks');
    await expect(main(page)).toBeHidden();
    await page.getByRole('button', { name: 'Take the scale over' }).click();
    await expect(trouble(page)).toContainText('Another cup stood on it meanwhile');
    // What had gone in before stays counted, whatever the display was tared with meanwhile.
    await expect(trouble(page)).toContainText('20.0 g had gone in');
    const wanted = await target(page);
    await page.getByRole('button', { name: /^Count from/ }).click();
    await expect(trouble(page)).toBeHidden();
    await expect(page.getByTestId('target')).toHaveText((wanted - 20).toFixed(1));
});

test('two taps within a moment are one press, and taking back names what it takes back', async ({ page, empty: shop }) => {
    await weighing(page, shop, 'Two taps');
    await pourToTarget(page, shop);
    const grams = await target(page);
    await steady(page);
    await main(page).dblclick({ delay: 20 });
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    await page.waitForTimeout(1500);
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    const back = page.getByRole('button', { name: /^Take back/ });
    await expect(back).toContainText(`${grams.toFixed(1)} g B`);
    await back.click();
    await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
});

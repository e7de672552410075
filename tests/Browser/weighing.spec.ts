import { expect, onScale, type Shop, steady, test } from './shop';
import type { Locator, Page } from '@playwright/test';

// How a series is weighed up: the scale leads from one thing to the next.

/** One press, as soon as a step that has just appeared takes it. */
async function space(page: Page): Promise<void> {
    await steady(page);
    await page.keyboard.press('Space');
}

/** What is asked for now belongs to what is in. */
const asked = (page: Page): Locator => page.locator('.next[aria-busy="false"]');

async function begin(page: Page, shop: Shop): Promise<void> {
    await page.goto(`${shop.url}/swatches/series?base=pr-10`);
    await page.getByRole('button', { name: 'Begin weighing' }).click();
    await expect(page.getByRole('heading', { name: 'Pucks of PR-10' })).toBeVisible();
}

const aim = async (page: Page): Promise<number> => Number(await page.getByTestId('aim').textContent());

/** Tares the empty vessel and pours each line to where the screen wants it, so many grams beyond. */
async function fill(page: Page, shop: Shop, lines: number, beyond: number[] = []): Promise<void> {
    await expect(asked(page)).toContainText('Empty, onto the scale:');
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await space(page);
    const over = page.getByRole('button', { name: 'Take the scale over' });
    await expect(over.or(page.getByTestId('aim'))).toBeVisible();
    if (await over.isVisible()) {
        await over.click();
    }
    for (let i = 0; i < lines; i++) {
        await expect(page.getByTestId('aim')).toBeVisible();
        const wanted = await aim(page);
        const poured = wanted + (beyond[i] ?? 0);
        const now = Number((await shop.scale('Q')).slice(3, 11));
        await shop.scale(`+${(poured - now).toFixed(2)}`);
        await expect.poll(() => onScale(page)).toBeCloseTo(poured, 1);
        await space(page);
        await expect(asked(page)).not.toContainText(`until the display reads ${wanted.toFixed(1)}`);
    }
}

test('a series is led by the scale: an over-poured part is made good, a puck keeps its percentage, the labels say what is in', async ({
    page,
    empty: shop,
}) => {
    test.slow();
    await page.goto(`${shop.url}/swatches/series?base=pr-10`);
    await page.getByLabel(/^Pucks at/).fill('0 60');
    await page.getByRole('heading', { name: 'Make a series' }).click();
    await expect(page.locator('.pucks li')).toHaveCount(2);
    await page.getByRole('button', { name: 'Begin weighing' }).click();
    await expect(page.getByRole('heading', { name: 'Pucks of PR-10' })).toBeVisible();
    await expect(asked(page)).toContainText('Empty, onto the scale:');

    // Too early: the pan is short of what is wanted, and says how much.
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await space(page);
    await expect(page.getByTestId('aim')).toHaveText('23.6');
    await space(page);
    await expect(page.getByText('Still 23.6 g to pour.')).toBeVisible();
    await shop.scale('+23.60');
    await expect.poll(() => onScale(page)).toBeCloseTo(23.6, 1);
    await space(page);

    // A is poured 3 g over: the clock started by itself, and B has to follow.
    await expect(page.getByTestId('aim')).toHaveText('47.2');
    await shop.scale('+26.60');
    await expect.poll(() => onScale(page)).toBeCloseTo(50.2, 1);
    await space(page);
    await expect(page.getByText('There is too much A for the B that is in')).toBeVisible();
    await expect(page.getByTestId('series-left')).toBeVisible();

    // A slip is taken back and done again.
    await page.keyboard.press('Backspace');
    await expect(page.getByTestId('aim')).toHaveText('47.2');
    await space(page);
    await expect(page.getByTestId('aim')).toHaveText('53.2');
    await shop.scale('+3.00');
    await expect.poll(() => onScale(page)).toBeCloseTo(53.2, 1);
    await space(page);

    // The pucks: the second takes more from the cup than planned, so its softener follows. The page is closed in between.
    await fill(page, shop, 1);
    await page.goto(shop.url);
    await expect(page.locator('header').getByText('Pucks · PR-10')).toBeVisible();
    await page.locator('article', { hasText: 'Pucks · PR-10' }).getByRole('link', { name: 'Go on' }).click();
    await expect(asked(page)).toContainText('Empty, onto the scale: the 60 % puck');
    await fill(page, shop, 2, [1.9]);
    await expect(page.getByText('Everything is in.')).toBeVisible();
    await page.getByLabel('On the labels').fill('Heron');
    await page.getByRole('button', { name: 'Poured, label them' }).click();
    await expect(page.locator('.tile', { hasText: /Heron (59|60)/ })).toBeVisible();
});

test('a scale that falls silent is said, and the grams are written by hand', async ({ page, demo: shop }) => {
    await begin(page, shop);
    // The pour on the demo's bench may have the scale.
    const over = page.getByRole('button', { name: 'Take the scale over' });
    await expect(async () => {
        if (await over.isVisible()) {
            await over.click({ timeout: 2000 });
        }
        // Before the first answer nobody knows yet who has the scale.
        await expect(page.getByTestId('live')).toHaveText(/\d/, { timeout: 3000 });
    }).toPass({ timeout: 30_000 });
    await shop.scale('DROP 4');
    await expect(page.getByText('What was weighed can be written into the list below.')).toBeVisible();
    await page.getByLabel('B in the plain cup').fill('40');
    await page.getByLabel('A in the plain cup').fill('40');
    await page.getByLabel('On the labels').click();
    await expect(asked(page)).toContainText('Empty, onto the scale: the 0 % puck');
    await expect(page.getByTestId('live')).toBeVisible({ timeout: 15_000 });
    await page.getByLabel('B in the plain cup').fill('lots');
    await page.getByLabel('On the labels').click();
    await expect(page.getByText('Write a number: 12.3.')).toBeVisible();
    await expect(page.getByLabel('B in the plain cup')).toHaveValue('lots');
});

test('two screens and a server that dies in between stand where the weigh-up stands', async ({ page, context, empty: shop }) => {
    await begin(page, shop);
    await page.getByLabel('B in the plain cup').fill('41');
    await page.getByLabel('On the labels').click();
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByLabel('B in the plain cup')).toHaveValue('41.0');

    // What is written meanwhile goes out in its order; the last word stands, also where it is one that was said before.
    shop.kill9();
    for (const grams of ['40', '43', '40']) {
        await page.getByLabel('A in the plain cup').fill(grams);
        await page.getByLabel('A in the plain cup').press('Enter');
    }
    await page.getByRole('button', { name: 'A meets B: start the clock' }).click();
    await expect(page.getByText('Kept on this device')).toBeVisible();
    await shop.start();
    await expect(page.getByText('Kept on this device')).toBeHidden({ timeout: 20_000 });
    await expect(page.getByTestId('series-left')).toBeVisible();
    await expect(other.getByTestId('series-left')).toBeVisible();
    await expect(other.getByLabel('A in the plain cup')).toHaveValue('40.0');

    // The last field is still open when the labels are asked for: what was typed there is on them.
    await page
        .locator('.pucks li')
        .nth(3)
        .getByLabel(/^Softener/)
        .fill('10.72');
    await page.getByRole('button', { name: 'Poured, label them' }).click();
    await expect(page.locator('.tile', { hasText: 'PR-10 80 %' })).toBeVisible();
});

test('a series nobody will finish is taken off the bench, and put back', async ({ page, empty: shop }) => {
    await begin(page, shop);
    await page.getByRole('button', { name: 'Take it off the bench' }).click();
    await expect(page.getByRole('heading', { name: 'Make a series' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('heading', { name: 'Pucks of PR-10' })).toBeVisible();
});

test('a press while it still runs counts when the scale has come to rest, however often the screen looked in between', async ({
    page,
    empty: shop,
}) => {
    await begin(page, shop);
    await expect(asked(page)).toContainText('Empty, onto the scale:');
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await space(page);
    await expect(page.getByTestId('aim')).toHaveText('42.0');
    await shop.scale('+42.00');
    await expect.poll(() => onScale(page)).toBeCloseTo(42, 0);
    await shop.scale('>2');
    await expect.poll(() => onScale(page)).toBeGreaterThan(42);
    const looked = page.waitForResponse(/\/state$/);
    await space(page);
    await expect(page.getByText('Waiting for it to rest')).toBeVisible();
    await looked;
    await expect(page.getByText('Waiting for it to rest')).toBeVisible();
    await shop.scale('|');
    await expect(asked(page)).toContainText('A into the cup');
});

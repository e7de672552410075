import { back, nothing, put, write } from '../../resources/js/lib/weighing';
import type { WeighingResult } from '../../resources/js/types/server';
import { expect, onScale, type Shop, test } from './shop';
import type { Locator, Page } from '@playwright/test';

// What goes into the cups and pucks of a series, and how the scale leads from one to the next.

const cup = [{ grams: 42 }, { grams: 42 }];
const next = (line: number, before: number, vessel = 'plain cup'): WeighingResult => ({
    vessel,
    line,
    before,
    add: '',
    grams: 0,
    running: 0,
    from: 0,
    to: 0,
    opens: before === 0,
    meets: false,
    because: null,
});

test('the display rises, and as much more is in that line', () => {
    let weighed = put(nothing(), next(0, 0), 41.9, cup);
    expect(weighed.grams).toEqual({ 'plain cup': [41.9, null] });
    weighed = put(weighed, next(1, 41.9), 86.9, cup);
    expect(weighed.grams).toEqual({ 'plain cup': [41.9, 45] });
    // A rescue puts more of the first part in.
    weighed = put(weighed, next(0, 86.9), 90, cup);
    expect(weighed.grams).toEqual({ 'plain cup': [45, 45] });

    weighed = back(weighed);
    expect(weighed.grams).toEqual({ 'plain cup': [41.9, 45] });
    weighed = back(back(weighed));
    expect(weighed.grams).toEqual({ 'plain cup': [null, null] });
    expect(back(weighed)).toEqual(weighed);
});

test('what is typed over a line stays, whatever is taken back', () => {
    let weighed = put(put(nothing(), next(0, 0), 42, cup), next(1, 42), 84, cup);
    weighed = write(weighed, 'plain cup', cup, 0, 43);
    expect(weighed.grams).toEqual({ 'plain cup': [43, 42] });
    weighed = back(back(weighed));
    expect(weighed.grams).toEqual({ 'plain cup': [43, null] });
    expect(write(weighed, 'plain cup', cup, 0, null).grams).toEqual({ 'plain cup': [null, null] });
    expect(write(nothing(), 'puck 2', cup, 1, 'lots').grams).toEqual({ 'puck 2': [null, 'lots'] });
});

/** What is asked for now belongs to what is in. */
const asked = (page: Page): Locator => page.locator('.next[aria-busy="false"]');

const aim = async (page: Page): Promise<number> => Number(await page.getByTestId('aim').textContent());

/** Sets the empty vessel to nought and pours each line to where the screen wants it, so many grams beyond. */
async function fill(page: Page, shop: Shop, lines: number, beyond: number[] = []): Promise<void> {
    await expect(asked(page)).toContainText('Empty, onto the scale:');
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await page.keyboard.press('Space');
    for (let i = 0; i < lines; i++) {
        await expect(page.getByTestId('aim')).toBeVisible();
        const wanted = await aim(page);
        const poured = wanted + (beyond[i] ?? 0);
        const now = Number((await shop.scale('Q')).slice(3, 11));
        await shop.scale(`+${(poured - now).toFixed(2)}`);
        await expect.poll(() => onScale(page)).toBeCloseTo(poured, 1);
        await page.keyboard.press('Space');
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
    await expect(asked(page)).toContainText('Empty, onto the scale:');

    // Too early: the pan is short of what is wanted, and says how much.
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await page.keyboard.press('Space');
    await expect(page.getByTestId('aim')).toHaveText('23.6');
    await page.keyboard.press('Space');
    await expect(page.getByText('Still 23.6 g to pour.')).toBeVisible();
    await shop.scale('+23.60');
    await expect.poll(() => onScale(page)).toBeCloseTo(23.6, 1);
    await page.keyboard.press('Space');

    // A is poured 3 g over: the clock started by itself, and B has to follow.
    await expect(page.getByTestId('aim')).toHaveText('47.2');
    await shop.scale('+26.60');
    await expect.poll(() => onScale(page)).toBeCloseTo(50.2, 1);
    await page.keyboard.press('Space');
    await expect(page.getByText('There is too much A for the B that is in')).toBeVisible();
    await expect(page.getByTestId('series-left')).toBeVisible();

    // A slip is taken back and done again.
    await page.keyboard.press('Backspace');
    await expect(page.getByTestId('aim')).toHaveText('47.2');
    await page.keyboard.press('Space');
    await expect(page.getByTestId('aim')).toHaveText('53.2');
    await shop.scale('+3.00');
    await expect.poll(() => onScale(page)).toBeCloseTo(53.2, 1);
    await page.keyboard.press('Space');

    // The pucks: the second takes more from the cup than planned, so its softener follows. The page is closed in between.
    await fill(page, shop, 1);
    await page.reload();
    await expect(asked(page)).toContainText('Empty, onto the scale: the 60 % puck');
    await fill(page, shop, 2, [1.9]);
    await expect(page.getByText('Everything is in.')).toBeVisible();
    await page.getByLabel('On the labels').fill('Heron');
    await page.getByRole('button', { name: 'Poured, label them' }).click();
    await expect(page.locator('.tile', { hasText: /Heron (59|60)/ })).toBeVisible();
});

test('a scale that falls silent is said, and the grams are written by hand', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/series?base=pr-10`);
    await page.getByRole('heading', { name: 'Make a series' }).click();
    await expect(page.getByTestId('live')).not.toHaveText('–');
    await shop.scale('DROP 4');
    await expect(page.getByText('The grams can be written into the list below.')).toBeVisible();
    await page.getByLabel('B in the plain cup').fill('40');
    await page.getByLabel('A in the plain cup').fill('40');
    await page.getByLabel('On the labels').click();
    await expect(asked(page)).toContainText('Empty, onto the scale: the 0 % puck');
    await expect(page.getByTestId('live')).toBeVisible({ timeout: 15_000 });
    await page.getByLabel('B in the plain cup').fill('lots');
    await expect(page.getByRole('alert').filter({ hasText: 'This needs a number; it was “lots”.' })).toBeVisible();
});

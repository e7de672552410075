import { expect, goOn, pourToTarget, steady, tabTo, target, test, tick, typeInto, type Shop } from './shop';
import type { Page } from '@playwright/test';

/** Weighs every line of every cup, through mixing and filling, by pressing Space. */
async function pourAll(page: Page, shop: Shop, press: (words: string) => Promise<void>): Promise<void> {
    await press('I have it on');
    // Every contact is ticked, one by one, before anything is mixed.
    await expect(
        page.getByRole('heading', { name: 'Before anything is mixed' }).or(page.getByRole('heading', { name: /Stir each part/ })),
    ).toBeVisible();
    for (const box of await page.locator('.checklist input').all()) {
        await tick(box, async (one) => {
            await tabTo(page, one);
            await page.keyboard.press('Space');
        });
    }
    for (let i = 0; i < 60; i++) {
        const main = page.locator('.actions .main');
        const words = ((await main.textContent()) ?? '').replace('Space', '').trim();
        if (words === 'I have opened it') {
            return;
        }
        if (words === 'Tare, and go on') {
            await shop.scale('CLR');
            await shop.scale('+45');
            await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
        }
        if (words === 'It is in') {
            await pourToTarget(page, shop);
        }
        await goOn(page, () => press(words));
    }
    throw new Error('The pour never came to its end.');
}

test('from an empty shop to a graded cast, by keyboard alone', async ({ page, empty: shop }) => {
    test.slow();
    const space = async (): Promise<void> => {
        await steady(page);
        await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
        await page.keyboard.press('Space');
    };
    // The first hour: who works here, what is on the shelf, and then the first job.
    await page.goto(shop.url);
    await expect(page.getByRole('heading', { name: 'Welcome to the bench' })).toBeVisible();
    await expect(page.getByLabel('The workshop is called')).toBeFocused();
    await page.keyboard.type('Heron Street Softworks');
    await tabTo(page, page.getByRole('button', { name: 'Keep it, on to the shelf' }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'What is on your shelf?' })).toBeVisible();
    for (const sheet of [
        'Platinum rubber A 10, medium',
        'Platinum rubber A 25, slow',
        /^Softener/,
        'Wax spray, silicone-free',
        'Warm jelly, thin',
    ]) {
        await tabTo(page, page.getByRole('checkbox', { name: sheet }));
        await page.keyboard.press('Space');
    }
    await tabTo(page, page.getByRole('button', { name: 'That is my shelf (5)' }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByRole('link', { name: 'Describe the first job' }));
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Piece')).toBeFocused();

    // Describe the piece.
    await page.keyboard.type('Barn-owl brow');
    await typeInto(page, 'How many', '4');
    await typeInto(page, /What is it for/, 'Worn on skin on a stage');
    await typeInto(page, /first mould taken from/, 'oil clay, sulphur-free');
    await tabTo(page, page.getByLabel('Its surface'));
    await page.keyboard.type('oil clay, sulphur-free');
    await tabTo(page, page.getByRole('button', { name: 'Start the job' }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Barn-owl brow' })).toBeVisible();

    // Silicone is to be cast in silicone: the chain says so before anything is weighed, and a release is put between them.
    await expect(page.getByRole('heading', { name: 'Casts would fuse to Mould' })).toBeVisible();
    await tabTo(page, page.getByRole('radio', { name: /Nothing/ }));
    await page.keyboard.press('ArrowUp');
    await expect(page.getByRole('heading', { name: 'Casts and Mould come apart' })).toBeVisible();
    await tabTo(page, page.getByRole('button', { name: /^mould Mould/ }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Mould and Original come apart' })).toBeVisible();
    await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());

    // The mould: a box around a part, in a room of a known temperature.
    await page.keyboard.press('p');
    await expect(page.getByRole('heading', { name: 'Mould', exact: true })).toBeVisible();
    await typeInto(page, 'Length', '120');
    await typeInto(page, 'Width', '80');
    await typeInto(page, 'Height', '50');
    await tabTo(page, page.getByLabel('What stands in it'));
    await page.keyboard.type('A part, by what');
    await typeInto(page, 'It displaces', '140');
    // 480 ml less the part, with 8 % more.
    await expect(page.getByTestId('volume')).toHaveText('340');
    await expect(page.getByTestId('volume-to-mix')).toHaveText('367');
    await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('s');
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await expect(page.getByText('latex stops platinum rubber')).toBeVisible();
    await pourAll(page, shop, space);

    // Open it early, after reading what that means; say how it came out.
    await expect(page.getByText(/Earlier than it has ever been likely/)).toBeVisible();
    await goOn(page, space);
    await tabTo(
        page,
        page
            .getByRole('radio', { name: /^usable/ })
            .or(page.getByRole('radio').first())
            .first(),
    );
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('radio', { name: /good/ })).toBeChecked();
    await space();
    await expect(page.getByRole('heading', { name: 'In the log: good' })).toBeVisible();

    // Cast from it, with a formula of its own.
    await tabTo(page, page.getByRole('link', { name: 'Back to the job' }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Casts', exact: true, level: 2 })).toBeVisible();
    await page.keyboard.press('p');
    await tabTo(page, page.getByRole('radio', { name: 'Box' }));
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await typeInto(page, 'Poured back', '150');
    await tabTo(page, page.getByLabel('Stir something in'));
    await page.keyboard.type('Softener');
    await tabTo(page, page.getByRole('button', { name: 'Stir it in' }));
    await page.keyboard.press('Enter');
    await typeInto(page, 'How much', '60');
    await expect(page.getByText('60 % of A+B = 120 % of A alone')).toBeVisible();
    await typeInto(page, 'Keep this formula as', 'Owl skin');
    await expect(page.getByTestId('mass')).not.toHaveText('–');
    await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('s');
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await pourAll(page, shop, space);
    await goOn(page, space);

    await tabTo(page, page.getByRole('radio').first());
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('radio', { name: /superb/ })).toBeChecked();
    await typeInto(page, 'Left over', '10,5');
    await typeInto(page, 'Note', 'Moves like skin');
    await space();
    await expect(page.getByText(/g really used of/)).toBeVisible();

    // And find it all again.
    await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('g');
    await page.keyboard.press('l');
    await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible();
    await typeInto(page, 'Words', 'like skin');
    await expect(page.getByRole('status')).toContainText('1 pour');
    await expect(page.getByText('Owl skin · 1')).toBeVisible();
    await expect(page.getByText('superb', { exact: true }).last()).toBeVisible();
});

test.describe('on a tablet, by touch', () => {
    test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

    test('a cast is poured, an over-pour is rescued with one tap, and it is graded', async ({ page, shop }) => {
        test.slow();
        await page.goto(`${shop.url}/jobs`);
        await page.getByRole('button', { name: /New job/ }).tap();
        await page.getByLabel('Piece').fill('Bath grip');
        await page.getByLabel('How many').fill('2');
        await page.getByRole('button', { name: 'Start the job' }).tap();
        await page.locator('.cards').getByText('Warm jelly, thin').tap();
        await expect(page.getByRole('heading', { name: 'Casts and Mould come apart' })).toBeVisible();
        await page.getByRole('button', { name: /^casts Casts/ }).tap();
        await page.getByRole('button', { name: /Plan a pour/ }).tap();
        await page.getByText('By mass').tap();
        await page.getByLabel('Mass wanted').fill('200');
        await expect(page.getByTestId('mass')).toHaveText('200');
        await page.getByRole('button', { name: /Gear on/ }).tap();

        const main = page.locator('.actions .main');
        await main.tap();
        await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
        await main.tap();
        await expect(page.getByText(/Look at every contact and tick it first/)).toBeVisible();
        for (const box of await page.locator('.checklist input').all()) {
            await tick(box, (one) => one.tap());
        }
        await main.tap();
        await expect(page.getByRole('heading', { name: /Stir each part/ })).toBeVisible();
        await main.tap();
        await expect(page.getByRole('heading', { name: 'Empty cup on the scale' })).toBeVisible();
        await shop.scale('CLR');
        await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
        await main.tap();
        await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
        for (const target of await page.locator('.actions .btn').all()) {
            expect((await target.boundingBox())?.height).toBeGreaterThanOrEqual(56);
        }
        await pourToTarget(page, shop);
        await main.tap();

        // The clock starts at the first drops of A, before anything is confirmed.
        await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
        await expect(page.getByText('starts when A meets B')).toBeVisible();
        await shop.scale('+12');
        await expect(page.getByText('since A met B')).toBeVisible();
        await pourToTarget(page, shop, 9);
        await main.tap();
        await expect(page.getByRole('heading', { name: /Too much in/ })).toBeVisible();
        await page.getByRole('button', { name: /Rescue the cup/ }).tap();
        await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
        expect(await target(page)).toBeCloseTo(218, 0);
        await pourToTarget(page, shop);
        await main.tap();

        await expect(page.getByRole('heading', { name: /Mix it/ })).toBeVisible();
        await goOn(page, () => main.tap());
        await expect(page.getByRole('heading', { name: /De-air it/ })).toBeVisible();
        await goOn(page, () => main.tap());
        await expect(page.getByRole('heading', { name: 'Pour it' })).toBeVisible();
        await main.tap();
        await expect(page.getByRole('heading', { name: /It cures/ })).toBeVisible();
        // After seconds: that is asked about, once, before the clock of the base hears of it.
        await page.getByRole('button', { name: 'The cup has gelled now' }).tap();
        await page.getByRole('alert', { name: 'Is it really so?' }).getByRole('button', { name: 'It is really so' }).tap();
        await expect(page.getByText(/Gelled at/)).toBeVisible();
        await goOn(page, () => main.tap());
        await page.getByText('superb').tap();
        await page
            .locator('label')
            .filter({ hasText: /^Heavy flash$/ })
            .tap();
        await main.tap();
        await expect(page.getByRole('heading', { name: 'In the log: superb' })).toBeVisible();
    });
});

import { expect, test } from './shop';

test('a version is changed into the next, held beside the first, forked, named and retired', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/formulas`);
    await page.getByRole('link', { name: 'Forearm skin' }).click();
    await page.getByRole('button', { name: 'Change it into another' }).click();
    await page.locator('.additive', { hasText: 'Softener' }).getByLabel('How much').fill('55');
    await expect(page.getByText(/55 % of A\+B = 110 % of A alone/)).toBeVisible();
    await page.getByLabel('Why').fill('The cuff pinched.');
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Forearm skin · 2' })).toBeVisible();
    await expect(page.getByText('derived from')).toContainText('Forearm skin · 1');

    await page.getByLabel('Hold beside').selectOption({ label: 'Forearm skin · 1' });
    await page.getByRole('button', { name: 'Compare' }).click();
    await expect(page.getByRole('row', { name: /Softener 40 % .* 55 % .* more/ })).toBeVisible();

    await page.getByRole('button', { name: 'Change it into another' }).click();
    await page.getByLabel(/^Keep as/).fill('Forearm skin, winter');
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Forearm skin, winter · 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Rename' }).click();
    await page.getByLabel('Its name').fill('Forearm skin');
    await page.getByRole('button', { name: 'Name it so' }).click();
    await expect(page.getByText('There is already a formula named “Forearm skin”')).toBeVisible();
    await page.getByLabel('Its name').fill('Winter arm');
    await page.getByRole('button', { name: 'Name it so' }).click();
    await expect(page.getByRole('heading', { name: 'Winter arm · 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Retire it' }).click();
    await expect(page.getByRole('button', { name: 'Bring it back' })).toBeVisible();
});

test('a paint is reckoned for an area, and a past pour is scaled', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/formulas`);
    await page.getByText('Painted on').click();
    await page.getByRole('link', { name: 'Freckle wash' }).click();
    await expect(page.getByText('On cured silicone: may not bond: test')).toBeVisible();
    await expect(page.getByText('Solvent vapour')).toBeVisible();
    const grams = async (): Promise<number> => Number(((await page.locator('.answer b').first().textContent()) ?? '').replace(' g', ''));
    const small = await grams();
    await page.getByLabel('To paint').fill('400');
    await expect.poll(grams).toBeGreaterThan(1.9 * small);

    await page.goto(`${shop.url}/formulas`);
    await page.getByRole('link', { name: 'Brow skin', exact: true }).click();
    await page
        .getByRole('button', { name: /^Pour this again/ })
        .last()
        .click();
    await page.getByRole('textbox', { name: 'Mass', exact: true }).last().fill('120');
    await page.getByRole('button', { name: 'Scale it' }).click();
    await expect(page.getByRole('heading', { name: 'Brows' })).toBeVisible();
    await expect(page.getByTestId('mass')).toHaveText('120');
});

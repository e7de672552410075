import { byHand, Hands, job } from './hands';
import { expect, goOn, test } from './shop';

// Hot vinyl from an empty job to counted lures, and what was left in the pot into the next one.

test('hot vinyl: weighed up cold, heated by the probe, poured, counted, and what is left goes into the next pot', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await job(hands, shop, 'Shiner', async (form) => {
        await hands.fill(form.getByLabel('How many'), '4');
        await hands.choose(form.getByLabel('Mould of'), 'pr-40');
        await hands.choose(form.getByLabel('Casts of'), 'hv-08');
    });
    await hands.press(page.getByRole('button', { name: /^casts Casts/ }));
    await hands.press(page.getByRole('button', { name: /Plan a pour/ }));
    await hands.press(page.getByText('It holds', { exact: true }));
    await hands.fill(page.getByRole('textbox', { name: 'It holds' }), '120');
    await hands.toTheCup();

    // Cold it may stand: no clock runs before the heat.
    await byHand(hands);
    await hands.weighByHand();
    const heat = page.getByTestId('heat');
    while (!(await heat.isVisible())) {
        hands.presses++;
        await goOn(page);
    }
    await expect(heat).toHaveText('–');
    await expect(page.getByText('Stir it and read it after each step.')).toBeVisible();

    // Nobody has read it: it is asked about before it comes off.
    await hands.press(page.getByRole('button', { name: 'Off the heat' }));
    const doubt = page.getByRole('alert', { name: 'Is it really off the heat?' });
    await expect(doubt).toContainText('Nobody has read');
    await hands.press(doubt.getByRole('button', { name: 'Not yet' }));

    await hands.fill(page.getByLabel('It reads'), '140');
    await hands.press(page.getByRole('button', { name: 'Write it down' }));
    await expect(page.getByText('Not yet: it is milky')).toBeVisible();
    await page.getByRole('button', { name: 'Warm at once' }).click();
    await hands.press(page.getByRole('button', { name: /Stirred: the probe reads 17\d/ }));
    await expect(page.getByText('It runs clear: it may come off.')).toBeVisible();
    await expect(heat).toHaveText(/17\d/);
    await hands.press(page.getByRole('button', { name: 'Off the heat' }));
    await expect(heat).toBeHidden();
    await expect(page.getByText(/A met B|slow, thin stream/)).toBeHidden();

    for (let i = 0; i < 8 && !(await page.getByRole('heading', { name: 'How did it come out?' }).isVisible()); i++) {
        hands.presses++;
        await goOn(page);
    }
    await hands.press(page.locator('.words label', { hasText: 'good' }));
    await hands.fill(page.getByLabel('Pieces that came of it'), '4');
    await hands.fill(page.getByLabel('Left over'), '24');
    await expect(page.getByLabel(/What is left goes back on the shelf as scrap/)).toBeChecked();
    await hands.press(hands.main());
    await expect(page.getByText(/went back on the shelf as/)).toContainText('melted');
    expect(hands.presses).toBeLessThan(45);

    await page.getByRole('link', { name: 'Shiner', exact: true }).first().click();
    await expect(page.getByText('All 4 are cast.')).toBeVisible();
});

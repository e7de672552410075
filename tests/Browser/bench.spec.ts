import { castSheet, expect, pourToTarget, test, toTheCup } from './shop';

test('nonsense on a sheet is said in its place and kept as typed, through a reload', async ({ page, shop }) => {
    await castSheet(page, shop, 'Slips');
    const start = page.getByRole('button', { name: /Gear on/ });
    await expect(start).toBeDisabled();

    await page.getByLabel('Length', { exact: true }).fill('80,5');
    await page.getByLabel('Width', { exact: true }).fill('-40');
    await page.getByLabel('Height', { exact: true }).fill('tall');
    await expect(page.getByText('This must be more than 0; it was -40.')).toBeVisible();
    await page.getByLabel('Width', { exact: true }).fill('40');
    await expect(page.getByText('This needs a number; it was “tall”.')).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Height', { exact: true })).toHaveValue('tall');
    await expect(page.getByLabel('Length', { exact: true })).toHaveValue('80.5');

    await page.getByLabel('Height', { exact: true }).fill('50');
    await page.getByLabel('What stands in it').selectOption({ label: 'A part of known volume' });
    await page.getByLabel('Its volume').fill('900');
    await expect(page.getByText(/is not smaller than what holds it/)).toBeVisible();
    await expect(start).toBeDisabled();
    await page.getByLabel('Its volume').fill('100');
    await expect(start).toBeEnabled();
    await page.getByText('How these numbers come about').click();
    await expect(page.getByText('Box: 80.5 × 40 × 50 mm is 161 ml.')).toBeVisible();
});

test('a room at 4 and at 38 degrees is warned of and refused', async ({ page, shop }) => {
    await castSheet(page, shop, 'Weather');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('100');
    await expect(page.getByTestId('mass')).toHaveText('100');
    const room = async (degrees: string): Promise<void> => {
        await page.getByRole('button', { name: /Room temperature/ }).click();
        await page.getByLabel('Room', { exact: true }).fill(degrees);
        await page.getByRole('button', { name: 'Set it' }).click();
    };

    await room('75');
    await expect(page.getByText(/60 at most/)).toBeVisible();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await room('4');
    await page.getByLabel('Mass wanted').fill('101');
    await expect(page.getByText(/The room is at 4 °C/)).toBeVisible();
    await room('38');
    await page.getByLabel('Mass wanted').fill('102');
    await expect(page.getByText(/no time is left to pour/)).toBeVisible();
    await expect(page.getByRole('button', { name: /Gear on/ })).toBeDisabled();
    await room('21');
});

test('imperial is read, typed and kept apart from what is stored', async ({ page, shop }) => {
    await castSheet(page, shop, 'Inches');
    await page.getByText('Mesh', { exact: true }).click();
    await page.getByLabel('Volume of the mesh').fill('163.87064');
    await page.getByLabel('Cup walls, sprue, overflow').fill('0');
    await expect(page.getByTestId('volume')).toHaveText('164');
    await page.getByRole('button', { name: /change units/ }).click();
    await expect(page.getByTestId('volume')).toHaveText('10');
    await page.getByLabel('Volume of the mesh').fill('20');
    await expect(page.getByTestId('volume')).toHaveText('20');
    // What the bench says of it is read in ounces and inches too: warnings, advice and the working.
    await page.getByText('How these numbers come about').click();
    const answer = page.locator('aside, section').filter({ hasText: 'How these numbers come about' }).last();
    await expect(answer).toContainText(/To mix: 20 in³/);
    expect(await answer.textContent()).not.toMatch(/\d ?(g|ml|mm|°C)(?![\w/²³])/);
    await page.getByRole('button', { name: /change units/ }).click();
    await expect(answer).toContainText(/To mix: 327\.7 ml/);
    await expect(page.getByTestId('volume')).toHaveText('328');
});

test('an address that leads nowhere says so and leads back', async ({ page, shop }) => {
    for (const path of ['/jobs/424242', '/pours/424242/run', '/stores/zz-1', '/nowhere']) {
        expect((await page.goto(shop.url + path))?.status()).toBe(404);
        await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
    }
    await page.getByRole('link', { name: 'To the bench', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Hands now' })).toBeVisible();
});

test('taking a link out of a chain can be undone', async ({ page, shop }) => {
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Second thoughts');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('button', { name: /^casts Casts/ }).click();
    await page.getByRole('button', { name: 'Take it out' }).click();
    await expect(page.getByRole('button', { name: /^casts Casts/ })).toBeHidden();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: /^casts Casts/ })).toBeVisible();
});

test('an alarm is said when hands are needed, and can be muted', async ({ page, shop }) => {
    await castSheet(page, shop, 'Alarm');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('100');
    await page.getByLabel('Mixing').fill('0.1');
    await expect(page.getByTestId('mass')).toHaveText('100');
    await toTheCup(page, shop);
    const main = page.locator('.actions .main');
    for (const part of ['B', 'A']) {
        await expect(page.getByRole('heading', { name: new RegExp(`(Pour|Add) ${part} until`) })).toBeVisible();
        await pourToTarget(page, shop);
        await main.click();
    }
    await expect(page.getByRole('heading', { name: /Mix it/ })).toBeVisible();

    // Six seconds of mixing; meanwhile the maker looks something up.
    await page.keyboard.press('g');
    await page.keyboard.press('s');
    await expect(page.getByText('mixing time is up')).toBeVisible({ timeout: 15_000 });
    await page.getByRole('button', { name: 'I heard' }).click();
    await expect(page.getByText('mixing time is up')).toBeHidden();
    await page.keyboard.press('m');
    await expect(page.getByRole('button', { name: 'Sound off' })).toBeVisible();
    await page.keyboard.press('m');
    await expect(page.getByRole('button', { name: 'Sound on' })).toBeVisible();
});

for (const motion of ['reduce', 'no-preference'] as const) {
    test(`the jump box and the keys are found from anywhere, motion: ${motion}`, async ({ page, demo }) => {
        await page.emulateMedia({ reducedMotion: motion });
        await page.goto(demo.url);
        await expect(page.getByRole('button', { name: /^Find/ })).toBeVisible();
        await page.keyboard.press('/');
        await page.keyboard.type('gasket');
        await expect(page.getByRole('option', { name: /Hatch gasket/ })).toBeVisible();
        await page.keyboard.press('Enter');
        await expect(page.getByRole('heading', { name: 'Hatch gasket', exact: true })).toBeVisible();
        await page.keyboard.press('?');
        await expect(page.getByText('Plan a pour of this link')).toBeVisible();
    });
}

test('the log is taken out as a file that holds what the filter shows', async ({ page, demo }) => {
    await page.goto(`${demo.url}/log`);
    await page.getByRole('combobox', { name: 'Grade' }).selectOption('spoilt');
    await expect(page.getByRole('status')).toContainText('2 pours');
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: /CSV/ }).click();
    const file = await (await download).createReadStream();
    let text = '';
    for await (const chunk of file) {
        text += String(chunk);
    }
    expect(text.trim().split('\r\n')).toHaveLength(3);
    expect(text).toContain('spoilt');
});

test('a jump waits for its second key as long as it takes, and says where it could go', async ({ page, demo }) => {
    await page.goto(demo.url);
    const hint = page.getByText('Go to', { exact: false }).filter({ hasText: 'stay here' });
    await page.keyboard.press('g');
    await expect(hint).toContainText('Swatches');
    await page.waitForTimeout(1500);
    await page.keyboard.press('w');
    await expect(page.getByRole('heading', { name: 'How soft' })).toBeVisible();
    await expect(hint).toBeHidden();

    // Thought better of: by Escape, by another key, which does what it always does, or by typing somewhere.
    await page.keyboard.press('g');
    await page.keyboard.press('Escape');
    await expect(hint).toBeHidden();
    await page.keyboard.press('g');
    await page.keyboard.press('m');
    await expect(page.getByRole('button', { name: 'Sound off' })).toBeVisible();
    await page.keyboard.press('m');
    await page.keyboard.press('g');
    await page.getByLabel('Reading', { exact: true }).fill('20');
    await expect(hint).toBeHidden();
    await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('20');
    await expect(page.getByRole('heading', { name: 'How soft' })).toBeVisible();
});

test('a finer scale is said once, and everything is weighed in its steps', async ({ page, empty: shop }) => {
    await page.goto(`${shop.url}/jobs`);
    await page.getByRole('button', { name: 'This bench' }).click();
    await page.getByLabel('It steps by').fill('5');
    await page.getByLabel('It carries').fill('400');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('A scale that carries 400 g in steps of 5 g has too few steps to weigh with.')).toBeVisible();
    await expect(page.getByLabel('It carries')).toHaveValue('400');
    await page.getByLabel('It steps by').fill('0,01');
    await page.getByLabel('It carries').fill('600');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByLabel('It steps by')).toBeHidden();

    await castSheet(page, shop, 'Wren');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('12.34');
    await expect(page.getByRole('row', { name: /^A/ })).toContainText('6.17');
    await toTheCup(page, shop);
    await expect(page.getByTestId('target')).toHaveText('6.17');
});

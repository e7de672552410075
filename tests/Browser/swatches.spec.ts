import type { Page } from '@playwright/test';
import { castSheet, expect, photo, pourToTarget, test, toTheCup } from './shop';

/** The bare rubber and two of fawn, as the instrument wrote them down. */
function drawdowns(): Buffer {
    const swatch = (load: number, white: number[], black: number[]): object => ({
        name: load === 0 ? 'Bare' : `Fawn ${String(load)}`,
        formula: `Drawdowns · ${String(1 + Math.round(load / 0.7))}`,
        recipe: {
            base: 'pr-10',
            additives: load === 0 ? [] : [{ code: 'pi-fawn', amount: load, basis: 'pct_of_total', into: 'b' }],
        },
        thickness_mm: 1.5,
        poured_at: '2026-03-02T09:00:00+00:00',
        readings: [
            { kind: 'colour', lab: white, backing: 'white' },
            { kind: 'colour', lab: black, backing: 'black' },
        ],
    });
    const swatches = [
        swatch(0, [94.8, -0.3, 0.9], [32.6, -0.8, -3.7]),
        swatch(0.3, [79.5, 7.9, 33.7], [60.8, 2.1, 14.6]),
        swatch(1, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]),
    ];
    return Buffer.from(JSON.stringify({ format: 'apalos-swatches', version: 1, swatches }));
}

async function readPuck(page: Page, label: RegExp, scale: string, readings: string): Promise<void> {
    await page.locator('.tile', { hasText: label }).click();
    await expect(page.getByRole('heading', { name: label })).toBeVisible();
    await page.getByRole('button', { name: 'It is out of its mould' }).click();
    await expect(page.getByRole('button', { name: 'It is out of its mould' })).toBeHidden();
    await page.getByRole('button', { name: 'Read its hardness' }).click();
    await page.getByLabel('Scale').selectOption(scale);
    await page.getByLabel('Readings, three or more').fill(readings);
    await page.getByRole('button', { name: 'Write it down' }).click();
    // Poured a moment ago: it is asked about, once, and counts all the same.
    await expect(page.getByText(/softer than it will be/)).toBeVisible();
    await page.getByRole('button', { name: 'It shall count all the same' }).click();
    await expect(page.getByRole('button', { name: 'Write it down' })).toBeHidden();
}

test('from four pucks to a formula that is poured', async ({ page, empty: shop }) => {
    test.slow();
    await castSheet(page, shop, 'Owl brow');

    // Nothing is known yet: the sheet speaks, and says so.
    await page.keyboard.press('g');
    await page.keyboard.press('w');
    await expect(page.getByRole('heading', { name: 'How soft' })).toBeVisible();
    await page.getByLabel('Base').selectOption({ label: 'Platinum rubber A 10, medium' });
    await expect(page.getByText('No pucks yet')).toBeVisible();

    // A series of four, one small pour; the third was over-poured, and its label says so.
    await page.getByRole('link', { name: 'Make a series' }).first().click();
    await expect(page.getByText('First the cup they all come from')).toBeVisible();
    const pucks = page.locator('.pucks li');
    await expect(pucks).toHaveCount(4);
    await page.getByRole('button', { name: 'Begin weighing' }).click();
    await pucks
        .nth(2)
        .getByLabel(/^Softener/)
        .fill('10,3');
    await page.getByLabel('On the labels').fill('Ten');
    await page.getByRole('button', { name: 'Poured, label them' }).click();
    await expect(page.getByText('4 of 4 swatches')).toBeVisible();
    await expect(page.locator('.tile', { hasText: /Ten 6[34]/ })).toBeVisible();

    await readPuck(page, /Ten 0 %/, 'A', '12 12 11.5');
    await readPuck(page, /Ten (29|30)/, '00', '43, 42, 44');
    await readPuck(page, /Ten 6/, '00', '25/26/25');
    await readPuck(page, /Ten (89|90)/, '00', '14 14 13');

    // The curve is the shop's own now. The target answers in grams for the cast that is being planned.
    await page.getByRole('link', { name: 'Hardness' }).click();
    await expect(page.getByText('Rests on 4 pucks')).toBeVisible();
    await page.getByLabel('Reading', { exact: true }).fill('20');
    const pct = page.getByTestId('pct');
    await expect.poll(async () => Number(await pct.textContent())).toBeGreaterThan(70);
    await expect.poll(async () => Number(await pct.textContent())).toBeLessThan(80);
    expect(Number(await page.getByTestId('one-part').textContent())).toBeCloseTo(2 * Number(await pct.textContent()), 0);
    await page.getByLabel('Keep it as a formula named').fill('Owl skin');
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();

    // The formula goes into the sheet of the casts, and is poured.
    await expect(page.getByRole('heading', { name: 'Owl skin · 1' })).toBeVisible();
    await expect(page.getByText('For 00-20, by 4 pucks.').first()).toBeVisible();
    await page.getByRole('combobox', { name: 'For', exact: true }).selectOption({ label: 'Owl brow, Casts, its sheet is begun' });
    await page.getByRole('textbox', { name: 'Mass', exact: true }).fill('80');
    await page.getByRole('button', { name: 'To the pour sheet' }).click();
    await expect(page.getByRole('heading', { name: 'Casts', exact: true, level: 1 })).toBeVisible();
    await expect(page.getByTestId('mass')).toHaveText('80');
    await expect(page.getByLabel('Keep this formula as')).toHaveValue('Owl skin');
    await page.getByLabel('De-air it under vacuum').uncheck();
    await toTheCup(page, shop);
    for (const [i, what] of ['A', 'Softener'].entries()) {
        await pourToTarget(page, shop);
        await page.locator('.actions .main').click();
        await expect(page.getByRole('heading', { name: new RegExp(`(Pour|Add) ${what} until`) })).toBeVisible();
        expect(i).toBeLessThan(2);
    }
    await pourToTarget(page, shop);
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Mix/ })).toBeVisible();

    // The formula remembers.
    await page.goto(`${shop.url}/formulas`);
    await expect(page.locator('.row', { hasText: 'Owl skin' })).toContainText('poured once');
    await page.getByRole('link', { name: 'Owl skin' }).click();
    await expect(page.getByText('What really went into the last cup')).toBeVisible();
    await expect(page.locator('.last')).toContainText('Softener');
});

test('what is no reading is told, and what was typed is still there', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/drawer`);
    await page.locator('.tile', { hasText: 'PR-10 59.8' }).click();
    await page.getByRole('button', { name: 'Read its hardness' }).click();
    await page.getByLabel('Readings, three or more').fill('27 126 28');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('126 is no reading')).toBeVisible();
    await expect(page.getByLabel('Readings, three or more')).toHaveValue('27 126 28');
    await page.getByLabel('Readings, three or more').fill('27 26 28');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('It is written down.', { exact: false })).toBeVisible();
    await expect(page.getByText('median of 3, 2 apart')).toBeVisible();
});

test('a target is dragged, moved by keys, and answers in grams for a planned pour', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches?base=pg-30`);
    await expect(page.getByText('reads far harder')).toBeVisible();
    await page.getByLabel('Base').selectOption({ label: 'Platinum rubber A 10, medium, 6 pucks' });
    const pct = page.getByTestId('pct');
    const handle = page.getByRole('slider', { name: 'Hardness wanted' });
    await page.getByLabel('Reading', { exact: true }).fill('20');
    await expect(handle).toHaveAttribute('aria-valuetext', /^00-20, 7\d % of A\+B$/);
    const at20 = Number(await pct.textContent());

    const box = await handle.boundingBox();
    if (box === null) throw new Error('The handle is not on screen.');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 8 });
    await page.mouse.up();
    await expect.poll(async () => Number(await pct.textContent())).toBeLessThan(at20 - 5);

    await page.getByLabel('Reading', { exact: true }).fill('30');
    await expect(handle).toHaveAttribute('aria-valuetext', /^00-30/);
    await handle.focus();
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown');
    await expect(handle).toHaveAttribute('aria-valuetext', /^00-24/);

    await page.getByLabel('Thinnest place').fill('0.4');
    await expect(page.getByText('less than a fingertip pulls')).toBeVisible();
    await page.getByLabel('Batch').fill('250');
    await expect(page.getByTestId('in-all')).toContainText('250');
    await page.getByLabel('Reading', { exact: true }).fill('104');
    await expect(page.getByText('A durometer reads from 0 to 99')).toBeVisible();
});

test('a colour is read off a photo, matched, changed by hand and kept as a formula', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/colour`);
    await expect(page.getByRole('img', { name: /Thin, medium and thick/ })).toBeVisible();
    await page.getByRole('button', { name: 'Off a photo' }).click();
    await page.getByLabel('Photo', { exact: true }).setInputFiles({ name: 'arm.png', mimeType: 'image/png', buffer: await photo(page) });
    await expect(page.getByRole('button', { name: 'Take this colour' })).toBeVisible();
    await page.getByRole('button', { name: 'Take this colour' }).click();
    const L = page.getByLabel('L', { exact: true });
    await expect.poll(async () => Math.abs(Number(await L.inputValue()) - 64)).toBeLessThan(3);
    const deltaE = page.getByTestId('delta-e');
    await expect(deltaE).toBeVisible();
    const found = Number(await deltaE.textContent());
    expect(found).toBeLessThan(4);

    await page.getByLabel('Oxblood', { exact: true }).fill('0.9');
    await expect.poll(async () => Number(await deltaE.textContent())).toBeGreaterThan(found + 3);
    await page.getByRole('button', { name: 'Find it again' }).click();
    await expect(deltaE).toHaveText(String(found));

    await page.getByLabel('Keep this colour as').fill('Arm off a photo');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('“Arm off a photo” is kept.')).toBeVisible();
    await page.getByLabel('Keep it as a formula named').fill('Arm skin');
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(page.getByRole('heading', { name: /^Arm skin/ })).toBeVisible();
});

test('a colour goes into the sheet that is being planned, whose softener stays', async ({ page, empty: shop }) => {
    await castSheet(page, shop, 'Owl brow');
    await page.getByText('Mesh', { exact: true }).click();
    await page.getByLabel('Volume of the mesh').fill('90');
    await page.getByLabel('Stir something in').selectOption({ label: 'Softener' });
    await page.getByRole('button', { name: 'Stir it in' }).click();
    await page.locator('.additive', { hasText: 'Softener' }).getByLabel('How much').fill('40');
    await expect(page.getByTestId('mass')).toHaveText(/^\d/);
    await expect(page).toHaveURL(/\/pours\/\d+$/);
    const sheet = page.url();
    await page.goto(`${shop.url}/swatches/colour?base=pr-10`);
    await expect(page.getByText('was never read bare')).toBeVisible();

    // Eight readings of the instrument, handed over as a file.
    await page.goto(`${shop.url}/swatches/drawer`);
    await page.getByLabel('Take a file in').setInputFiles({ name: 'drawdowns.json', mimeType: 'application/json', buffer: drawdowns() });
    await expect(page.getByText('3 of 3 swatches')).toBeVisible();

    // From the sheet one asks for this pour, and the answer goes back there.
    await page.goto(sheet);
    await page.getByRole('link', { name: 'Which colour?' }).click();
    await expect(page.getByRole('combobox', { name: 'How much for' })).toHaveValue(sheet.split('/').at(-1) ?? '');
    await page.getByLabel('Fawn', { exact: true }).fill('0,5');
    await expect(page.getByText('In one cup of')).toBeVisible();
    await page.getByRole('button', { name: 'Put it into that sheet' }).click();
    await expect(page.getByText('The colour is in the sheet.')).toBeVisible();
    await expect(page.locator('.additive', { hasText: 'Fawn' }).getByLabel('How much')).toHaveValue('0.5');
    await expect(page.locator('.additive', { hasText: 'Softener' }).getByLabel('How much')).toHaveValue('40');

    await page.getByRole('link', { name: 'How soft?' }).click();
    await expect(page.getByRole('combobox', { name: 'How much for' })).toHaveValue(sheet.split('/').at(-1) ?? '');
    await page.getByLabel('Reading', { exact: true }).fill('30');
    await expect(page.getByRole('button', { name: 'Put it into that sheet' })).toBeEnabled();
    const pct = await page.getByTestId('pct').textContent();
    await page.getByRole('button', { name: 'Put it into that sheet' }).click();
    await expect(page.getByText('Softener is in the sheet.')).toBeVisible();
    await expect(page.locator('.additive', { hasText: 'Softener' }).getByLabel('How much')).toHaveValue(
        new RegExp(`^${String(parseInt(pct ?? ''))}`),
    );
    await expect(page.locator('.additive', { hasText: 'Fawn' })).toBeVisible();
});

test('what is asked of a series comes back after a reload, and what is in its cups from the bench', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/series?base=pr-10`);
    await page.getByLabel(/^Pucks at/).fill('0 45');
    await page.reload();
    await expect(page.getByLabel(/^Pucks at/)).toHaveValue('0 45');
    await expect(page.locator('.pucks li')).toHaveCount(2);
    await page.getByRole('button', { name: 'Begin weighing' }).click();

    const second = page
        .locator('.pucks li')
        .nth(1)
        .getByLabel(/^Softener/);
    await second.fill('8.8');
    await page.getByRole('button', { name: 'A meets B: start the clock' }).click();
    const left = page.getByTestId('series-left');
    const seconds = async (): Promise<number> => {
        const [m, s] = ((await left.textContent()) ?? '').split(':').map(Number);
        return 60 * (m ?? NaN) + (s ?? NaN);
    };
    const before = await seconds();
    await page.reload();
    await expect(second).toHaveValue('8.8');
    await expect.poll(seconds).toBeLessThan(before);
    await page.getByLabel('On the labels').fill('Drum four');
    await page.getByRole('button', { name: 'Poured, label them' }).click();
    await expect(page.locator('.tile', { hasText: 'Drum four' }).first()).toBeVisible();
    await page.goto(`${shop.url}/swatches/series?base=pr-10`);
    await expect(page.getByLabel(/^Pucks at/)).toHaveValue('0 30 60 90');
});

test('a ladder of tint begins with a pigment that suits the base', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/series?kind=tint&base=pr-10`);
    await expect(page.getByLabel('Pigment', { exact: true })).not.toHaveValue('');
    await expect(page.locator('.pucks li')).toHaveCount(3);
    await expect(page.getByText('First the full cup')).toBeVisible();
    await page.getByRole('button', { name: 'Begin weighing' }).click();
    await expect(page.getByRole('heading', { name: /^Pucks of .* pigment in PR-10$/ })).toBeVisible();
    await expect(page.getByLabel('On the labels')).toHaveAttribute('placeholder', /in PR-10$/);
});

for (const [device, width, height] of [
    ['a tablet', 820, 1180],
    ['a phone', 390, 844],
] as const) {
    test(`on ${device} a tapped swatch is in sight, and so is the way back`, async ({ page, demo: shop }) => {
        await page.setViewportSize({ width, height });
        await page.goto(`${shop.url}/swatches/drawer`);
        const tile = page.locator('.tile', { hasText: 'Russet 1 %' });
        await tile.click();
        await expect(page.getByRole('heading', { name: 'Russet 1 %' })).toBeInViewport();
        const back = page.getByRole('button', { name: 'Back to the drawer' });
        if (await back.isVisible()) await back.click();
        await expect(tile).toBeInViewport();
    });
}

test('the drawer finds what is nearest, and a swatch thrown out comes back', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/drawer`);
    await page.getByLabel('Nearest in colour to').fill('#c26946');
    await expect(page.locator('.tile').first()).toContainText(/Russet/);
    await page.getByLabel('Nearest in hardness to').fill('A 26');
    await page.getByLabel('Nearest in colour to').fill('');
    await expect(page.locator('.tile').first()).toContainText('PR-25 0');
    await page.locator('.tile').first().click();
    await page.getByRole('button', { name: 'Label and note' }).click();
    await page.getByRole('button', { name: 'Throw it out' }).click();
    await expect(page.getByText('is out of the drawer')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.locator('.tile', { hasText: 'PR-25 0' })).toBeVisible();
});

test('a colour is wanted with what shows through it, and the depth can outweigh the colour', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/colour`);
    await page.getByPlaceholder('#c8a27e').fill('#b98c70');
    await page.getByPlaceholder('#c8a27e').press('Tab');
    const deltaE = page.getByTestId('delta-e');
    await expect(deltaE).toBeVisible();
    const plain = Number(await deltaE.textContent());
    await expect(page.locator('.recipe', { hasText: 'of a dark card shows through' })).toBeHidden();
    await page.getByLabel('Dark shows through').fill('60');
    const shows = page.locator('.recipe', { hasText: 'of a dark card shows through' }).locator('b.fig').nth(1);
    const said = async (): Promise<{ off: number; deltaE: number }> => ({
        off: Math.abs(Number(await shows.textContent()) - 60),
        deltaE: Number(await deltaE.textContent()),
    });
    const weighed = async (by: string): Promise<{ off: number; deltaE: number }> => {
        const choice = page.getByLabel('What matters more');
        const weight = Number(await choice.locator('option', { hasText: by }).getAttribute('value'));
        // What was typed before is still being answered: only the answer to this choice counts.
        const answered = page.waitForResponse((response) => {
            const asked = response.request().postData() ?? '';
            return response.url().endsWith('/swatches/colour') && asked.includes(`"weight":${String(weight)}`);
        });
        await choice.selectOption(by);
        await answered;
        await page.evaluate(() => new Promise(requestAnimationFrame));
        return said();
    };
    await expect(shows).toBeVisible();
    const deep = await weighed('the depth');
    const close = await weighed('the colour');
    // Each comes nearer in what it is weighed by, and pays in the other.
    expect(deep.off).toBeLessThan(close.off);
    expect(close.deltaE).toBeLessThan(deep.deltaE);
    expect(close.deltaE).toBeLessThan(plain + 3);
    await page.getByLabel('Dark shows through').fill('140');
    await expect(page.getByRole('alert').filter({ hasText: '100' }).first()).toBeVisible();
});

test('one wants it as soft as a formula of one’s own, in another base', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches?base=pr-10`);
    await page.getByRole('button', { name: 'As soft as a formula …' }).click();
    const formula = page
        .getByRole('list', { name: 'Formulas' })
        .getByRole('button', { name: /Forearm skin/ })
        .first();
    const shore = ((await formula.locator('.fig').textContent()) ?? '').trim();
    await formula.click();
    await expect(page.getByLabel('Reading', { exact: true })).toHaveValue(/\d+/);
    const reading = await page.getByLabel('Reading', { exact: true }).inputValue();
    expect(shore).toContain(reading);
    await expect(page.getByTestId('pct')).toBeVisible();
});

test('the first drawdowns of vinyl are one press', async ({ page, empty: shop }) => {
    await page.goto(`${shop.url}/swatches/series?kind=tint&base=hv-08`);
    await page.getByRole('button', { name: /A ladder of each of the \d+ pigments/ }).click();
    await expect(page.getByText(/\d+ ladders stand on the bench, this one first/)).toBeVisible();
    await page.goto(`${shop.url}/swatches/series?kind=tint&base=hv-08`);
    await expect(page.getByRole('button', { name: 'Begin weighing' })).toBeEnabled();
    await expect(page.getByRole('button', { name: /A ladder of each/ })).toBeHidden();
});

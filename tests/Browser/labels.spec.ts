import type { Page } from '@playwright/test';
import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { qr } from '../../resources/js/lib/qr';
import { expect, test } from './shop';

// Labels of swatches: what is printed, how large, and where its code leads.

/** What a phone would read off a label. */
async function scanned(page: Page, name: string): Promise<string | undefined> {
    const shot = PNG.sync.read(
        await page
            .getByRole('article', { name: `Label of ${name}` })
            .getByRole('img')
            .screenshot({ scale: 'device' }),
    );
    return jsQR(new Uint8ClampedArray(shot.data), shot.width, shot.height)?.data;
}

/** The sizes of the pages that would leave the printer, in millimetres. */
async function printed(page: Page): Promise<string[]> {
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    return [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) =>
        [w, h].map((points) => String(Math.round((Number(points) / 72) * 25.4))).join(' × '),
    );
}

test('the code is drawn with the quiet rim it needs', () => {
    const { path, size } = qr('http://127.0.0.1:8000/swatches/drawer#swatch-12');
    const at = [...path.matchAll(/M(\d+) (\d+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
    expect(Math.min(...at.flat())).toBe(2);
    expect(Math.max(...at.flat())).toBe(size - 3);
    expect(at).toContainEqual([2, 2]);
});

test.describe('at the fineness of a phone', () => {
    test.use({ deviceScaleFactor: 3 });

    test('a label is printed in its size, and its code opens the swatch', async ({ page, demo: shop }) => {
        await page.goto(`${shop.url}/swatches/drawer?base=pr-10`);
        await page.locator('.tile', { hasText: 'PR-10 59.8' }).click();
        await page.getByRole('link', { name: 'Print its label' }).click();
        const label = page.getByRole('article', { name: /^Label of PR-10 59.8/ });
        await expect(label).toContainText('59.8 % of A+B = 119.6 % of A alone');
        const name = ((await label.getByRole('heading').textContent()) ?? '').trim();
        expect(await printed(page)).toEqual(['57 × 32']);

        const address = await scanned(page, name);
        expect(address).toMatch(new RegExp(`^${shop.url}/swatches/drawer#swatch-\\d+$`));
        await page.goto(address ?? '');
        await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
    });
});

test('labels fill a sheet from the first free place on, and a roll one by one', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/swatches/drawer`);
    await page.getByRole('link', { name: 'labels of these' }).click();
    const labels = page.getByRole('article', { name: /^Label of/ });
    await expect(labels.first()).toBeVisible();
    const many = await labels.count();
    expect(many).toBeGreaterThan(12);
    expect(await printed(page)).toEqual(Array.from({ length: many }, () => '57 × 32'));

    await page.getByLabel('Onto').selectOption({ label: 'A4 sheet, 3 × 8 of 70 mm × 37 mm' });
    expect(await printed(page)).toEqual(Array.from({ length: Math.ceil(many / 24) }, () => '210 × 297'));
    const corner = async (): Promise<number> => (await labels.first().boundingBox())?.x ?? NaN;
    const left = await corner();
    await page.locator('.controls').getByLabel('First free place').fill('2');
    await expect.poll(corner).toBeGreaterThan(left + 200);
    await page.locator('.controls').getByLabel('First free place').fill('25');
    await expect(page.getByText('Count the places from the top left: 1 to 24.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeDisabled();

    // The paper of this printer is remembered here.
    await page.reload();
    await expect(page.getByLabel('Onto')).toHaveValue('a4-24');
});

test('labels go to the printer in one press, wait where it has no paper, and what came out leads back', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/rack/1`);
    const mould = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
    await page.getByRole('button', { name: 'On the label printer' }).click();
    await expect(page.getByText('It is out.')).toBeVisible();

    await page.getByRole('button', { name: 'This bench' }).click();
    await page.getByRole('button', { name: 'The label printer', exact: true }).click();
    const printer = page.getByRole('dialog', { name: 'The label printer' });
    await expect(printer).toContainText('Nothing waits.');
    await expect(printer).toContainText('Paper for 199 labels.');
    // At 96 dots an inch 57 × 32 mm are 215 × 121: its true size.
    const size = await printer.getByLabel('Label 1 that came out').evaluate((canvas) => [canvas.clientWidth, canvas.clientHeight]);
    expect(size).toEqual([215, 121]);
    const dots = await printer.getByLabel('Label 1 that came out').evaluate((canvas: HTMLCanvasElement) => {
        const { data, width, height } = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height) ?? new ImageData(1, 1);
        return { data: [...data], width, height };
    });
    expect(jsQR(new Uint8ClampedArray(dots.data), dots.width, dots.height)?.data).toBe(`${shop.url}/rack/1`);
    await printer.getByRole('button', { name: 'Take its paper out' }).click();
    await expect(printer).toContainText('It has no paper.');
    await printer.getByRole('button', { name: 'Close' }).click();

    await page.getByRole('button', { name: 'On the label printer' }).click();
    await expect(page.getByText('The label printer has no paper. Put a roll in.')).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'This bench' }).click();
    await page.getByRole('button', { name: 'The label printer', exact: true }).click();
    await expect(printer).toContainText('One label waits.');
    await expect(printer.getByRole('listitem')).toContainText(mould.trim().split(' ')[0] ?? '');
    await printer.getByRole('button', { name: 'Put a roll in' }).click();
    await printer.getByRole('button', { name: 'Try again' }).click();
    await expect(printer).toContainText('Nothing waits.');
    await expect(printer.getByLabel('Label 2 that came out')).toBeVisible();
});

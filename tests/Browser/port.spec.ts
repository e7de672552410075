import { castSheet, expect, goOn, steady, test, type Shop } from './shop';
import type { Page } from '@playwright/test';

// A scale at the tablet: a browser port that a stand-in stands for, which writes as no usual scale does.
type Pan = { put: (grams: number) => void; mute: (silent: boolean) => void };

async function withPort(page: Page): Promise<void> {
    await page.addInitScript(() => {
        let [on, tare, moved, silent] = [0, 0, 0, false];
        const port = {
            readable: null as ReadableStream<Uint8Array> | null,
            writable: null as WritableStream<Uint8Array> | null,
            open(): Promise<void> {
                port.readable = new ReadableStream({
                    start: (out) => {
                        setInterval(() => {
                            if (!silent) {
                                const line = `No. 4  W ${(on - tare).toFixed(1)} g  ${String(Math.floor(Date.now() / 1000) % 60)}\r\n`;
                                const bytes = new TextEncoder().encode(line);
                                out.enqueue(bytes.slice(0, 6));
                                out.enqueue(bytes.slice(6));
                            }
                        }, 150);
                    },
                });
                port.writable = new WritableStream({
                    write: () => {
                        tare = on;
                        moved = Date.now();
                    },
                });
                return Promise.resolve();
            },
            close: () => Promise.resolve(),
        };
        Object.defineProperty(navigator, 'serial', {
            value: {
                requestPort: () => Promise.resolve(port),
                getPorts: () => Promise.resolve(localStorage.getItem('apalos.scale') === null ? [] : [port]),
            },
        });
        (window as unknown as { pan: Pan }).pan = {
            put: (grams) => {
                on += grams;
                moved = Date.now();
            },
            mute: (yes) => {
                silent = yes && moved >= 0;
            },
        };
    });
}

const pan = (page: Page, grams: number) => page.evaluate((more) => (window as unknown as { pan: Pan }).pan.put(more), grams);

async function toTheEmptyCup(page: Page, shop: Shop): Promise<void> {
    await castSheet(page, shop, 'Own scale');
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('150');
    await expect(page.getByTestId('mass')).toHaveText('150');
    await page.getByRole('button', { name: /Gear on/ }).click();
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
    for (const box of await page.locator('.checklist input').all()) {
        await expect(async () => {
            await box.click();
            await expect(box).toBeDisabled({ timeout: 1500 });
        }).toPass({ timeout: 20_000 });
    }
    await goOn(page);
    await goOn(page);
    await expect(page.getByRole('heading', { name: /Empty cup/ })).toBeVisible();
}

test('the port is chosen once, the weight is the figure that is pointed at, and a line is weighed with it', async ({ page, shop }) => {
    await withPort(page);
    await toTheEmptyCup(page, shop);
    await page.getByRole('button', { name: 'This bench' }).click();
    await page.getByRole('button', { name: /This tablet/ }).click();
    await page.getByRole('button', { name: 'Choose its port' }).click();
    await expect(page.getByText('Which figure is the weight?')).toBeVisible();
    await page.getByRole('button', { name: '0.0', exact: true }).click();
    await expect(page.getByText('0 g, at rest')).toBeVisible();
    await page.getByRole('dialog', { name: 'This tablet' }).getByRole('button', { name: 'Close' }).click();

    await pan(page, 31.5);
    await steady(page);
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
    const wanted = Number(await page.getByTestId('target').textContent());
    for (let grams = 0; grams < Math.floor(wanted); grams += 15) {
        await pan(page, Math.min(15, Math.floor(wanted) - grams));
        await page.waitForTimeout(300);
    }
    await pan(page, wanted - Math.floor(wanted));
    await expect(page.getByTestId('live')).toHaveText(wanted.toFixed(1));
    await expect(page.getByText('at rest', { exact: true })).toBeVisible();
    await page.locator('.actions .main').click();
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();

    // It is known again after a reload; silent, it is not believed.
    await page.reload();
    await expect(page.getByTestId('live')).not.toHaveText('–', { timeout: 15_000 });
    await page.evaluate(() => (window as unknown as { pan: Pan }).pan.mute(true));
    await expect(page.getByText('The scale at this tablet says nothing.').first()).toBeVisible({ timeout: 15_000 });
});

import { castSheet, expect, test } from './shop';
import type { Page } from '@playwright/test';

/** What no ounce shop reads: grams, millilitres, millimetres, degrees Celsius, in figures, labels of fields and warnings. */
const METRIC = /\d\s?(?:g|kg|ml|mm|cm²|µm)\b|°C|\bgrams?\b|\bmillilit|\bmillimet|Pa·s|N\/mm|g\/ml|ml\/kg/i;

/** A note of the demo's maker: what somebody wrote stays as it was written. */
const NOTED = 'Tears clean across the hole at 3 mm.';

async function read(page: Page): Promise<string[]> {
    return page.evaluate(() => {
        const lines: string[] = [];
        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
            const parent = node.parentElement;
            const text = (node.textContent ?? '').trim();
            if (text !== '' && parent !== null && !parent.closest('script,style,noscript,[data-metric]')) {
                lines.push(text);
            }
        }
        for (const named of document.querySelectorAll('[aria-label],[placeholder],[title]')) {
            lines.push(named.getAttribute('aria-label') ?? '', named.getAttribute('placeholder') ?? '', named.getAttribute('title') ?? '');
        }
        return lines;
    });
}

test('an ounce shop is read from end to end without a gram', async ({ page, demo }) => {
    test.slow();
    await page.goto(`${demo.url}/jobs`);
    await page.getByRole('button', { name: /change units/ }).click();
    await expect(page.getByText('oz · in')).toBeVisible();
    const left: string[] = [];
    for (const path of [
        '/',
        '/day',
        '/jobs',
        '/jobs/1',
        '/jobs/1/mould',
        '/jobs/1/cost',
        '/pours/50',
        '/pours/51',
        '/pours/48/run',
        '/pours/38/run',
        '/stores',
        '/stores/pr-10',
        '/stores/sf-1',
        '/stores/new/sheet',
        '/rack',
        '/formulas',
        '/formulas/1',
        '/swatches',
        '/swatches/series',
        '/log',
        '/contacts',
        '/study',
    ]) {
        await page.goto(demo.url + path);
        // A run is never quite still: its scale is asked all the time.
        await expect(page.getByRole('main').getByRole('heading').first()).toBeVisible();
        await page.waitForTimeout(700);
        left.push(...(await read(page)).filter((line) => METRIC.test(line) && !line.endsWith(NOTED)).map((line) => `${path}: ${line}`));
    }
    await page.goto(`${demo.url}/jobs`);
    await page.getByRole('button', { name: /change units/ }).click();
    expect(left).toEqual([]);
});

test('amounts are typed as people write them, and a run in ounces shows the decimals of its scale', async ({ page, shop }) => {
    await castSheet(page, shop, 'In ounces');
    await page.getByRole('button', { name: /change units/ }).click();
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('1 lb 4 oz');
    await expect(page.getByTestId('mass')).toHaveText('20');
    await page.getByLabel('Cup holds').fill('1 quart');
    await page.getByLabel('Cup holds').blur();
    await expect(page.getByLabel('Cup holds')).toHaveValue('32');
    await page.getByLabel('Scale steps').fill('0.01 oz');
    await page.getByLabel('Scale steps').blur();
    await expect(page.getByTestId('mass')).toHaveText('20');
    for (const figure of await page.locator('.lines td').allTextContents()) {
        expect(figure).toMatch(/^\d+\.\d\d$/);
    }
    await page.getByRole('button', { name: /change units/ }).click();
});

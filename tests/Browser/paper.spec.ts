import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { expect, test } from './shop';
import type { Page } from '@playwright/test';

// What hangs on the wall leads back: the codes are read off the sheets as a printer would have them, and the screens hand the sheets out.

type Grey = { width: number; height: number; at: Uint8Array };

/** A page of a PDF as grey dots, so many to the inch. */
async function printed(page: Page, address: string, dpi: number, which = 1): Promise<Grey> {
    const answer = await page.request.get(address);
    expect(answer.ok(), address).toBe(true);
    const folder = mkdtempSync(join(tmpdir(), 'paper-'));
    try {
        writeFileSync(join(folder, 'sheet.pdf'), await answer.body());
        execFileSync('pdftoppm', [
            '-gray',
            '-r',
            String(dpi),
            '-f',
            String(which),
            '-l',
            String(which),
            '-singlefile',
            join(folder, 'sheet.pdf'),
            join(folder, 'page'),
        ]);
        const read = readFileSync(join(folder, 'page.pgm'));
        const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(read.subarray(0, 60).toString('latin1'));
        expect(head).not.toBeNull();
        return { width: Number(head?.[1]), height: Number(head?.[2]), at: read.subarray(head?.[0].length) };
    } finally {
        rmSync(folder, { recursive: true });
    }
}

/** What a code in this part of a page says; parts in dots. */
function read(from: Grey, x = 0, y = 0, w = from.width, h = from.height): string | undefined {
    const dots = new Uint8ClampedArray(4 * w * h);
    for (let row = 0; row < h; row++) {
        for (let column = 0; column < w; column++) {
            const grey = from.at[(y + row) * from.width + x + column] ?? 255;
            dots.set([grey, grey, grey, 255], 4 * (row * w + column));
        }
    }
    return jsQR(dots, w, h)?.data;
}

test('the code of every sheet leads back to what it is of', async ({ page, demo }) => {
    test.slow();
    for (const [paper, leads] of [
        ['jobs/1', '/jobs/1'],
        ['versions/1', '/formulas/1'],
        ['day', '/day'],
        ['to-buy', '/stores'],
    ]) {
        for (const size of ['a4', 'letter']) {
            expect(read(await printed(page, `${demo.url}/paper/${paper ?? ''}.pdf?size=${size}`, 150)), paper).toBe(
                `${demo.url}${leads ?? ''}`,
            );
        }
    }
});

test('each label of a sheet carries the code of its own thing, in its own place', async ({ page, demo }) => {
    const sheet = await printed(page, `${demo.url}/paper/labels.pdf?moulds=1,2,3&lots=1&across=3&down=8&top_mm=0&left_mm=0&start=5`, 200);
    const mm = 200 / 25.4;
    const codes = [4, 5, 6, 7].map((place) =>
        read(
            sheet,
            Math.round((place % 3) * 70 * mm),
            Math.round(Math.floor(place / 3) * 37.125 * mm),
            Math.round(70 * mm) - 1,
            Math.round(37 * mm),
        ),
    );
    expect(codes).toEqual([`${demo.url}/rack/1`, `${demo.url}/rack/2`, `${demo.url}/rack/3`, `${demo.url}/stores/lots/1`]);
});

test('a maker prints the card of a pour, and the file of a job goes to another shop', async ({ page, demo, shop }) => {
    await page.goto(demo.url);
    await page.locator('article', { hasText: 'Practice forearm' }).locator('h3 a').first().click();
    const card = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Batch card, PDF' }).click();
    expect((await card).suggestedFilename()).toMatch(/^batch-\d+\.pdf$/);
    await page.goto(`${demo.url}/jobs/2`);
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: 'for another shop' }).click();
    const path = await (await file).path();
    await page.goto(`${shop.url}/jobs`);
    await page.getByLabel('Take a file in').setInputFiles(path);
    await expect(page.getByRole('heading', { name: 'Owl brow', level: 1 })).toBeVisible();
    await expect(page.getByText('Plaster mould').first()).toBeVisible();
});

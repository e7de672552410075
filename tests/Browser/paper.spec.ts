import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { Hands, job } from './hands';
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
    const card = await page.getByRole('link', { name: 'Batch card, PDF' }).getAttribute('href');
    const printed = await page.request.get(`${demo.url}${card ?? ''}`);
    expect(printed.headers()['content-type']).toBe('application/pdf');
    expect(printed.headers()['content-disposition']).toMatch(/^inline; filename="batch-\d+\.pdf"$/);
    await page.goto(`${demo.url}/jobs/2`);
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: 'for another shop' }).click();
    const path = await (await file).path();
    await page.goto(`${shop.url}/jobs`);
    await page.getByLabel('Take a file in').setInputFiles(path);
    await expect(page.getByRole('heading', { name: 'Owl brow', level: 1 })).toBeVisible();
    await expect(page.getByText('Plaster mould').first()).toBeVisible();
});

/** So many minutes before what a field of times takes for now: by the clock of the shop. */
async function ago(page: Page, label: string, minutes: number): Promise<string> {
    const now = (await page.getByLabel(label).first().getAttribute('max')) ?? '';
    return new Date(Date.parse(`${now}:00Z`) - minutes * 60_000).toISOString().slice(0, 16);
}

test('what was worked by its card is typed in afterwards, to the counted piece', async ({ page, shop }) => {
    test.slow();
    const hands = new Hands(page);
    await job(hands, shop, 'Carded grip', async (form) => {
        await hands.fill(form.getByLabel('How many'), '2');
        await hands.choose(form.getByLabel('Mould of'), 'pr-40');
        await hands.choose(form.getByLabel('Casts of'), 'ur-35');
    });
    await hands.press(page.getByRole('button', { name: /^casts Casts/ }));
    await hands.press(page.getByRole('button', { name: /Plan a pour/ }));
    await hands.press(page.getByText('It holds', { exact: true }));
    await hands.fill(page.getByRole('textbox', { name: 'It holds' }), '120');
    await expect(page.getByRole('link', { name: 'Batch card, PDF' })).toBeVisible();

    await hands.press(page.getByRole('button', { name: 'It was poured by its card: type that in' }));
    await expect(page.getByText(/These are the cups of a card with “Cups [0-9a-f]{6}” at its foot/)).toBeVisible();
    const began = 'Begun at, as the card says';
    await page.getByLabel(began).fill(await ago(page, began, 2000));
    await hands.press(page.getByRole('button', { name: 'Begin it as of then, and type the rest' }));
    await expect(page.getByRole('heading', { name: 'Type the card in', level: 1 })).toBeVisible();

    // What nobody ticked is asked for, and nothing that was typed goes.
    const rows = page.getByRole('region', { name: 'Cup 1' }).getByRole('row');
    const lines = (await rows.count()) - 1;
    for (let i = 1; i <= lines; i++) {
        const running = (await rows.nth(i).locator('td b').innerText()).replace(/[^\d.]/g, '');
        await hands.fill(rows.nth(i).getByRole('textbox'), i === lines ? String(Number(running) + 30) : running);
    }
    await page.getByLabel('A met B at').fill(await ago(page, 'A met B at', 1990));
    await page.getByLabel('In the mould at').fill(await ago(page, 'In the mould at', 1985));
    await page.getByLabel('Opened at').fill(await ago(page, 'Opened at', 30));
    await hands.press(page.locator('.words label', { hasText: 'good' }));
    await hands.fill(page.getByLabel('Pieces that came of it'), '2');
    await hands.fill(page.getByLabel('Left over'), '4');
    const handIn = page.getByRole('button', { name: /Hand it in/ });
    await hands.press(handIn);
    await expect(page.getByRole('alert').filter({ hasText: 'Nothing is ticked at' })).toBeVisible();
    for (const item of await page.locator('fieldset input[type=checkbox]:not(.sr-only)').all()) {
        await item.check();
    }

    // A slip, or it was so: it is asked once.
    await hands.press(handIn);
    await expect(page.getByRole('alert').filter({ hasText: 'was meant. Was it so' })).toBeVisible();
    await page.reload();
    await expect(rows.nth(lines).getByRole('textbox')).not.toHaveValue('');
    await hands.press(handIn);
    await hands.press(page.getByRole('button', { name: 'It was so' }));

    await expect(page.getByRole('heading', { name: /In the log: good/ })).toBeVisible();
    await expect(page.getByText(/Typed in from its card on/)).toBeVisible();
    await page.goto(`${shop.url}/log`);
    await expect(page.getByText('Carded grip').first()).toBeVisible();
});

test('labels lie where this tablet says its sheets have them, and it is remembered', async ({ page, demo }) => {
    await page.goto(`${demo.url}/rack`);
    await page.getByText('Labels of these, on a sheet').click();
    await page.getByLabel('Across').fill('2');
    await page.getByLabel('Down').fill('7');
    await page.getByLabel('Above and below').fill('15');
    await page.getByLabel('First free place').fill('3');
    const href = await page.getByRole('link', { name: 'This sheet, PDF' }).getAttribute('href');
    const sheet = await printed(page, `${demo.url}${href ?? ''}`, 150);
    const mm = 150 / 25.4;
    // The third place: the second row, on the left.
    expect(read(sheet, 0, Math.round((15 + 38.1) * mm), Math.round(105 * mm), Math.round(38 * mm))).toMatch(/\/rack\/\d+$/);
    await page.goto(`${demo.url}/swatches/labels`);
    await page.getByText('As a file, on any sheet of labels').click();
    await expect(page.getByLabel('Across')).toHaveValue('2');
    await page.getByLabel('Across').fill('0');
    await expect(page.getByText('A whole number from 1 to 12.')).toBeVisible();
    await expect(page.getByRole('link', { name: 'This sheet, PDF' })).toBeHidden();
});

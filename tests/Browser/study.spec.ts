import { Hands } from './hands';
import { expect, test } from './shop';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Page } from '@playwright/test';

const models = resolve(import.meta.dirname, '../../database/models');

async function dropIn(page: Page, name: string, bytes: Buffer): Promise<void> {
    await page.getByLabel('Choose a model').setInputFiles({ name, mimeType: 'application/octet-stream', buffer: bytes });
}

/** The same shape with other bytes: no two tests meet in one file. */
function scaled(file: string, by: number): Buffer {
    const bytes = Buffer.from(readFileSync(`${models}/${file}`));
    for (let at = 84; at < bytes.length; at += 50) {
        for (let i = 3; i < 12; i++) {
            bytes.writeFloatLE(bytes.readFloatLE(at + 4 * i) * by, at + 4 * i);
        }
    }
    return bytes;
}

test('a mesh goes in; a pull, a sprue and a seam are chosen; the job has its halves', async ({ page, demo }) => {
    await page.goto(`${demo.url}/jobs?new=1`);
    const form = page.getByRole('form', { name: 'New job' });
    await form.getByLabel('Piece').fill('Toadstool knob');
    await form.getByLabel('How many').fill('4');
    await form.getByLabel('What is the first mould taken from?').fill('print');
    await form.getByRole('button', { name: 'Start the job' }).click();
    await page.waitForURL(/\/jobs\/\d+$/);
    await page.getByRole('link', { name: 'Study its model' }).click();
    await expect(page.getByText('It is for “Toadstool knob”.')).toBeVisible();
    await dropIn(page, 'knob.stl', scaled('mushroom.stl', 1.03));

    // It is found by itself, and said in words.
    await page.waitForURL(/\/study\/\d+$/);
    const told = page.getByRole('region', { name: 'What it tells' });
    await expect(told.getByText(/^Pulled towards/)).toBeVisible({ timeout: 60_000 });
    await expect(told.getByText(/^Poured with/)).toBeVisible();
    await expect(page.locator('canvas')).toBeVisible();

    // Pulled along its stem in one part it hides behind the cap, and a rubber has to stretch.
    const pull = page.getByRole('region', { name: 'Pull', exact: true });
    await pull.getByRole('button', { name: 'top', exact: true }).click();
    await pull.getByLabel('A mould of one part, pulled one way').check();
    await expect(told.getByText(/^Drawn off towards the top, \d+\.\d % of the surface hides behind a lip/)).toBeVisible();
    await expect(page.getByRole('region', { name: 'Stretch' }).getByText(/^By \d+ %/)).toBeVisible();

    // In two, from the side, with a heavy wall and the seam where the maker wants it.
    await pull.getByLabel('A mould of one part, pulled one way').uncheck();
    await pull.getByRole('button', { name: 'right', exact: true }).click();
    await expect(told.getByText(/^Pulled towards the right and the other way/)).toBeVisible();
    const walls = page.getByRole('region', { name: 'Seam and walls' });
    const below = told.getByText('Rubber below, above').locator('..').locator('dd');
    const standard = await below.textContent();
    await walls.getByRole('button', { name: 'heavy' }).click();
    await expect(below).not.toHaveText(standard ?? '');
    const heavy = await below.textContent();
    await walls.getByLabel('Height of the seam').fill('20');
    await expect(below).not.toHaveText(heavy ?? '');
    await expect(page.getByText('Reckoning …')).toBeHidden();

    // A sprue too narrow is warned of, with one that serves.
    const filling = page.getByRole('region', { name: 'Filling' });
    await filling.getByLabel('Sprue', { exact: true }).fill('0.8');
    await expect(filling.getByText(/it sets before it is full|to fill\./)).toBeVisible();
    await expect(filling.getByText(/The narrowest sprue that serves is/)).toBeVisible();

    // In one press it is in the job: two halves with what each takes, and the casts.
    const halves = ((await below.textContent()) ?? '').match(/[\d.]+/g) ?? [];
    await told.getByRole('button', { name: 'Write it into the job' }).click();
    await page.waitForURL(/\/jobs\/\d+$/);
    await expect(page.getByText(/first half” takes/)).toBeVisible();
    await page
        .getByRole('button', { name: /first half/ })
        .first()
        .click();
    await expect(page.getByText(/From the study of knob\.stl: box .* inside, seam .* above its floor/).first()).toBeVisible();
    await page.getByRole('button', { name: /Open its pour sheet/ }).click();
    await page.waitForURL(/\/pours\/\d+$/);
    expect(Math.round(Number(await page.getByLabel('Volume of the mesh').inputValue()))).toBe(Number(halves[0]));
});

test('the picture is turned, cut and laid into water, by keys alone too', async ({ page, demo }) => {
    await page.goto(`${demo.url}/study/6`);
    await expect(page.getByText(/^Pulled towards/).first()).toBeVisible();
    const canvas = page.locator('canvas');
    await expect(canvas).toHaveAttribute('aria-label', /hidden from the pull and striped/);
    const spout = page.locator('.picture .pin', { hasText: 'sprue' });
    await expect(spout).toBeVisible();
    await expect(canvas).toHaveAttribute('data-drawn', 'true');
    const before = await spout.boundingBox();
    await canvas.focus();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await expect.poll(async () => Math.abs(((await spout.boundingBox())?.y ?? 0) - (before?.y ?? 0))).toBeGreaterThan(3);

    await page.keyboard.press('x');
    await expect(page.getByLabel('Where it is cut')).toBeVisible();
    const water = page.getByRole('region', { name: 'In water' });
    const hands = new Hands(page);
    await hands.press(water.getByRole('button', { name: 'Lay it into the water' }));
    await expect(water.getByText(/^It floats with .* under water/)).toBeVisible();
    // Asked for more weight than the water it displaces, it sinks.
    await hands.fill(water.getByLabel('Heavier than water by'), '6');
    await expect(water.getByText(/It sinks at about \d+ cm a second/)).toBeVisible();
    expect(hands.presses).toBeLessThanOrEqual(2);
});

test('what is no model says what to do, and nothing is kept of it', async ({ page, demo }) => {
    await page.goto(`${demo.url}/study`);
    await dropIn(page, 'piece.docx', Buffer.from('words'));
    await expect(page.getByText('Models are read as STL, OBJ, PLY, 3MF.')).toBeVisible();
    await dropIn(page, 'empty.stl', Buffer.alloc(0));
    await expect(page.getByText('The file is empty. Export the model again.')).toBeVisible();
    await dropIn(page, 'cut.stl', scaled('mushroom.stl', 1.07).subarray(0, 9000));
    await page.waitForURL(/\/study\/\d+$/);
    await expect(page.getByText(/and 178 are there: it was cut short/)).toBeVisible();
    await page.getByText('The file', { exact: true }).click();
    await page.getByRole('button', { name: 'Put this model away' }).click();
    await expect(page.getByText('“cut.stl” is put away.')).toBeVisible();
});

test('a piece drawn in inches is asked about', async ({ page, demo }) => {
    await page.goto(`${demo.url}/study`);
    await dropIn(page, 'inches.stl', scaled('mushroom.stl', 0.05));
    await expect(page.getByText(/Is it drawn in inches\? Then it would be/)).toBeVisible({ timeout: 60_000 });
    await page.getByRole('group', { name: 'In which unit is it drawn?' }).getByRole('button', { name: 'inches' }).click();
    await expect(page.getByText(/Is it drawn in inches/)).toBeHidden({ timeout: 60_000 });
    await expect(page.getByText('read in inches')).toBeAttached();
});

import { byHand, Hands } from './hands';
import { expect, goOn, test, type Shop } from './shop';
import type { Locator, Page } from '@playwright/test';

// Jobs walked whole, from an empty one to the counted piece, with the presses counted. What waits for hours waits for seconds here.

/** Sets in seconds, so that a walk can be walked. */
const QUICK = [
    {
        code: 'qr-70',
        name: 'Quick rubber',
        family: 'urethane-rubber',
        ratio: { a: 1, b: 1 },
        sg: { a: 1.05, b: 1.05 },
        times: { pot_life_min: 60, recoat_open_min: 0.1, recoat_close_min: 300, demould_min: 61 },
        ref_c: 23,
        brushed: true,
    },
    {
        code: 'qs-20',
        name: 'Quick silicone',
        family: 'silicone-platinum',
        ratio: { a: 1, b: 1 },
        sg: { a: 1.1, b: 1.1 },
        times: { pot_life_min: 60, recoat_open_min: 0.1, recoat_close_min: 300, demould_min: 61 },
        ref_c: 23,
        brushed: true,
    },
];

async function shelved(page: Page, shop: Shop): Promise<void> {
    await page.goto(`${shop.url}/jobs`);
    await page.evaluate(async (sheets) => {
        while (!document.cookie.includes('XSRF-TOKEN=')) {
            await new Promise((done) => setTimeout(done, 20));
        }
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
        for (const sheet of sheets) {
            await fetch('/stores/sheets', {
                method: 'POST',
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                body: JSON.stringify({ kind: 'base', sheet, sure: true }),
            });
        }
    }, QUICK);
}

/** An empty job of a piece, the mould of it and what is cast in it. */
async function newJob(
    hands: Hands,
    shop: Shop,
    piece: string,
    mould: string | { label: string },
    more: { many?: string; surface?: string } = {},
): Promise<void> {
    await shelved(hands.page, shop);
    await hands.page.goto(`${shop.url}/jobs?new=1`);
    const form = hands.page.getByRole('form', { name: 'New job' });
    await hands.fill(form.getByLabel('Piece'), piece);
    if (more.many !== undefined) {
        await hands.fill(form.getByLabel('How many'), more.many);
    }
    if (more.surface !== undefined) {
        await hands.choose(form.getByLabel('Its surface'), more.surface);
    }
    await hands.choose(form.getByLabel('Mould of'), mould);
    await hands.choose(form.getByLabel('Casts of'), 'qr-70');
    await hands.press(form.getByRole('button', { name: 'Start the job' }));
}

const heading = (page: Page, name: string | RegExp): Locator => page.getByRole('heading', { name, level: 2 });

/** Ticks an operation off; where it is early by the clock, says why. */
async function done(hands: Hands, name: string | RegExp, press = 'Done'): Promise<void> {
    const { page } = hands;
    await expect(heading(page, name)).toBeVisible({ timeout: 20_000 });
    await hands.press(page.getByRole('button', { name: press, exact: true }));
    const why = page.getByLabel('Why it goes all the same');
    await expect(async () => {
        expect((await why.isVisible()) || !(await heading(page, name).isVisible())).toBe(true);
    }).toPass();
    if (await why.isVisible()) {
        await hands.fill(why, 'A walk need not wait');
        await hands.press(page.getByRole('button', { name: 'Done all the same' }));
    }
    await expect(heading(page, name)).toBeHidden();
}

/** Weighs up what is asked for and lays it on: from the build through its sheet and its run, and back. */
async function layOn(hands: Hands, name: string | RegExp): Promise<void> {
    const { page } = hands;
    await expect(heading(page, name)).toBeVisible({ timeout: 20_000 });
    await hands.press(page.getByRole('button', { name: 'Weigh it up' }).or(page.getByRole('link', { name: 'Open its sheet' })));
    const start = page.getByRole('button', { name: /Gear on, start/ }).filter({ visible: true });
    await expect(start).toBeEnabled();
    const why = page.getByLabel('Why it goes all the same');
    await hands.press(start);
    await expect(why.or(page.getByRole('heading', { name: 'Gear on' }))).toBeVisible();
    if (await why.isVisible()) {
        await hands.fill(why, 'A walk need not wait');
        await hands.press(page.getByRole('button', { name: 'Begin all the same' }));
    }
    await hands.begun();
    // Another weigh-up may have the scale: then the readings are typed.
    await page.waitForTimeout(700);
    if (await page.getByRole('button', { name: 'Type the readings' }).isVisible()) {
        await hands.press(page.getByRole('button', { name: 'Type the readings' }));
    }
    await byHand(hands);
    await hands.weighByHand();
    for (let i = 0; i < 4 && !(await page.getByRole('heading', { name: 'It lies.' }).isVisible()); i++) {
        hands.presses++;
        await goOn(page);
    }
    await hands.press(page.getByRole('link', { name: 'Back to the build' }));
    await expect(page.getByRole('list', { name: 'Operations' })).toBeVisible();
}

async function graded(hands: Hands, pieces: string | null): Promise<void> {
    const { page } = hands;
    await expect(page.getByRole('heading', { name: 'How did it come out?' })).toBeVisible();
    await hands.press(page.getByText('good', { exact: true }));
    if (pieces !== null) {
        await hands.fill(page.getByLabel('Pieces that came of it'), pieces);
    }
    await hands.press(page.getByRole('button', { name: 'Write it down' }));
    await expect(page.getByText('It came out good.')).toBeVisible();
}

test('cast in a printed mould: it is had, sealed by no word alone, tested, the test fails once, and two pieces are counted', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Oar collar', { label: 'printed resin' }, { many: '2' });
    await expect(page.getByRole('button', { name: /^mould Mould .* not poured here/ })).toBeVisible();

    // What is cast in it is judged by it; a release is chosen, and it is not done by being chosen.
    await hands.press(page.getByRole('button', { name: /^casts Casts/ }));
    const link = page.getByRole('region', { name: 'The chosen link' });
    await expect(link.getByText(/fresh, on .*resin/)).toBeVisible();
    await hands.press(link.locator('.cards label').first());
    await hands.press(page.getByRole('button', { name: /Build it in several operations/ }));
    const way = page.getByRole('form', { name: /How is/ });
    await hands.press(way.getByText('Printed rigid mould, open'));
    await hands.fill(way.getByLabel('It takes in all'), '120');
    await hands.press(way.getByRole('button', { name: 'Plan it so' }));

    for (const name of [/^Wash the print/, /^Light it through/, /^Warm it through/, /^Seal what drinks/, 'Release, first coat']) {
        await done(hands, name);
    }
    await expect(page.getByRole('list', { name: 'On what, with what' })).toContainText('Mould');
    await done(hands, 'Release, second coat');
    await layOn(hands, /^A small test/);

    // It fails, and nothing is poured; then it passes.
    await expect(heading(page, /^Did the test cure/)).toBeVisible({ timeout: 20_000 });
    await hands.press(page.getByRole('button', { name: 'It is not' }));
    await expect(page.getByRole('alert').filter({ hasText: 'It failed.' })).toBeVisible();
    await expect(page.getByRole('list', { name: 'Operations' }).getByText('failed')).toBeVisible();
    await done(hands, /^Did the test cure/, 'It passes now');
    await done(hands, 'Release once more');
    await layOn(hands, 'Brush in a first layer');
    await layOn(hands, 'Pour');
    await done(hands, 'Lift it out');
    await graded(hands, '2');

    // Job, log and rack agree.
    await page.getByRole('link', { name: 'Oar collar', exact: true }).click();
    await expect(page.getByText('All 2 are cast.')).toBeVisible();
    await expect(page.getByRole('link', { name: /^M-\d+, about/ })).toBeVisible();
    await page.goto(`${shop.url}/rack`);
    await expect(page.getByText('printed resin').first()).toBeVisible();
    expect(hands.presses).toBeLessThan(95);
});

test('a block in two halves: box and bed are asked, both halves drawn, the second meets the first, and the mould lies on the rack', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Net float', 'qs-20', { surface: 'acrylic' });
    await hands.press(page.getByRole('button', { name: /^mould Mould/ }));
    await hands.press(page.getByRole('button', { name: /Build it in several operations/ }));
    const way = page.getByRole('form', { name: /How is/ });
    await hands.press(way.getByText('Block in two parts on a clay bed'));
    await hands.fill(way.getByLabel('It takes in all'), '300');
    await hands.choose(way.getByLabel(/^Box walls/), 'acrylic');
    await hands.choose(way.getByLabel('Bed of'), 'clay-water');
    await hands.press(way.getByRole('button', { name: 'Plan it so' }));
    await expect(page.getByRole('img', { name: /First half .* planned; Second half/ })).toBeVisible();

    await done(hands, /^Clay bed/);
    await done(hands, /^Box round it/);
    await done(hands, /^Press keys/);
    // Each with its release, and the bed it was given.
    await expect(page.getByRole('list', { name: 'On what, with what' })).toContainText('the clay bed');
    await done(hands, 'Release piece and walls');
    await layOn(hands, 'First half');
    await done(hands, /^Turn over/);
    await done(hands, 'Release the first half');
    await expect(page.getByText('It must let go of “First half”.')).toBeVisible();
    await layOn(hands, 'Second half');
    await done(hands, /^Open, cut/);
    await graded(hands, null);

    await page.getByRole('link', { name: 'Net float', exact: true }).click();
    await expect(page.getByRole('link', { name: /^M-\d+, about/ })).toBeVisible();
    expect(hands.presses).toBeLessThan(70);
});

test('a job changes its mind: another name, put away with what lives in it, found again, and a link more loses no contact', async ({
    page,
    shop,
}) => {
    const hands = new Hands(page);
    await newJob(hands, shop, 'Buoy', 'qs-20', { surface: 'acrylic' });

    await hands.press(page.getByRole('button', { name: 'Change name, number, date' }));
    const piece = page.getByRole('form', { name: 'The piece' });
    await hands.fill(piece.getByLabel('Piece'), 'Harbour buoy');
    await hands.fill(piece.getByLabel('How many'), '12');
    await hands.fill(piece.getByLabel('Wanted by'), '2020-02-02');
    await hands.press(piece.getByRole('button', { name: 'Keep it' }));
    await expect(page.getByRole('heading', { name: 'Harbour buoy', level: 1 })).toBeVisible();
    await expect(page.getByRole('alert').filter({ hasText: 'The day it is wanted by is over' })).toBeVisible();

    // A core set after the casts hides nothing: shell and core are both met.
    await hands.press(page.getByRole('button', { name: 'Add a link' }));
    const more = page.getByRole('form', { name: 'New link' });
    await hands.choose(more.getByLabel('What it is'), 'mould');
    await hands.fill(more.getByLabel('Name'), 'Core');
    await hands.choose(more.getByLabel('To the mould it is'), 'core');
    await hands.choose(more.getByLabel('Material'), { label: 'wood' });
    await hands.press(more.getByRole('button', { name: 'Keep it' }));
    const joints = page.getByRole('list', { name: 'Contacts of Casts' });
    await expect(joints.getByText('Mould')).toBeVisible();
    await expect(joints.getByText('Core')).toBeVisible();

    await hands.press(page.getByRole('button', { name: /^mould Mould/ }));
    await hands.press(page.getByRole('button', { name: /^Plan a pour/ }));
    await expect(page.getByRole('heading', { name: 'Mould', level: 1 })).toBeVisible();
    await page.getByRole('link', { name: 'Harbour buoy', exact: true }).click();
    await hands.press(page.getByRole('button', { name: /^Put the job away/ }));
    await expect(page.getByRole('alert', { name: 'Put the job away' })).toContainText('a pour sheet');
    await hands.press(page.getByRole('button', { name: 'Put it away all the same' }));
    await hands.press(page.getByRole('link', { name: 'One job is put away' }));
    await hands.press(page.getByRole('button', { name: 'Bring it back' }));
    await expect(page.getByRole('heading', { name: 'Harbour buoy', level: 1 })).toBeVisible();
    expect(hands.presses).toBeLessThan(35);
});

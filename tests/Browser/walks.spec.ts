import { Hands } from './hands';
import { expect, test } from './shop';
import { done, graded, heading, layOn, newJob } from './walking';

// Jobs walked whole, from an empty one to the counted piece, with the presses counted. What waits for hours waits for seconds here.

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

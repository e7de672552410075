import { Hands } from './hands';
import { expect, test } from './shop';
import { done, graded, heading, layOn, newJob, planned, through } from './walking';

// Builds walked from first release to graded piece, of what is really on the shelf: what would wait for hours goes on with a reason.

const WHEN_IT_TAKES = { 'It takes in all': '300' };

test('putty and plaster: a mould kneaded with starch, plaster sifted into water and cast in it, four pieces counted', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Drawer knob', 'sx-25', { surface: 'acrylic', many: '4', casts: 'cp-70' });
    await planned(hands, /^mould Mould/, 'One-part putty, kneaded with starch', { 'It takes in all': '120' });
    await through(hands);
    await graded(hands, null);
    await page.getByRole('link', { name: 'Drawer knob', exact: true }).click();
    await expect(page.getByRole('link', { name: /^M-\d+, about/ })).toBeVisible();

    await planned(hands, /^casts Casts/, 'Plaster cast', WHEN_IT_TAKES);
    const walked = await through(hands);
    expect(walked).toContain('Scrape it level');
    await graded(hands, '4');
    await page.getByRole('link', { name: 'Drawer knob', exact: true }).click();
    await expect(page.getByText('All 4 are cast.')).toBeVisible();
    expect(hands.presses).toBeLessThan(110);
});

test('core and shell: what is poured meets both, its first batch holds the straps, and a mask is counted', async ({ page, shop }) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Otter mask', { label: 'acrylic sheet' }, { casts: 'pr-10' });
    await hands.press(page.getByRole('button', { name: 'Add a link' }));
    const more = page.getByRole('form', { name: 'New link' });
    await hands.choose(more.getByLabel('What it is'), 'mould');
    await hands.fill(more.getByLabel('Name'), 'Core');
    await hands.choose(more.getByLabel('To the mould it is'), 'core');
    await hands.choose(more.getByLabel('Material'), { label: 'acrylic sheet' });
    await hands.press(more.getByRole('button', { name: 'Keep it' }));
    await hands.press(page.getByRole('button', { name: /^casts Casts/ }));
    const joints = page.getByRole('list', { name: 'Contacts of Casts' });
    await expect(joints.getByText('Mould')).toBeVisible();
    await expect(joints.getByText('Core')).toBeVisible();
    await planned(hands, /^casts Casts/, 'Core and shell mask with straps', { 'It takes in all': '260' });
    // The section has a core inside its shell.
    await expect(page.getByRole('img', { name: /Core/ })).toBeVisible();
    const walked = await through(hands);
    expect(walked).toContain('Set the core and bolt it');
    await graded(hands, '1');
    await page.getByRole('link', { name: 'Otter mask', exact: true }).click();
    await expect(page.getByText(/cast\./).first()).toBeVisible();
    expect(hands.presses).toBeLessThan(90);
});

test('matrix: clay measured against its wall, shells of epoxy, rubber poured behind, and the mould lies on the rack', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Lantern bust', 'tr-25', { surface: 'acrylic' });
    await planned(
        hands,
        /^mould Mould/,
        'Matrix: poured behind a clay blanket',
        { 'Area to cover': '500', 'Wall, at least': '10', 'Wall, at most': '12', 'It takes in all': '90' },
        async (form) => {
            await hands.choose(form.getByLabel(/^Box walls/), 'acrylic');
        },
    );
    // Clay left in the cup: two numbers of one thing differ, and it is said.
    await expect(page.getByText(/Wall times area is between/)).toBeVisible();
    await page.getByRole('link', { name: 'Lantern bust', exact: true }).click();
    await planned(hands, /^mould Mould/, 'Matrix: poured behind a clay blanket', {
        'Area to cover': '500',
        'Wall, at least': '10',
        'Wall, at most': '12',
        'It takes in all': '550',
    });
    await expect(page.getByText(/Wall times area is between/)).toBeHidden();
    const walked = await through(hands);
    expect(walked.length).toBeGreaterThan(10);
    await graded(hands, null);
    await page.getByRole('link', { name: 'Lantern bust', exact: true }).click();
    await expect(page.getByRole('link', { name: /^M-\d+, about/ })).toBeVisible();
    expect(hands.presses).toBeLessThan(170);
});

test('appliance in copies, each for its own day: one plan, film with its solvent, one after the other graded and counted', async ({
    page,
    shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Heron beak', { label: 'metal' }, { many: '6', casts: 'pr-10' });
    const first = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    await planned(
        hands,
        /^casts Casts/,
        'Snap appliance in barrier film',
        { 'Area to cover': '200', 'It takes in all': '60' },
        async (form) => {
            await hands.fill(form.getByLabel('How many copies'), '6');
            await hands.fill(form.getByLabel('The first is wanted on'), first);
            await expect(form.getByRole('list', { name: 'Days of the copies' }).getByRole('listitem')).toHaveCount(6);
        },
    );
    const copies = page.getByRole('list', { name: 'Copies' });
    await expect(copies.getByRole('listitem')).toHaveCount(6);
    await expect(page.getByRole('heading', { name: /copy 1 of 6/ })).toBeVisible();
    const walked = await through(hands);
    expect(walked.filter((name) => /mist/.test(name))).toHaveLength(6);
    await graded(hands, '1');
    await expect(copies.getByText('built', { exact: true })).toHaveCount(1);
    await copies.getByRole('link', { name: /^2/ }).click();
    await expect(page.getByRole('heading', { name: /copy 2 of 6/ })).toBeVisible();
    await through(hands);
    await graded(hands, '1');
    await page.getByRole('link', { name: 'Heron beak', exact: true }).click();
    await expect(page.getByText(/2 of 6/).first()).toBeVisible();
    expect(hands.presses).toBeLessThan(170);
});

test('two colours in one cast, and built the same again with its formula', async ({ page, shop }) => {
    test.slow();
    const hands = new Hands(page);
    await newJob(hands, shop, 'Perch', { label: 'acrylic sheet' }, { casts: 'pr-10', many: '2' });
    await planned(hands, /^casts Casts/, 'Two colours in one cast', { 'It takes in all': '100' });
    const walked = await through(hands);
    expect(walked).toContain('Second colour');
    await graded(hands, '1');
    await hands.press(page.getByRole('button', { name: 'Build it again' }));
    await expect(page.getByRole('heading', { name: /copy 2 of 2/ })).toBeVisible();
    await expect(page.getByRole('list', { name: 'Copies' }).getByText('built', { exact: true })).toBeVisible();
    await expect(page.getByText('It came out good.')).toBeHidden();
    expect(hands.presses).toBeLessThan(95);
});

for (const [way, base, name] of [
    ['Glove in a jacket, silicone', 'br-28', 'Fender'],
    ['Glove in plaster, urethane', 'ub-40', 'Bollard cap'],
] as const) {
    test(`${way}: coats in their windows, two shells with release between, and the mould lies on the rack`, async ({ page, shop }) => {
        test.slow();
        const hands = new Hands(page);
        await newJob(hands, shop, name, base, { surface: 'acrylic' });
        await hands.press(page.getByRole('button', { name: /^mould Mould/ }));
        const link = page.getByRole('region', { name: 'The chosen link' });
        await hands.press(link.locator('.cards label').first());
        await planned(hands, /^mould Mould/, way, { 'Area to cover': '300', Flange: '60', 'Undercuts to fill': '10' });
        const walked = await through(hands);
        expect(walked.filter((one) => /shell/.test(one)).length).toBeGreaterThan(1);
        await graded(hands, null);
        await page.getByRole('link', { name, exact: true }).click();
        await expect(page.getByRole('link', { name: /^M-\d+, about/ })).toBeVisible();
        expect(hands.presses).toBeLessThan(170);
    });
}

test('a mind changed in the middle, on two screens and the phone: nobody weighs by a plan that is no longer, nothing is done twice', async ({
    page,
    shop,
    browser,
}) => {
    test.slow();
    const desk = new Hands(page);
    await newJob(desk, shop, 'Seal flipper', { label: 'metal' }, { casts: 'qs-20' });
    await planned(desk, /^casts Casts/, 'Brushed or spread cast', { 'Area to cover': '200' });
    const build = page.url();

    const phonePage = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    const phone = new Hands(phonePage);
    await phonePage.goto(build);
    await done(desk, 'Release the mould');
    // The other screen looks by itself.
    await expect(heading(phonePage, 'Detail coat')).toBeVisible({ timeout: 20_000 });
    await phone.press(phonePage.getByRole('button', { name: 'Weigh it up' }));
    const start = phonePage.getByRole('button', { name: /Gear on, start/ }).filter({ visible: true });
    await expect(start).toBeEnabled();

    // At the desk the coat becomes thicker while the phone holds its sheet.
    await page.getByRole('button', { name: 'Change the plan' }).click();
    const plan = page.getByRole('region', { name: 'The plan' });
    await plan.getByRole('button', { name: 'Change Detail coat' }).click();
    await plan.getByLabel('Thickness').first().fill('1.2');
    await plan.getByRole('button', { name: 'Close Detail coat' }).click();
    await plan.getByRole('button', { name: 'Keep this plan' }).click();
    await expect(plan).toBeHidden();

    await phone.press(start);
    await expect(phonePage.getByText(/plan .* (changed|another)/i).first()).toBeVisible();
    await expect(phonePage.getByText(/1\.2/).first()).toBeVisible();
    await phonePage.goto(build);
    await layOn(phone, 'Detail coat');

    // A coat is left out on one screen, and what waited for it waits no less on the other.
    await expect(heading(page, 'Spread, first')).toBeVisible({ timeout: 20_000 });
    await desk.press(page.getByRole('button', { name: 'Leave “Spread, first” out' }));
    await expect(heading(page, 'Spread, second')).toBeVisible();
    await expect(heading(phonePage, 'Spread, second')).toBeVisible({ timeout: 20_000 });
    await layOn(phone, 'Spread, second');

    // Pressed on both at once it is done once, and the second is told.
    await expect(heading(page, 'A lamp behind it')).toBeVisible({ timeout: 20_000 });
    await expect(heading(phonePage, 'A lamp behind it')).toBeVisible({ timeout: 20_000 });
    await done(desk, 'A lamp behind it', 'Checked, and good');
    await expect(heading(phonePage, 'Peel it out')).toBeVisible({ timeout: 20_000 });
    await through(desk);
    await graded(desk, '1');
    await phonePage.goto(build);
    await expect(phonePage.getByText('It came out good.')).toBeVisible();
    await page.getByRole('link', { name: 'Seal flipper', exact: true }).click();
    await expect(page.getByText(/cast\./).first()).toBeVisible();
});

import { byHand, Hands, job, toCastSheet } from './hands';
import { expect, goOn, test, tick } from './shop';

test('a kit of its own rubber is opened, poured with and spoilt; the cause is found, the kit shrinks, the mould ages, the piece has a price', async ({
    page,
    empty: shop,
}) => {
    test.slow();
    const hands = new Hands(page);
    await hands.settled(shop);

    // A sheet of the shop's own, and a kit of it on the shelf.
    await page.goto(`${shop.url}/stores/new/sheet?from=pr-10`);
    await hands.fill(page.getByLabel('House code'), 'my-12');
    await hands.fill(page.getByLabel('Name (needed)'), 'Harbour rubber A 12');
    await hands.press(page.getByRole('button', { name: 'Keep the sheet', exact: true }));
    await expect(page.getByRole('heading', { name: 'Harbour rubber A 12' })).toBeVisible();
    await hands.press(page.getByRole('button', { name: 'Take a kit in' }));
    const kit = page.getByRole('form', { name: 'A kit that has come' });
    await hands.fill(kit.getByLabel('A, how much'), '450');
    await hands.fill(kit.getByLabel('A, its number'), 'HB-77A');
    await hands.fill(kit.getByLabel('B, how much'), '450');
    await hands.fill(kit.getByLabel(/Price of the kit/), '58.405');
    await hands.press(kit.getByRole('button', { name: 'Put it on the shelf' }));
    // A price with three decimals is no price; what else was typed stands.
    await expect(kit.getByText('A price has two decimals at most.')).toBeVisible();
    await expect(kit.getByLabel('A, its number')).toHaveValue('HB-77A');
    await hands.fill(kit.getByLabel(/Price of the kit/), '58.40');
    await hands.press(kit.getByRole('button', { name: 'Put it on the shelf' }));
    await expect(page.getByRole('heading', { name: 'On hand: 900 g' })).toBeVisible();

    // A job whose mould was made before there was a log.
    await job(hands, shop, 'Otter paw', async (form) => {
        await hands.fill(form.getByLabel('How many'), '5');
        await hands.choose(form.getByLabel('Casts of'), { label: 'Harbour rubber A 12' });
    });
    const jobUrl = page.url();
    await toCastSheet(hands);
    await hands.press(page.getByText('By mass'));
    await hands.fill(page.getByLabel('Mass wanted'), '120');
    await hands.press(page.getByRole('button', { name: /Gear on, start/ }).filter({ visible: true }));
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    const runUrl = page.url();
    await expect(page.getByText('No mould of this job stands on the rack.')).toBeVisible();
    await hands.press(page.getByRole('button', { name: 'It is there: put it on the rack' }));
    await expect(page.getByRole('heading', { name: 'Mould', level: 1 })).toBeVisible();
    await expect(page.getByText('is on the rack as M-1')).toBeVisible();
    const mouldUrl = page.url();
    const before = Number(await page.locator('.life p .fig').nth(1).textContent());
    await page.goto(runUrl);
    await hands.press(page.getByRole('button', { name: /^M-1 Mould/ }));
    await expect(page.getByText('M-1, cast 1, about')).toBeVisible();
    await expect(page.getByRole('link', { name: 'L-1' })).toBeVisible();

    // Poured from that kit, opened and spoilt.
    await hands.press(hands.main());
    await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
    for (const box of await page.locator('.checklist input').all()) {
        await tick(box);
    }
    await hands.press(hands.main());
    await expect(page.getByRole('heading', { name: /Stir each part/ })).toBeVisible();
    await hands.press(hands.main());
    await expect(page.getByRole('heading', { name: /Empty cup/ })).toBeVisible();
    await byHand(hands);
    await hands.weighByHand();
    for (let i = 0; i < 8 && !(await page.getByRole('heading', { name: 'How did it come out?' }).isVisible()); i++) {
        await goOn(page);
    }
    await hands.press(page.locator('.words label', { hasText: 'spoilt' }));
    await hands.press(page.locator('.faults label', { hasText: 'Sticky surface' }));
    await hands.press(hands.main());
    await expect(page.getByRole('heading', { name: 'In the log: spoilt' })).toBeVisible();

    // Two questions at most, then the likeliest cause with what tells it from the next.
    const wrong = page.getByRole('region', { name: 'What went wrong' });
    await expect(wrong.getByText('Where is it?').or(wrong.getByText('What did it lie against?'))).toBeVisible();
    for (let i = 0; i < 2; i++) {
        const skin = wrong.getByRole('button', { name: 'On the skin, all over' });
        const clay = wrong.getByRole('button', { name: 'Clay with sulphur' });
        await expect(skin.or(clay)).toBeVisible();
        const answer = (await skin.isVisible()) ? skin : clay;
        await hands.press(answer);
        await expect(answer).toBeHidden();
    }
    const first = wrong.locator('.causes > li').first();
    await expect(first.getByText('Something in the mould stopped the cure')).toBeVisible();
    await expect(first.getByText('To tell:')).toBeVisible();
    await hands.press(first.getByRole('button', { name: 'It was this' }));
    await expect(wrong.getByText('It was: Something in the mould stopped the cure.')).toBeVisible();

    // The kit has shrunk by just what was weighed, and knows where it went.
    await hands.press(page.locator('main').getByRole('link', { name: 'L-1' }).first());
    await expect(page.getByRole('heading', { name: 'L-1' })).toBeVisible();
    await expect(page.getByText('390 g').first()).toBeVisible();
    await expect(page.getByRole('region', { name: 'Where it went' }).getByRole('link', { name: 'Otter paw, Casts' }).first()).toBeVisible();
    await expect(page.getByText('1 reject, from').first()).toBeVisible();
    // It is counted, and one cannot take out what is not in it.
    await page.getByLabel('What', { exact: true }).selectOption('took');
    await page.getByLabel('So much').fill('500');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('By the book it has 390 g left, not 500 g.')).toBeVisible();
    await expect(page.getByLabel('So much')).toHaveValue('500');

    // The mould has one cast behind it, and less before it.
    await page.goto(mouldUrl);
    await expect(page.getByText('1 piece: 0 good, 0 usable, 1 reject.')).toBeVisible();
    expect(Number(await page.locator('.life p .fig').first().textContent())).toBe(1);
    expect(Number(await page.locator('.life p .fig').nth(1).textContent())).toBeLessThanOrEqual(before);
    await page.getByText('pits', { exact: true }).click();
    await page.getByRole('button', { name: 'That is how it looks' }).click();
    await expect(page.getByText('looked at: pits')).toBeVisible();
    expect(Number(await page.locator('.life p .fig').nth(1).textContent())).toBeLessThan(before);

    // And the piece has its price: the grams at what the kit cost.
    await page.goto(jobUrl);
    await page.getByRole('link', { name: 'What a piece costs' }).click();
    await expect(page.getByLabel('A kit costs')).toHaveValue('58.40');
    await page.getByLabel('An hour costs').fill('20.00');
    await page.getByLabel('Of them rejects').fill('0');
    await page.getByLabel('Pieces cast').fill('5');
    await expect(page.getByText('a good piece')).toBeVisible();
    // 120 g at 58.40 for 900 g is 7.79 a piece before hands.
    await page.getByLabel('Used', { exact: true }).fill('600');
    await expect(page.getByRole('form', { name: 'What goes into the price' }).getByText('38.93')).toBeVisible();
    expect(hands.presses).toBeLessThanOrEqual(40);
});

test('a mould is looked after, retired and re-made from its original in one press', async ({ page, demo: shop }) => {
    await page.goto(`${shop.url}/rack`);
    await page.getByLabel('Find a mould').fill('tray');
    // The list is narrowed before anything of it is pressed.
    await expect(page).toHaveURL(/q=tray/);
    await page.getByRole('link', { name: /Tray/ }).click();
    await expect(page.getByRole('heading', { name: 'Tray', level: 1 })).toBeVisible();
    const care = page.getByRole('region', { name: 'Care' });
    await care.getByRole('button', { name: /^Washed/ }).click();
    await expect(page.getByRole('region', { name: 'What was told of it' }).getByText('washed')).toBeVisible();
    await page.getByRole('button', { name: 'Take back the last' }).click();
    await expect(page.getByText('the last word taken back')).toBeVisible();
    await page.getByRole('button', { name: 'Retire it and re-make it from Textured tile' }).click();
    await expect(page.getByRole('heading', { name: 'Tray', level: 1 })).toBeVisible();
    await expect(page.getByText('“Tray” is retired. This is the sheet of the next.')).toBeVisible();
    await page.goto(`${shop.url}/rack`);
    await page.getByLabel('Show').selectOption('retired');
    await expect(page.getByRole('link', { name: /Tray/ })).toBeVisible();
});

test('a trial is planned, graded cup by cup, and says what it tells', async ({ page, demo: shop }) => {
    const hands = new Hands(page);
    await page.goto(`${shop.url}/faults`);
    await hands.press(page.getByRole('button', { name: 'Plan a trial' }));
    await hands.fill(page.getByLabel('Called'), 'Cups on the radiator');
    await hands.choose(page.getByLabel('About'), 'other');
    await hands.fill(page.getByLabel('Variant 1'), 'warm');
    await hands.press(page.getByRole('button', { name: 'Plan it' }));
    await expect(page.getByRole('alert').first()).toBeVisible();
    await hands.fill(page.getByLabel('Variant 2'), 'cold');
    await hands.press(page.getByRole('button', { name: 'Plan it' }));
    await expect(page.getByRole('heading', { name: 'Cups on the radiator' })).toBeVisible();
    // Blind at first: by the number on the cup. Then it is shown, and graded as fast as a hand can, with nothing lost.
    await expect(page.getByLabel('Cup 1', { exact: true })).toBeVisible();
    await hands.press(page.getByRole('button', { name: 'Show which cup is which' }));
    for (const [variant, grade] of [
        ['warm', 'good'],
        ['cold', 'poor'],
    ] as const) {
        for (const choice of await page.getByLabel(new RegExp(`^Cup \\d, ${variant}$`)).all()) {
            await hands.choose(choice, grade);
        }
    }
    await expect(page.getByText('“warm” is better: against “cold” in 100 of 100 pairs of cups')).toBeVisible();
    await hands.press(page.getByRole('button', { name: 'That is all of it' }));
    await hands.press(page.getByRole('button', { name: 'Nothing is changed after that: end it' }));
    await expect(page.getByRole('button', { name: 'Take back the last' })).toBeHidden();
    await hands.choose(page.getByLabel('It is a fact for'), 'faults');
    await hands.choose(page.getByLabel('It confirms'), 'cold');
    await hands.press(page.getByRole('button', { name: 'Write it down there' }));
    await expect(page.getByText('It is written down among your causes.')).toBeVisible();
    // Four words, six cups, and what came of it.
    expect(hands.presses).toBeLessThanOrEqual(22);
});

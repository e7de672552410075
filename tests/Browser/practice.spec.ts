import { expect, test, type Shop } from './shop';
import type { Page } from '@playwright/test';
import { Hands } from './hands';
import { done, layOn } from './walking';

// A pour one cannot spoil, as an apprentice walks it: read the lid, stop in time, jump the wait, hear what it came to, try again.

const bar = (page: Page) => page.getByRole('complementary', { name: 'Practice' });
const heading = (page: Page, name: string | RegExp) => page.getByRole('heading', { name, level: 1 });
const main = (page: Page) => page.locator('.actions .main');

async function begin(page: Page, shop: Shop, name: string): Promise<void> {
    await page.goto(`${shop.url}/practice`);
    const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name, exact: true }) });
    await card.getByRole('button', { name: 'Practise' }).click();
    await expect(bar(page)).toContainText(name);
}

/** To the first weighing. */
async function toTheScale(page: Page, first = /^Pour B until/): Promise<void> {
    await expect(heading(page, 'Gear on')).toBeVisible();
    // Whoever presses at once has put nothing on.
    await page.waitForTimeout(3500);
    await main(page).click();
    await expect(heading(page, 'Before anything is mixed')).toBeVisible();
    for (const item of await page.locator('.checklist label').all()) {
        await item.click();
        await page.waitForTimeout(700);
    }
    await main(page).click();
    const stirred = heading(page, /^Stir each part|^Shake it up/);
    await expect(stirred.or(heading(page, /Empty cup/))).toBeVisible();
    if (await stirred.isVisible()) {
        await main(page).click();
    }
    await expect(heading(page, /Empty cup/)).toBeVisible();
    await page.getByRole('button', { name: 'Clear the pan' }).click();
    await main(page).click();
    await expect(heading(page, first)).toBeVisible();
}

async function toTheLine(page: Page): Promise<void> {
    const was = await page.locator('.centre h1').innerText();
    await page.getByRole('button', { name: 'To the line' }).click();
    await expect(page.getByText('at rest', { exact: true })).toBeVisible();
    await page.waitForTimeout(2500);
    const asked = page.locator('.centre h1');
    // What still moves is asked for once more.
    await expect(async () => {
        if ((await asked.innerText()) === was) {
            await main(page).click();
        }
        await expect(asked).not.toHaveText(was, { timeout: 4000 });
    }).toPass({ timeout: 40_000 });
}

async function pours(page: Page): Promise<void> {
    await expect(heading(page, /one colour/i)).toBeVisible();
    await bar(page)
        .getByRole('button', { name: /To what comes next/ })
        .click();
    await page.waitForTimeout(500);
    await main(page).click();
    await expect(heading(page, /^(Pour|Fill)/)).toBeVisible();
    await main(page).click();
    await expect(bar(page).getByRole('button', { name: /To what comes next/ })).toBeVisible();
    await bar(page)
        .getByRole('button', { name: /To what comes next/ })
        .click();
    await bar(page).getByRole('button', { name: 'Touch it' }).click();
    await expect(bar(page).getByRole('status')).toContainText('comes off the rim clean');
    await main(page).click();
    await expect(heading(page, 'How did it come out?')).toBeVisible();
}

async function ends(page: Page): Promise<void> {
    await bar(page).getByRole('button', { name: 'End: what it came to' }).click();
    await bar(page).getByRole('button', { name: 'Yes, end it' }).click();
    await expect(page.getByRole('heading', { name: 'Done well' })).toBeVisible();
}

test('an apprentice reads the lid, and nothing of it is at the bench', async ({ page, shop }) => {
    test.slow();
    await begin(page, shop, 'The wrong tub handed over');
    await toTheScale(page);
    const hand = page.getByRole('complementary', { name: 'Stand-in scale' });
    await expect(hand).toContainText('In your hand: B');
    await toTheLine(page);
    await expect(heading(page, /^Pour A until/)).toBeVisible();
    // Somebody handed over B once more.
    await expect(hand).toContainText('In your hand: B');
    await hand.getByRole('button', { name: 'Take another tub' }).click();
    await expect(hand).toContainText('In your hand: A');
    await toTheLine(page);
    await pours(page);
    await ends(page);
    await expect(heading(page, 'It would have been a good cast.')).toBeVisible();
    await expect(page.getByText('The lid was read: the wrong tub went back')).toBeVisible();
    await expect(page.getByText('What would have cost you')).toBeHidden();
    // The path knows it, and the log does not.
    await page.getByRole('link', { name: 'What comes next' }).click();
    await expect(page.getByRole('region', { name: 'Where you stand' }).getByText('comes on').first()).toBeVisible();
    await page.goto(`${shop.url}/log`);
    await expect(page.getByText('Practice mould')).toBeHidden();
});

test('what was poured off a wrong tub is found, and tried again from just before', async ({ page, shop }) => {
    test.slow();
    await begin(page, shop, 'The wrong tub handed over');
    await toTheScale(page);
    await toTheLine(page);
    await toTheLine(page);
    await ends(page);
    await expect(heading(page, 'Nothing went into a mould.')).toBeVisible();
    const wrong = page.getByRole('listitem').filter({ hasText: 'The wrong tub was poured' });
    await wrong.getByRole('button', { name: 'Try again from here' }).click();
    await expect(heading(page, /^Pour A until/)).toBeVisible();
    await expect(page.getByRole('complementary', { name: 'Stand-in scale' })).toContainText('In your hand: B');
    await page.getByRole('button', { name: 'Take another tub' }).click();
    await toTheLine(page);
    await expect(heading(page, /one colour/i)).toBeVisible();
    // At the bench beside it, its own clock runs on: a practice is only where its address is.
    await page.goto(`${shop.url}/`);
    await expect(bar(page)).toBeHidden();
    await page.goto(`${shop.url}/practice`);
    await page.getByRole('link', { name: 'Go back to it' }).click();
    await expect(heading(page, /one colour/i)).toBeVisible();
});

test('a maker writes something to practise, and begins it', async ({ page, shop }) => {
    await page.goto(`${shop.url}/practice`);
    await page.getByRole('button', { name: 'Write your own' }).click();
    const form = page.getByRole('dialog', { name: 'Something to practise' });
    await form.getByLabel('Name').fill('Our quick gel');
    await form.getByLabel('It gels at another time').check();
    await form.getByLabel('Somebody calls').check();
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('heading', { name: 'Our quick gel' })).toBeVisible();
    await begin(page, shop, 'Our quick gel');
    await expect(bar(page)).toBeVisible();
    await expect(heading(page, 'Gear on')).toBeVisible();
});

test('a pot of hot vinyl is heated until the probe says so, and not by the clock', async ({ page, shop }) => {
    test.slow();
    await begin(page, shop, 'A plate that is stronger than it says');
    await toTheScale(page, /^Pour plastisol until/);
    await toTheLine(page);
    await expect(heading(page, /^Heat it until/)).toBeVisible();
    const stove = page.getByRole('complementary', { name: 'Stand-in pot' });
    await expect(stove.getByRole('button', { name: 'Warm at once' })).toBeHidden();
    await stove.getByRole('button', { name: 'Heat on' }).click();
    // The bar comes down as one scrolls up to it: a press that missed it is pressed again.
    const stir = page.getByRole('timer', { name: 'Until the next stir' });
    await expect(async () => {
        await bar(page).getByRole('button', { name: '+1 min' }).click();
        await expect(stir).toContainText('+', { timeout: 8000 });
    }).toPass({ timeout: 40_000 });
    const probe = page.getByRole('button', { name: /Stirred: the probe reads/ });
    // From here on one stays with it: this plate is through in half the time, and past it as quickly.
    await expect(bar(page).getByRole('status')).toContainText('It has run clear', { timeout: 60_000 });
    await stove.getByRole('button', { name: 'Heat off' }).click();
    await expect(probe).toContainText(/1[678]\d/);
    await probe.click();
    await expect(page.getByText('It runs clear: it may come off.')).toBeVisible();
    await main(page).click();
    await expect(heading(page, /^(Pour|Fill)/)).toBeVisible();
    await main(page).click();
    await bar(page)
        .getByRole('button', { name: /To what comes next/ })
        .click();
    await expect(heading(page, 'Ready to open')).toBeVisible();
    await main(page).click();
    await expect(heading(page, 'How did it come out?')).toBeVisible();
    await ends(page);
    await expect(heading(page, 'It would have been a good cast.')).toBeVisible();
    await expect(page.getByText(/fused through, and not scorched/)).toBeVisible();
});

test('coats are practised on the screen of a build: called away, one stays, and a finger is asked', async ({ page, shop }) => {
    test.slow();
    const hands = new Hands(page);
    await begin(page, shop, 'Called away before the second coat');
    await expect(page.getByRole('list', { name: 'Operations' })).toBeVisible();
    await done(hands, 'Release the mould');
    await bar(page).getByRole('button', { name: '+10 min' }).click();
    await layOn(hands, 'Detail coat');
    await bar(page)
        .getByRole('button', { name: /To what comes next/ })
        .click();
    // Its window is open, and somebody wants one for two hours.
    await expect(bar(page).getByRole('button', { name: /^Go,/ })).toBeVisible();
    await bar(page).getByRole('button', { name: 'Stay', exact: true }).click();
    await bar(page).getByRole('button', { name: 'Touch it' }).click();
    await expect(bar(page).getByRole('status')).toContainText('the glove stays clean');
    await page.getByRole('button', { name: /^tacky/i }).click();
    await layOn(hands, 'Spread, first');
    await ends(page);
    await expect(page.getByText(/would not have waited/)).toBeVisible();
    await expect(page.getByText(/A finger was asked before “Spread, first”/)).toBeVisible();
    await expect(page.getByText('“Spread, first” went on in its window.')).toBeVisible();
});

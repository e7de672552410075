import { expect, test, type Shop } from './shop';
import type { Page } from '@playwright/test';

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
async function toTheScale(page: Page): Promise<void> {
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
    await expect(heading(page, /^Stir each part/)).toBeVisible();
    await main(page).click();
    await expect(heading(page, /Empty cup/)).toBeVisible();
    await page.getByRole('button', { name: 'Clear the pan' }).click();
    await main(page).click();
    await expect(heading(page, /^Pour B until/)).toBeVisible();
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

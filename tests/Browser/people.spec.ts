import { axeSays, fitsEverywhere } from './room';
import { expect, test } from './shop';
import type { Page } from '@playwright/test';

const passphrase = 'three wet plaster bats';

async function pin(page: Page, figures: string): Promise<void> {
    const pad = page.getByRole('dialog').filter({ has: page.getByLabel(/^PIN of/) });
    for (const figure of figures) {
        await pad.getByRole('button', { name: figure, exact: true }).click();
    }
    await pad.getByRole('button', { name: 'Go', exact: true }).click();
}

async function fine(page: Page): Promise<void> {
    expect(await axeSays(page)).toEqual([]);
    await fitsEverywhere(page);
}

test('an owner writes an apprentice down; hands change at the bench in two taps, and what an apprentice may not decide a maker countersigns', async ({
    page,
    browser,
    empty,
}) => {
    await page.goto(`${empty.url}/jobs`);
    await page.getByRole('link', { name: 'Who works here?' }).click();
    await expect(page.getByRole('heading', { name: 'You come first' })).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Odila');
    await page.getByLabel(/^PIN for the bench/).fill('1234');
    await page.getByRole('button', { name: 'Write down' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'first that anybody would try' })).toBeVisible();
    await page.getByLabel(/^PIN for the bench/).fill('7391');
    await page.getByLabel(/^Passphrase/).fill(passphrase);
    await page.getByRole('button', { name: 'Write down' }).click();
    await expect(page.getByText('Odila, you')).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Lis');
    await page.getByLabel(/^PIN for the bench/).fill('4046');
    await page.getByRole('button', { name: 'Write down' }).click();
    await expect(page.getByText('Lis', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Trust this tablet' }).click();
    await expect(page.getByText('Tablet at the bench, this one')).toBeVisible();
    await fine(page);

    // Over to the apprentice: a tap, a tap, and a PIN this once.
    const chip = (name: string): ReturnType<Page['getByRole']> => page.getByRole('button', { name: `${name}, hand over` });
    await chip('Odila').click();
    await page.getByRole('dialog').getByRole('button', { name: /Lis/ }).click();
    await pin(page, '9999');
    await expect(page.getByRole('alert').filter({ hasText: 'That is not the PIN. 9 tries are left.' })).toBeVisible();
    await pin(page, '4046');
    await expect(chip('Lis')).toBeVisible();

    // What rules the bench is not hers to change alone.
    await page.goto(empty.url);
    await page.getByRole('button', { name: 'This bench' }).click();
    const bench = page.getByRole('navigation', { name: 'Screens' });
    await bench.getByLabel('It steps by').fill('0.5');
    await bench.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('heading', { name: 'Countersign' })).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: /Odila/ }).click();
    await pin(page, '7391');
    await expect(page.getByRole('heading', { name: 'Countersign' })).toBeHidden();
    await expect
        .poll(
            async () =>
                ((await (await page.request.get(`${empty.url}/frame`)).json()) as { workshop: { scale_division_g: number } }).workshop
                    .scale_division_g,
        )
        .toBe(0.5);

    // Back to the owner, who gave no PIN here yet; then to her again with two taps alone.
    await page.goto(empty.url);
    await chip('Lis').click();
    await page.getByRole('dialog').getByRole('button', { name: /Odila/ }).click();
    await pin(page, '7391');
    await expect(chip('Odila')).toBeVisible();
    await chip('Odila').click();
    await page.getByRole('dialog').getByRole('button', { name: /Lis/ }).click();
    await expect(chip('Lis')).toBeVisible();

    // Nobody just now: the bench still shows, and asks before anything is done.
    await chip('Lis').click();
    await page.getByRole('button', { name: 'Nobody just now' }).click();
    await expect(page.getByRole('button', { name: 'Whose hands?, hand over' })).toBeVisible();
    await page.goto(`${empty.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Heron beak');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('dialog').getByRole('button', { name: /Lis/ }).click();
    await expect(page.getByRole('heading', { name: 'Heron beak' })).toBeVisible();

    // Somebody at another screen says who they are.
    const other = await browser.newContext();
    const elsewhere = await other.newPage();
    await elsewhere.goto(`${empty.url}/jobs`);
    await expect(elsewhere.getByRole('heading', { name: 'Come in' })).toBeVisible();
    await fine(elsewhere);
    await elsewhere.getByLabel('Name').fill('Odila');
    await elsewhere.getByLabel('Passphrase').fill('not this one at all');
    await elsewhere.getByRole('button', { name: 'Come in' }).click();
    await expect(elsewhere.getByRole('alert').filter({ hasText: 'do not go together' })).toBeVisible();
    await elsewhere.getByLabel('Passphrase').fill(passphrase);
    await elsewhere.getByRole('button', { name: 'Come in' }).click();
    await expect(elsewhere.getByRole('button', { name: 'Odila, hand over' })).toBeVisible();
    await expect(elsewhere, 'where she was on her way to').toHaveURL(`${empty.url}/jobs`);
    await expect(elsewhere.getByText('Heron beak').first()).toBeVisible();
    await other.close();
});

import { castSheet, expect, goOn, pourToTarget, steady, test, toTheCup, type Shop } from './shop';
import type { Page } from '@playwright/test';

// What the bench computer is not there for: pages open as they stood, a run walks on, and all of it arrives once.
test.use({ serviceWorkers: 'allow' });

/** A cast that is being weighed, on a tablet that keeps what it looks at. */
async function weighing(page: Page, shop: Shop, name: string): Promise<void> {
    await castSheet(page, shop, name);
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('150');
    await expect(page.getByTestId('mass')).toHaveText('150');
    await toTheCup(page, shop);
    await page.evaluate(() => navigator.serviceWorker.ready);
}

/** The pages under way are on the tablet. */
async function keeps(page: Page, path: string): Promise<void> {
    await expect
        .poll(() => page.evaluate(async (wanted) => (await (await caches.open('looks')).match(wanted)) !== undefined, path), {
            timeout: 20_000,
        })
        .toBe(true);
}

test('what is under way opens without the bench computer, says how old it is, and goes on by itself', async ({ page, shop }) => {
    await weighing(page, shop, 'Wireless gone');
    await page.reload();
    const run = new URL(page.url()).pathname;
    for (const path of ['/', '/day', run]) {
        await keeps(page, path);
    }
    shop.kill9();

    await page.reload();
    await expect(page.getByText(/As it stood .*: the bench computer does not answer/)).toBeVisible();
    await expect(page.getByRole('heading', { name: /Pour/ }).first()).toBeVisible();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible();
    await expect(page.getByText(/As it stood/)).toBeVisible();
    await page.goto(`${shop.url}/day`);
    await expect(page.getByText(/As it stood/)).toBeVisible();
    await page.goto(`${shop.url}/faults`);
    await expect(page.getByRole('heading', { name: 'This page is not on this tablet' })).toBeVisible();
    await page.getByRole('link', { name: 'Pour: Wireless gone · Cast' }).click();
    await expect(page.getByText(/As it stood/)).toBeVisible();

    await shop.start();
    await expect(page.getByText(/As it stood/)).toBeHidden({ timeout: 20_000 });
    await pourToTarget(page, shop);
});

type State = { step: { key: string }; weighed_g: number; last_fact_id: number; cup: { k: number } };

const state = async (page: Page): Promise<State> =>
    (await (await page.request.get(`${page.url().replace(/\/run.*/, '')}/state`)).json()) as State;

/** What it takes to walk on is on the tablet, for where the run stands now. */
async function ahead(page: Page): Promise<void> {
    const { last_fact_id: last } = await state(page);
    const path = new URL(page.url()).pathname;
    await expect
        .poll(
            () =>
                page.evaluate(async (wanted) => {
                    const kept = await (await caches.open('looks')).match(wanted);
                    const look = (await kept?.json().catch(() => null)) as { props: { ahead?: { last_fact_id: number } } } | undefined;
                    return look?.props.ahead?.last_fact_id ?? 0;
                }, path),
            { timeout: 20_000 },
        )
        .toBe(last);
}

/** Types what the scale reads: with the bench computer the scale is gone. */
async function reads(page: Page, more = 0): Promise<number> {
    const reading = Math.round((Number(await page.getByTestId('target').textContent()) + more) * 10) / 10;
    await page.getByLabel('The scale reads').fill(String(reading));
    await steady(page);
    await page.locator('.actions .main').click();
    return reading;
}

async function main(page: Page, next: RegExp): Promise<void> {
    await goOn(page);
    await expect(page.getByRole('heading', { name: next })).toBeVisible();
}

test('a run is walked to its end without the bench computer: over-pour, taking back and a reload, and all of it arrives once', async ({
    page,
    shop,
}) => {
    test.slow();
    await weighing(page, shop, 'Walked on');
    await page.reload();
    await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
    await keeps(page, new URL(page.url()).pathname);
    await ahead(page);
    const began = await state(page);
    shop.kill9();

    const first = await reads(page, 3);
    await expect(page.getByRole('heading', { name: 'Too much in. It can be saved' })).toBeVisible();
    await expect(page.getByText('Kept on this device, not yet on the bench computer.')).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Too much in. It can be saved' })).toBeVisible();
    await expect(page.getByText(/As it stood/)).toBeVisible();
    await main(page, /Pour A until/);
    const target = Number(await page.getByTestId('target').textContent());
    // Both parts alike: as much of A as of B is in.
    expect(target).toBeCloseTo(2 * first, 1);
    await reads(page, 0.4);
    await expect(page.getByRole('heading', { name: /Mix it/ })).toBeVisible();
    await steady(page);
    await page.keyboard.press('Backspace');
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    const second = await reads(page);
    await expect(page.getByText('since A met B')).toBeVisible();
    await goOn(page);
    const there = (await page.locator('.centre h1').textContent()) ?? '';
    await page.reload();
    await expect(page.locator('.centre h1')).toHaveText(there);
    while (!(await page.getByRole('button', { name: /I have opened it/ }).isVisible())) {
        await goOn(page);
    }
    const waiting = await page.evaluate(() =>
        Object.keys(localStorage)
            .filter((name) => /^apalos\.outbox\.\d+$/.test(name))
            .map((name) => (JSON.parse(localStorage.getItem(name) ?? '[]') as unknown[]).length),
    );

    await shop.start();
    await expect(page.getByText('Kept on this device')).toBeHidden({ timeout: 30_000 });
    await expect(page.getByText(/As it stood/)).toBeHidden({ timeout: 20_000 });
    const now = await state(page);
    expect([now.step.key, now.weighed_g]).toEqual(['0:wait', second]);
    // Weighed, rescued, weighed, taken back, weighed, and what came after: each once.
    expect(waiting).toEqual([now.last_fact_id - began.last_fact_id]);
    expect(waiting[0]).toBeGreaterThan(6);
    await page.reload();
    await expect(page.getByText('Kept on this device')).toBeHidden();
    expect((await state(page)).last_fact_id).toBe(now.last_fact_id);
});

test('two tablets that are cut off tell the same step: both are shown, one is chosen, and the other goes into the notes', async ({
    page,
    browser,
    shop,
}) => {
    test.slow();
    await weighing(page, shop, 'Cut at once');
    await page.reload();
    const other = await (await browser.newContext()).newPage();
    await other.goto(page.url());
    for (const tablet of [page, other]) {
        await expect(tablet.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
        await tablet.evaluate(() => navigator.serviceWorker.ready);
        await tablet.reload();
        await keeps(tablet, new URL(page.url()).pathname);
        await ahead(tablet);
    }
    await other.context().setOffline(true);
    await page.context().setOffline(true);
    const mine = await reads(other, 0.5);
    await expect(other.getByRole('heading', { name: /Pour A until/ })).toBeVisible();
    const theirs = await reads(page);
    await expect(page.getByRole('heading', { name: /Pour A until/ })).toBeVisible();

    await page.context().setOffline(false);
    await expect(page.getByText('Kept on this device')).toBeHidden({ timeout: 20_000 });
    await other.context().setOffline(false);
    const clash = other.getByRole('alert', { name: 'Told here and elsewhere' });
    await expect(clash).toBeVisible({ timeout: 20_000 });
    await expect(clash).toContainText(`the display read ${mine.toFixed(1)} g`);
    expect((await state(page)).weighed_g).toBe(theirs);
    await clash.getByRole('button', { name: 'Take what was told here instead' }).click();
    await expect(clash).toBeHidden();
    await expect.poll(async () => (await state(page)).weighed_g, { timeout: 15_000 }).toBe(mine);
    await other.context().close();
});

test('whose page it was is not left lying: who signs out takes the looks along', async ({ page, shop }) => {
    await weighing(page, shop, 'Signed out');
    await page.reload();
    const run = new URL(page.url()).pathname;
    await keeps(page, run);
    await page.evaluate(async () => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
        await fetch('/sign-out', { method: 'POST', headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } });
    });
    expect(await page.evaluate(async () => (await caches.keys()).includes('looks'))).toBe(false);
});

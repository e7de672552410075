import { byHand, Hands } from './hands';
import { expect, goOn, type Shop } from './shop';
import type { Locator, Page } from '@playwright/test';

// What every walk through a build does: from an empty job to the operation at hand, and over it.

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

export async function shelved(page: Page, shop: Shop): Promise<void> {
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
export async function newJob(
    hands: Hands,
    shop: Shop,
    piece: string,
    mould: string | { label: string },
    more: { many?: string; surface?: string; casts?: string } = {},
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
    await hands.choose(form.getByLabel('Casts of'), more.casts ?? 'qr-70');
    await hands.press(form.getByRole('button', { name: 'Start the job' }));
}

export const heading = (page: Page, name: string | RegExp): Locator => page.getByRole('heading', { name, level: 2 });

/** Ticks an operation off; where it is early by the clock, says why. */
export async function done(hands: Hands, name: string | RegExp, press = 'Done'): Promise<void> {
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
export async function layOn(hands: Hands, name: string | RegExp): Promise<void> {
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
    // Cup by cup: where there are several, each is weighed up to the meeting before the first of them meets.
    const weighing = page.getByRole('heading', { name: /^(Pour|Add) .* until/ });
    for (let i = 0; i < 24 && !(await page.getByRole('heading', { name: 'It lies.' }).isVisible()); i++) {
        if (await weighing.isVisible()) {
            await hands.weighByHand();
        } else {
            hands.presses++;
            await goOn(page);
        }
    }
    await hands.press(page.getByRole('link', { name: 'Back to the build' }));
    await expect(page.getByRole('list', { name: 'Operations' })).toBeVisible();
}

export async function graded(hands: Hands, pieces: string | null): Promise<void> {
    const { page } = hands;
    await expect(page.getByRole('heading', { name: 'How did it come out?' })).toBeVisible();
    await hands.press(page.getByText('good', { exact: true }));
    if (pieces !== null) {
        await hands.fill(page.getByLabel('Pieces that came of it'), pieces);
    }
    await hands.press(page.getByRole('button', { name: 'Write it down' }));
    await expect(page.getByText('It came out good.')).toBeVisible();
}

/** Plans how a link is built, with what that has to know. */
export async function planned(
    hands: Hands,
    link: RegExp,
    way: string,
    measured: Record<string, string>,
    more: (form: Locator) => Promise<void> = async () => undefined,
): Promise<void> {
    const { page } = hands;
    await hands.press(page.getByRole('button', { name: link }));
    await hands.press(page.getByRole('button', { name: /Build it in several operations|Plan its build anew/ }));
    const form = page.getByRole('form', { name: /How is/ });
    await hands.press(form.getByText(way, { exact: true }));
    for (const [label, value] of Object.entries(measured)) {
        await hands.fill(form.getByLabel(label), value);
    }
    await more(form);
    await hands.press(form.getByRole('button', { name: 'Plan it so' }));
    await expect(page.getByRole('list', { name: 'Operations' })).toBeVisible();
}

/**
 * Whatever the build asks for next, one after the other, until it asks how it came out. Nothing that is mixed may be silent about what it
 * touches: a contact, a bond, a tray, or a word that none is known.
 */
export async function through(hands: Hands): Promise<string[]> {
    const { page } = hands;
    const walked: string[] = [];
    const asked = page.getByRole('heading', { name: 'How did it come out?' });
    const now = page.locator('h2#now');
    for (let i = 0; i < 40; i++) {
        await expect(asked.or(now).first()).toBeVisible({ timeout: 20_000 });
        if (await asked.isVisible()) {
            return walked;
        }
        const name = ((await now.textContent()) ?? '').trim();
        walked.push(name);
        if (
            await page
                .getByRole('button', { name: 'Weigh it up' })
                .or(page.getByRole('link', { name: 'Open its sheet' }))
                .isVisible()
        ) {
            await layOn(hands, name);
        } else {
            const press = (await page.getByRole('button', { name: 'Checked, and good' }).isVisible()) ? 'Checked, and good' : 'Done';
            await done(hands, name, press);
        }
        // The next one is picked by itself.
        await expect(asked.or(now.filter({ hasNotText: name })).first()).toBeVisible({ timeout: 20_000 });
    }
    throw new Error(`It never ended: ${walked.join(', ')}`);
}

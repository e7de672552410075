import { expect, goOn, sure, tick, type Shop } from './shop';
import type { Locator, Page } from '@playwright/test';

/**
 * What a maker presses on the way to something, and how often. A press is a click, a tap, a choice or a
 * field filled in; the counts are held, so that no later screen makes a way longer unseen.
 */
export class Hands {
    presses = 0;
    constructor(readonly page: Page) {}

    async press(what: Locator): Promise<void> {
        this.presses++;
        await what.click();
    }
    async fill(what: Locator, text: string): Promise<void> {
        this.presses++;
        await what.fill(text);
    }
    async choose(what: Locator, option: string | { label: string }): Promise<void> {
        this.presses++;
        await what.selectOption(option);
    }
    main = (): Locator => this.page.locator('.actions .main');

    /** A shop that has set itself up, with all that ships on its shelf. */
    async settled(shop: Shop): Promise<void> {
        await this.page.goto(`${shop.url}/first?step=shelf`);
        for (const all of await this.page.getByRole('button', { name: 'all of these' }).all()) {
            await all.click();
        }
        for (const box of await this.page.locator('.sheets input').all()) {
            await box.check();
        }
        await this.page.getByRole('button', { name: /That is my shelf/ }).click();
        await expect(this.page.getByRole('heading', { name: 'The first job' })).toBeVisible();
        this.presses = 0;
    }

    /** From a sheet that is complete into the first weighing. */
    async toTheCup(): Promise<void> {
        await this.press(this.page.getByRole('button', { name: /Gear on, start/ }).filter({ visible: true }));
        await this.begun();
    }

    /** From a run that has just begun. */
    async begun(): Promise<void> {
        const gear = this.page.getByRole('heading', { name: 'Gear on' });
        const list = this.page.getByRole('heading', { name: 'Before anything is mixed' });
        const cup = this.page.getByRole('heading', { name: /Empty cup/ });
        const stir = this.page.getByRole('heading', { name: /^(Stir|Shake) / });
        await expect(gear).toBeVisible();
        this.presses++;
        await sure(
            () => this.main().click(),
            () => gear.isVisible(),
            list.or(stir).or(cup),
        );
        if (await list.isVisible()) {
            for (const box of await this.page.locator('.checklist input').all()) {
                // What the build has done already stands there, ticked.
                if (await box.isDisabled()) {
                    continue;
                }
                this.presses++;
                await tick(box);
            }
            await this.press(this.main());
        }
        // Powder, dough and film go straight onto the scale.
        await expect(stir.or(cup)).toBeVisible();
        if (await stir.isVisible()) {
            await this.press(this.main());
        }
        await expect(cup).toBeVisible();
    }

    /** Types what the scale reads for every line of the cup, Enter after each. */
    async weighByHand(): Promise<void> {
        const field = this.page.getByRole('textbox', { name: 'The scale reads' });
        while (await this.page.getByRole('heading', { name: /^(Pour|Add) .* until/ }).isVisible()) {
            const target = (await this.page.getByTestId('target').textContent()) ?? '';
            await expect(field).toHaveValue('');
            await expect(field).toBeFocused();
            await this.fill(field, target);
            const before = (await this.page.locator('.centre h1').textContent()) ?? '';
            await field.press('Enter');
            await expect(this.page.locator('.centre h1')).not.toHaveText(before);
        }
    }

    async finish(grade: string): Promise<void> {
        for (let i = 0; i < 8 && !(await this.page.getByRole('heading', { name: 'How did it come out?' }).isVisible()); i++) {
            this.presses++;
            await goOn(this.page);
        }
        await this.press(this.page.locator('.words label', { hasText: grade }));
        await this.press(this.main());
        await expect(this.page.getByRole('heading', { name: `In the log: ${grade}` })).toBeVisible();
    }
}

export async function job(
    hands: Hands,
    shop: Shop,
    name: string,
    more: (form: Locator) => Promise<void> = async () => undefined,
): Promise<void> {
    await hands.page.goto(`${shop.url}/jobs?new=1`);
    const form = hands.page.getByRole('form', { name: 'New job' });
    await hands.fill(form.getByLabel('Piece'), name);
    await more(form);
    await hands.press(form.getByRole('button', { name: 'Start the job' }));
    await expect(hands.page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/** A release between the casts and their mould, and the sheet of the casts. */
export async function toCastSheet(hands: Hands, release = 'Warm jelly, thin'): Promise<void> {
    await hands.press(hands.page.getByRole('button', { name: /^casts Casts/ }));
    await hands.press(hands.page.locator('.cards').getByText(release));
    await expect(hands.page.getByRole('heading', { name: 'Casts and Mould come apart' })).toBeVisible();
    await hands.press(hands.page.getByRole('button', { name: /Plan a pour/ }));
    await expect(hands.page.getByRole('heading', { name: 'Casts', level: 1 })).toBeVisible();
}

/** On to the first line, with readings typed; where another weigh-up has the scale, that is said a moment later. */
export async function byHand(hands: Hands): Promise<void> {
    const pouring = hands.page.getByRole('heading', { name: /^(Pour|Add) .* until/ });
    const typed = hands.page.getByRole('button', { name: 'Type the readings' });
    await expect(async () => {
        if (!(await pouring.isVisible())) {
            await ((await typed.isVisible()) ? typed : hands.main()).click({ timeout: 2000 });
            hands.presses++;
            await expect(pouring).toBeVisible({ timeout: 3000 });
        }
    }).toPass({ timeout: 60_000 });
    const typing = hands.page.getByRole('button', { name: 'Type the reading instead' });
    if (await typing.isVisible()) {
        await hands.press(typing);
    }
}

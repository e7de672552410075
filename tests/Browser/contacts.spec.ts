import { axeSays } from './room';
import { expect, pourToTarget, test, tick } from './shop';

test('a two-part mould is stopped at its second half, released, checked and poured', async ({ page, empty: shop }) => {
    test.slow();
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Oar sleeve');
    await page.getByLabel('Its surface').selectOption('oil clay, sulphur-free');
    await page.getByRole('button', { name: 'Start the job' }).click();

    // Which mould: the comparison puts a two-part block first, and into the chain as two halves.
    await page.getByRole('link', { name: 'Which mould?' }).click();
    await expect(page.getByRole('heading', { name: 'Which mould?' })).toBeVisible();
    await page.getByLabel('Length').fill('160,5');
    await page.getByText('deep', { exact: true }).click();
    const best = page.locator('.mould').filter({ hasText: 'Two-part block on a clay bed' });
    await best.getByRole('button', { name: 'All of it' }).click();
    await expect(best.getByText(/It takes: clay bed, keys/)).toBeVisible();
    await best.getByRole('button', { name: 'Put it in the chain' }).click();
    const second = page.getByRole('button', { name: /^mould Two-part block on a clay bed, second half/ });
    await expect(second).toBeVisible();
    // It stands in place of the mould that was only meant, and says what else it needs.
    await expect(page.getByRole('button', { name: /^mould Mould/ })).toBeHidden();
    await expect(page.getByText(/in place of “Mould”.*It also needs: clay bed/)).toBeVisible();

    // The second half meets the first: silicone on silicone. Its sheet does not start.
    await second.click();
    await expect(page.getByRole('heading', { name: /second half would fuse to Two-part block on a clay bed, first half/ })).toBeVisible();
    await expect(page.getByText('Would ruin it:')).toContainText('Talc');
    await page.getByRole('button', { name: /Plan a pour/ }).click();
    await page.getByText('By mass').click();
    await page.getByLabel('Mass wanted').fill('120');
    await expect(page.getByTestId('mass')).toHaveText('120');
    await page.getByRole('button', { name: /Gear on/ }).click();
    await expect(page.getByText(/fuses: no release/)).toBeVisible();
    await page.getByRole('link', { name: 'Oar sleeve', exact: true }).click();

    // A release is compared and picked; the state of the surface is told and judged again.
    await second.click();
    await page.getByRole('button', { name: 'Two-part block on a clay bed, first half', exact: true }).click();
    await page.getByText(/Compare them/).click();
    await expect(page.getByText('Key the first half before anything goes on it.')).toBeVisible();
    await page.locator('.cards').getByText('Warm jelly, thin').click();
    await expect(page.getByRole('heading', { name: /second half and Two-part block on a clay bed, first half come apart/ })).toBeVisible();
    await page.getByText('The surface as it is today').click();
    await page.getByLabel(/touched with latex/).check();
    await expect(page.getByRole('heading', { name: /would not cure/ })).toBeVisible();
    await page.getByLabel(/touched with latex/).uncheck();
    await expect(page.getByRole('heading', { name: /come apart/ })).toBeVisible();

    // The checklist stands before the first gram.
    await page.getByRole('button', { name: /Open its pour sheet/ }).click();
    await page.getByRole('button', { name: /Gear on/ }).click();
    const main = page.locator('.actions .main');
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await main.click();
    await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
    await main.click();
    await expect(page.getByText(/Look at every contact and tick it first/)).toBeVisible();
    await page.getByRole('button', { name: /It waits 5 min from now/ }).click();
    await expect(page.getByRole('timer')).toBeVisible();
    expect(await axeSays(page)).toEqual([]);
    for (const box of await page.locator('.checklist input').all()) {
        await tick(box);
    }
    await main.click();
    await expect(page.getByRole('heading', { name: /Stir each part/ })).toBeVisible();
    await main.click();
    await expect(page.getByRole('heading', { name: /Empty cup/ })).toBeVisible();
    await main.click();
    for (const part of ['B', 'A']) {
        await expect(page.getByRole('heading', { name: new RegExp(`(Pour|Add) ${part} until`) })).toBeVisible();
        await pourToTarget(page, shop);
        await main.click();
    }
    await expect(page.getByRole('heading', { name: /Mix it/ })).toBeVisible();
});

test('the board is walked with the arrow keys, and a test patch that failed changes its verdict', async ({ page, empty: shop }) => {
    await page.goto(`${shop.url}/contacts`);
    await expect(page.getByRole('heading', { name: 'Platinum silicone on platinum silicone, cured' })).toBeVisible();
    await page.getByRole('gridcell', { name: 'platinum silicone on platinum silicone, cured: fuses: no release' }).focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('heading', { name: 'Platinum silicone on tin silicone, cured' })).toBeVisible();
    await expect(page.getByText(/no release keeps it back for sure/)).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('heading', { name: 'Tin silicone on tin silicone, cured' })).toBeVisible();

    await page.getByRole('gridcell', { name: /^platinum silicone on polymer clay/ }).click();
    await expect(page.getByText('Put on a test patch first.')).toBeVisible();
    await page.getByLabel('where').fill('behind the ear');
    await page.getByRole('button', { name: 'It is on' }).click();
    await expect(page.getByText(/behind the ear, .* since/)).toBeVisible();
    await page.getByLabel('What you saw').fill('sticky round the edge');
    await page.getByRole('button', { name: 'Failed' }).click();
    await expect(page.getByRole('gridcell', { name: /^platinum silicone on polymer clay.*your test failed/ })).toBeVisible();
    await page.getByRole('gridcell', { name: /^platinum silicone on polymer clay/ }).click();
    await expect(page.getByText(/Your own test of this pair failed/)).toBeVisible();
    await page.getByText('Hot', { exact: true }).click();
    await expect(page.getByRole('columnheader', { name: 'hot vinyl' })).toBeVisible();
});

test('a file of rules that would overrule what is certain is refused in a sentence', async ({ page, empty: shop }) => {
    await page.goto(`${shop.url}/contacts`);
    const rules = (gives: string, surface: string): string =>
        JSON.stringify({
            rules: [
                {
                    id: 'own',
                    kind: 'adhesion',
                    fresh: ['silicone-platinum'],
                    surface: [surface],
                    gives,
                    sure: 'usual',
                    text: 'We have seen it.',
                },
            ],
        });
    const choose = (text: string): Promise<void> =>
        page
            .locator('input[type=file]')
            .last()
            .setInputFiles({ name: 'own.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await choose(rules('lets-go', 'silicone-platinum'));
    await expect(page.getByRole('alert')).toContainText('that is certain');
    await choose(rules('grips', 'acrylic'));
    await expect(page.getByText('New: 1 rule and 0 tests.')).toBeVisible();
    await expect(page.getByText('We have seen it.')).toBeVisible();
});

test('what stands in the way names its ways out, and one press takes one', async ({ page, empty: shop }) => {
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Heel cup');
    await page.getByLabel('Its surface').selectOption('oil clay, sulphur-free');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('button', { name: /^casts Casts/ }).click();
    await expect(page.getByRole('heading', { name: 'Casts would fuse to Mould' })).toBeVisible();

    const ways = page.getByRole('region', { name: 'What would make it safe' });
    await expect(ways.getByRole('listitem').first()).toBeVisible();
    // Overruling comes last, and is not offered like the others.
    await expect(ways).not.toContainText(/overrule/i);
    const release = ways.getByRole('listitem').filter({ hasText: 'Release it' }).first();
    await release.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByRole('heading', { name: 'Casts and Mould come apart' })).toBeVisible();
    await expect(page.getByText(/^Taken: /)).toBeVisible();
    await expect(ways).toBeHidden();
});

test('a stop that is certain is not overruled; what only asks for something is by typing it out, and lapses with what it was for', async ({
    page,
    empty: shop,
}) => {
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill('Sulphur');
    await page.getByLabel('Its surface').selectOption('oil clay with sulphur');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('button', { name: /^mould Mould/ }).click();
    await expect(page.getByRole('heading', { name: 'Mould would not cure on Original' })).toBeVisible();
    await expect(page.getByText('no test and no reason talks it round')).toBeVisible();
    await expect(page.getByText('You know better all the same?')).toBeHidden();

    await page.getByRole('button', { name: /^casts Casts/ }).click();
    await expect(page.getByRole('heading', { name: 'Casts would fuse to Mould' })).toBeVisible();
    await page.getByText('You know better all the same?').click();
    await page.getByLabel(/^Your reason/).fill('The two are meant to stay one piece');
    await page.getByRole('button', { name: 'Overrule it' }).click();
    const words = page.getByLabel(/^This is certain. Type it out:/);
    await expect(page.getByRole('alert').filter({ hasText: /Type|type/ })).toBeVisible();
    const asked = ((await page.getByText(/^This is certain. Type it out:/).textContent()) ?? '')
        .replace('This is certain. Type it out:', '')
        .trim();
    await words.fill(asked);
    await page.getByRole('button', { name: 'Overrule it' }).click();
    await expect(page.getByText('Overruled', { exact: true })).toBeVisible();

    // Another rubber under it: the reason was not given for that.
    await page.getByRole('button', { name: /^mould Mould/ }).click();
    await page.getByRole('button', { name: 'Change it' }).click();
    await page.getByRole('form', { name: 'Change the link' }).getByLabel('Material').selectOption('tr-25');
    await page.getByRole('form', { name: 'Change the link' }).getByRole('button', { name: 'Keep it' }).click();
    await page.getByRole('button', { name: /^casts Casts/ }).click();
    await expect(page.getByText(/That no longer holds/)).toBeVisible();
    await expect(page.getByText('Overruled', { exact: true })).toBeHidden();
});

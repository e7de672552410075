import { axeSays, fitsEverywhere, still } from './room';
import { expect, test } from './shop';
import type { Page } from '@playwright/test';

const screens: Record<string, (page: Page, url: string) => Promise<void>> = {
    bench: async (page, url) => void (await page.goto(url)),
    jobs: async (page, url) => void (await page.goto(`${url}/jobs`)),
    'new job': async (page, url) => void (await page.goto(`${url}/jobs?new=1`)),
    job: async (page, url) => void (await page.goto(`${url}/jobs/1`)),
    'stopped job': async (page, url) => void (await page.goto(`${url}/jobs/7`)),
    contacts: async (page, url) => void (await page.goto(`${url}/contacts`)),
    'a word explained': async (page, url) => {
        await page.goto(url);
        await page.evaluate(() => localStorage.setItem('apalos.tablet', JSON.stringify({ explains: true })));
        await page.goto(`${url}/jobs/7`);
        await page.locator('.craft').first().click();
        await expect(page.getByRole('dialog', { name: /./ }).filter({ hasText: 'Close' })).toBeVisible();
    },
    mould: async (page, url) => void (await page.goto(`${url}/jobs/2/mould`)),
    practice: async (page, url) => void (await page.goto(`${url}/practice`)),
    'write to practise': async (page, url) => {
        await page.goto(`${url}/practice`);
        await page.getByRole('button', { name: 'Write your own' }).click();
        await page.getByRole('dialog').getByLabel('A heavy hand').check();
    },
    'a card to type in': async (page, url) => {
        await page.goto(url);
        const run = await page.locator('article', { hasText: 'Hatch gasket' }).locator('h3 a').first().getAttribute('href');
        await page.goto(`${url}${(run ?? '').replace(/\/run$/, '/card')}`);
        await page.getByRole('heading', { name: 'Type the card in' }).waitFor();
    },
    'a sheet of labels': async (page, url) => {
        await page.goto(`${url}/rack`);
        await page.getByText('Labels of these, on a sheet').click();
    },
    'a practice': async (page, url) => {
        await page.goto(`${url}/practice`);
        await page.getByRole('button', { name: 'Practise', exact: true }).first().click();
        await expect(page.getByRole('complementary', { name: 'Practice' }).getByRole('button', { name: 'As it runs' })).toHaveAttribute(
            'aria-pressed',
            'true',
        );
    },
    'what a practice came to': async (page, url) => {
        await page.goto(`${url}/practice`);
        await page.getByRole('button', { name: 'Practise', exact: true }).first().click();
        const bar = page.getByRole('complementary', { name: 'Practice' });
        await page.locator('.actions .main').click();
        await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
        await bar.getByRole('button', { name: 'End: what it came to' }).click();
        await bar.getByRole('button', { name: 'Yes, end it' }).click();
        await expect(page.getByRole('button', { name: 'Try again from here' }).first()).toBeVisible();
    },
    'plan it': async (page, url) => {
        await page.goto(`${url}/jobs/1/plan`);
        await page.getByRole('button', { name: 'All of it' }).first().click();
        await expect(page.getByText('Step by step').first()).toBeVisible();
    },
    'pour sheet': (page, url) => open(page, url, 'Practice forearm'),
    'unfinished sheet': (page, url) => open(page, url, 'Street-lamp nose'),
    weighing: (page, url) => open(page, url, 'Hatch gasket'),
    waiting: (page, url) => open(page, url, 'Owl brow'),
    grading: (page, url) => open(page, url, 'Dune crab'),
    hardness: async (page, url) => void (await page.goto(`${url}/swatches`)),
    colour: async (page, url) => {
        await page.goto(`${url}/swatches/colour`);
        await page.getByLabel('or as a screen writes it').fill('#a8785a');
        await page.getByLabel('or as a screen writes it').press('Enter');
        await expect(page.getByTestId('delta-e')).toBeVisible();
    },
    drawer: async (page, url) => {
        await page.goto(`${url}/swatches/drawer?hardness=00-30`);
        await page.getByRole('button', { name: 'Read its colour' }).click();
        await page.getByRole('button', { name: 'Off a photo' }).click();
    },
    series: async (page, url) => {
        await page.goto(`${url}/swatches/series?kind=tint&pigment=pi-russet`);
        await expect(page.getByText('First the full cup')).toBeVisible();
    },
    'series on the bench': async (page, url) => {
        await page.goto(`${url}/swatches/series?base=pr-10`);
        await page.getByRole('button', { name: 'Begin weighing' }).click();
        await expect(page.getByRole('heading', { name: 'Pucks of PR-10' })).toBeVisible();
    },
    labels: async (page, url) => {
        await page.goto(`${url}/swatches/labels?ids=1,2,3`);
        await page.getByLabel('Onto').selectOption('a4-21');
        await page.locator('.controls').getByLabel('First free place').fill('22');
    },
    'this bench': async (page, url) => {
        await page.goto(url);
        // On a phone the tools stand behind a button of their own.
        const tools = page.getByRole('button', { name: 'Tools' });
        if (await tools.isVisible()) {
            await tools.click();
        }
        await page.getByRole('button', { name: 'This bench' }).click();
        await page.getByLabel('It steps by').fill('0');
        await page.getByRole('button', { name: 'Keep it' }).click();
        await expect(page.getByText('This must be 0.001 or more')).toBeVisible();
    },
    'this tablet': async (page, url) => {
        await page.goto(url);
        const tools = page.getByRole('button', { name: 'Tools' });
        if (await tools.isVisible()) {
            await tools.click();
        }
        await page.getByRole('button', { name: 'This bench' }).click();
        await page.getByRole('button', { name: /This tablet/ }).click();
        await page.getByRole('button', { name: 'Try it with a stand-in' }).click();
        await expect(page.getByText('0 g, at rest')).toBeVisible();
    },
    'point at a label': async (page, url) => {
        await page.goto(url);
        await page.keyboard.press('/');
        await page.getByRole('button', { name: 'Point at a label' }).click();
        await expect(page.getByLabel('Or what stands on it')).toBeVisible();
    },
    trust: async (page, url) => void (await page.goto(`${url}/trust`)),
    people: async (page, url) => void (await page.goto(`${url}/people`)),
    formulas: async (page, url) => {
        await page.goto(`${url}/formulas`);
        await page.getByRole('button', { name: 'Write a new one' }).click();
    },
    formula: async (page, url) => {
        await page.goto(`${url}/formulas`);
        await page.getByRole('link', { name: 'Brow skin', exact: true }).click();
        await expect(page.getByText('to expect')).toBeVisible();
    },
    paint: async (page, url) => {
        await page.goto(`${url}/formulas`);
        await page.getByText('Painted on').click();
        await page.getByRole('link', { name: 'Freckle wash' }).click();
        await expect(page.getByText('On cured silicone')).toBeVisible();
    },
    'first hour': async (page, url) => void (await page.goto(`${url}/first?step=shelf`)),
    'own sheet': async (page, url) => {
        await page.goto(`${url}/stores/new/sheet?from=pr-10`);
        await page.getByRole('button', { name: 'Keep the sheet' }).click();
        await expect(page.getByText('House code is needed.')).toBeVisible();
    },
    stores: async (page, url) => void (await page.goto(`${url}/stores/ur-35`)),
    additive: async (page, url) => void (await page.goto(`${url}/stores/sf-1`)),
    build: async (page, url) => {
        await page.goto(`${url}/jobs/4`);
        await page.getByRole('link', { name: 'Open its build' }).click();
        await page.getByRole('button', { name: 'Change the plan' }).click();
        await page.getByRole('button', { name: 'Change Fourth coat' }).click();
    },
    'ways to build': async (page, url) => {
        await page.goto(`${url}/jobs/1`);
        await page.getByRole('button', { name: /Build it in several operations/ }).click();
        await page.getByText('Matrix: poured behind a clay blanket').click();
    },
    day: async (page, url) => void (await page.goto(`${url}/day`)),
    studies: async (page, url) => void (await page.goto(`${url}/study`)),
    study: async (page, url) => {
        await page.goto(`${url}/study/1`);
        await expect(page.getByText('Pulled towards').first()).toBeVisible();
        await page.getByRole('button', { name: 'Name its sides' }).click();
        await expect(page.getByText('in all,')).toBeVisible();
    },
    rack: async (page, url) => {
        await page.goto(`${url}/rack`);
        await page.getByRole('button', { name: 'Put one on the rack' }).click();
    },
    'a mould': async (page, url) => {
        await page.goto(`${url}/rack/1`);
        await page.getByText('pits', { exact: true }).click();
    },
    'what a piece costs': async (page, url) => {
        await page.goto(`${url}/jobs/3/cost`);
        await page.getByLabel('The other way').fill('bought in');
        await page.getByLabel('before the first piece').fill('0');
        await page.getByLabel('and a piece').fill('2.40');
        await expect(page.getByText('is cheaper, from there on')).toBeVisible();
    },
    'taking a kit in': async (page, url) => {
        await page.goto(`${url}/stores/ur-35`);
        await page.getByRole('button', { name: 'Take a kit in' }).click();
        await page.getByText('What a kit costs, and when').click();
    },
    'a kit': async (page, url) => void (await page.goto(`${url}/stores/lots/1`)),
    'what goes wrong': async (page, url) => {
        await page.goto(`${url}/faults`);
        await page.getByRole('button', { name: 'Plan a trial' }).click();
    },
    'a trial': async (page, url) => void (await page.goto(`${url}/trials/1`)),
    log: async (page, url) => void (await page.goto(`${url}/log`)),
    lost: async (page, url) => void (await page.goto(`${url}/nowhere`)),
};

async function open(page: Page, url: string, title: string): Promise<void> {
    await page.goto(url);
    await page.locator('article', { hasText: title }).locator('h3 a').first().click();
    await page.waitForURL(/\/pours\//);
}

for (const [name, go] of Object.entries(screens)) {
    test(`${name}: nothing for axe to say by day and by lamp, fits a phone and a tablet, and a thumb finds everything`, async ({
        page,
        demo,
    }) => {
        await go(page, demo.url);
        await expect(page.locator('main h1').first()).toBeAttached();
        // What is being reckoned anew is pale until it is there.
        await expect(page.locator('main [aria-busy="true"]')).toHaveCount(0);
        await still(page);
        for (const light of ['gelcoat', 'lamplit']) {
            await page.evaluate((theme) => {
                document.documentElement.dataset.theme = theme;
            }, light);
            // By lamp nothing but its colours is another.
            expect(await axeSays(page, light === 'lamplit' ? ['color-contrast'] : []), light).toEqual([]);
        }
        await fitsEverywhere(page);
    });
}

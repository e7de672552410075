import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { compiled, made, settled, surroundings } from './once';

const root = resolve(import.meta.dirname, '../..');
const router = 'bin/router.php';
/** As bin/demo sets them: a photo of 8 MB may come, and is unpacked elsewhere. */
const limits = ['upload_max_filesize=9M', 'post_max_size=10M', 'memory_limit=256M'].flatMap((limit) => ['-d', limit]);

function lines(port: number, line: string): Promise<string> {
    return new Promise((done, fail) => {
        const socket = connect(port, '127.0.0.1', () => socket.write(`${line}\r\n`));
        socket.setTimeout(2000, () => socket.destroy(new Error(`“${line}” got no answer.`)));
        socket.once('data', (data) => {
            done(data.toString().trim());
            socket.end();
        });
        socket.once('error', fail);
    });
}

/** It and all it has begun; one that is gone already is gone. */
function gone(begun: ChildProcess | null): void {
    if (begun?.pid !== undefined) {
        try {
            process.kill(-begun.pid, 'SIGKILL');
        } catch (why) {
            if ((why as NodeJS.ErrnoException).code !== 'ESRCH') {
                throw why;
            }
        }
    }
}

/** A workshop of its own for one worker: a server, a database, and the stand-in scale and thermometer. */
export class Shop {
    readonly url: string;
    #folder = mkdtempSync(join(tmpdir(), 'apalos-'));
    #server: ChildProcess | null = null;
    #devices: ChildProcess | null = null;

    constructor(
        private readonly port: number,
        private readonly demo: boolean,
    ) {
        this.url = `http://127.0.0.1:${String(port)}`;
    }

    get #environment(): NodeJS.ProcessEnv {
        const at = (beside: number): string => `127.0.0.1:${String(this.port + beside)}`;
        const own = surroundings(join(this.#folder, 'shop.sqlite'), [at(1), at(2), at(3), at(4)]);
        return { ...process.env, ...own, ...settled(own, this.#folder), PHP_CLI_SERVER_WORKERS: '4' };
    }

    async open(): Promise<void> {
        copyFileSync(made(this.demo ? 'demo' : 'empty'), join(this.#folder, 'shop.sqlite'));
        this.#devices = spawn(
            'php',
            [
                ...compiled(),
                'artisan',
                'devices:simulate',
                `--scale=127.0.0.1:${String(this.port + 1)}`,
                `--thermometer=127.0.0.1:${String(this.port + 2)}`,
                `--probe=127.0.0.1:${String(this.port + 3)}`,
                `--labels=127.0.0.1:${String(this.port + 4)}`,
            ],
            {
                cwd: root,
                env: this.#environment,
                stdio: 'ignore',
                detached: true,
            },
        );
        await this.start();
        await expect.poll(() => this.scale('Q').catch(() => ''), { timeout: 15_000 }).toMatch(/^(ST|US)/);
    }

    async start(): Promise<void> {
        // One left over from a run that was broken off would answer in its place, with another shop.
        if (
            await fetch(`${this.url}/up`).then(
                () => true,
                () => false,
            )
        ) {
            throw new Error(`Something already answers at ${this.url}. Stop it before the browser tests.`);
        }
        this.#server = spawn('php', [...limits, ...compiled(), '-S', `127.0.0.1:${String(this.port)}`, join(root, router)], {
            cwd: join(root, 'public'),
            env: this.#environment,
            stdio: 'ignore',
            detached: true,
        });
        await expect
            .poll(
                () =>
                    fetch(`${this.url}/up`).then(
                        (r) => r.status,
                        () => 0,
                    ),
                { timeout: 20_000 },
            )
            .toBe(200);
    }

    /** The plug is pulled: every process of the server dies at once, without a word. */
    kill9(): void {
        gone(this.#server);
        this.#server = null;
    }

    close(): void {
        this.kill9();
        gone(this.#devices);
        rmSync(this.#folder, { recursive: true, force: true });
    }

    /** What a hand does at the scale: `+12.3`, `>8`, `|`, `CLR`, `DROP 3`. */
    scale(line: string): Promise<string> {
        return lines(this.port + 1, line);
    }

    room(celsius: number): Promise<string> {
        return lines(this.port + 2, `=${String(celsius)}`);
    }
}

type Workers = { shop: Shop; demo: Shop };
type Own = { empty: Shop };

export const test = base.extend<Own, Workers>({
    /** Nobody presses before the screen stands: what comes from the server is empty until its script has run. */
    page: async ({ page }, use) => {
        const goto = page.goto.bind(page);
        page.goto = async (url, options) => {
            const answer = await goto(url, options);
            await page.waitForFunction(() => (document.getElementById('app')?.childElementCount ?? 1) > 0);
            return answer;
        };
        await use(page);
    },
    /** A shop nobody has been in yet, for one test alone. */
    empty: async ({ browserName: _ }, use, test) => {
        const shop = new Shop(8700 + test.parallelIndex * 10, false);
        await shop.open();
        await use(shop);
        shop.close();
    },
    shop: [
        async ({ browserName: _ }, use, worker) => {
            const shop = new Shop(8300 + worker.parallelIndex * 10, false);
            await shop.open();
            await use(shop);
            shop.close();
        },
        { scope: 'worker', timeout: 60_000 },
    ],
    demo: [
        async ({ browserName: _ }, use, worker) => {
            const shop = new Shop(8500 + worker.parallelIndex * 10, true);
            await shop.open();
            await use(shop);
            shop.close();
        },
        { scope: 'worker', timeout: 90_000 },
    ],
});

export { expect };

/** Goes to a control with the Tab key alone, as somebody without a mouse would. */
export async function tabTo(page: Page, control: Locator): Promise<void> {
    await expect(control).toBeVisible();
    for (let i = 0; i < 120; i++) {
        if (await control.evaluate((element) => element === document.activeElement)) {
            return;
        }
        await page.keyboard.press('Tab');
    }
    throw new Error('The Tab key never came to this control.');
}

export async function typeInto(page: Page, label: string | RegExp, text: string): Promise<void> {
    await tabTo(page, page.getByRole('textbox', { name: label, exact: typeof label === 'string' }));
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type(text);
}

/** The number the screen asks the scale to reach. */
export const target = async (page: Page): Promise<number> => Number(await page.getByTestId('target').textContent());

export const onScale = async (page: Page): Promise<number> => Number((await page.getByTestId('live').textContent())?.replace('−', '-'));

/** Pours onto the scale until the display is where the screen wants it, and waits for it to rest. */
export async function pourToTarget(page: Page, shop: Shop, over = 0): Promise<void> {
    const wanted = await target(page);
    await expect(page.getByTestId('live')).not.toHaveText('–');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    const now = Number((await shop.scale('Q')).slice(3, 11));
    await shop.scale(`+${(wanted - now + over).toFixed(2)}`);
    await expect.poll(() => onScale(page)).toBeCloseTo(wanted + over, 0);
    await expect(page.getByText('at rest')).toBeVisible();
}

/** A step that has just appeared takes no press for a moment: waits for it. */
export async function steady(page: Page): Promise<void> {
    await expect(page.locator('.actions .main, .next .main').first()).not.toHaveAttribute('aria-disabled', 'true');
}

/** Tares the empty cup; where another weigh-up has the scale, it is taken over. */
export async function tare(page: Page): Promise<void> {
    const over = page.getByRole('button', { name: 'Take the scale over' });
    const main = page.locator('.actions .main:not([aria-disabled="true"])');
    const pouring = page.getByRole('heading', { name: /^(Pour|Add) .* until/ });
    // Who has the scale is only known once it was looked at: what was about to be pressed may be gone by then.
    await expect(async () => {
        if (!(await pouring.isVisible())) {
            await over.or(main).first().click({ timeout: 2000 });
            await expect(pouring).toBeVisible({ timeout: 3000 });
        }
    }).toPass({ timeout: 30_000 });
}

/** Ticks an item of the checklist; one whose wait is not over is asked about once, and ticked again. */
export async function tick(box: Locator, press: (box: Locator) => Promise<void> = (one) => one.click()): Promise<void> {
    const asked = box.locator('xpath=ancestor::li').getByRole('alert');
    await press(box);
    await expect(async () => {
        if (await asked.isVisible()) {
            await press(box);
        }
        await expect(box).toBeDisabled({ timeout: 1500 });
    }).toPass({ timeout: 20_000 });
}

/** What is pressed while the page makes room for something may miss: as long as all stands as before it is pressed once more. */
export async function sure(press: () => Promise<void>, asBefore: () => Promise<boolean>, then: Locator): Promise<void> {
    await expect(async () => {
        if (await asBefore()) {
            await press();
        }
        await expect(then.first()).toBeVisible({ timeout: 6000 });
    }).toPass({ timeout: 40_000 });
}

/**
 * Goes on to the next step; what is pressed long before it can be so is asked about once, and pressed again; so is what is laid on before
 * its window.
 */
export async function goOn(page: Page, press: () => Promise<void> = () => page.locator('.actions .main').click()): Promise<void> {
    const heading = page.locator('.centre h1');
    const before = (await heading.textContent()) ?? '';
    const asked = page.getByText(/Press again if/);
    const ready = page.getByRole('button', { name: 'It was ready, and it went on' });
    await sure(press, async () => (await heading.textContent()) === before, asked.or(ready).or(heading.filter({ hasNotText: before })));
    if (await ready.isVisible()) {
        await ready.click();
    }
    if (await asked.isVisible()) {
        await press();
    }
    await expect(heading).not.toHaveText(before);
}

/** A photo as a warm lamp makes it: a grey card on the left, something skin-coloured on the right. */
export async function photo(page: Page): Promise<Buffer> {
    const url = await page.evaluate(() => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [600, 300];
        const draw = canvas.getContext('2d');
        if (draw !== null) {
            // L 49.5 and L 65 a 14 b 20, in light that is a quarter short of blue.
            draw.fillStyle = 'rgb(118,118,104)';
            draw.fillRect(0, 0, 300, 300);
            draw.fillStyle = 'rgb(188,148,110)';
            draw.fillRect(300, 0, 300, 300);
        }
        return canvas.toDataURL('image/png');
    });
    return Buffer.from(url.split(',')[1] ?? '', 'base64');
}

/** A new job with the sheet of its first cast open, something put between the two silicones. */
export async function castSheet(page: Page, shop: Shop, name: string): Promise<void> {
    await page.goto(`${shop.url}/jobs?new=1`);
    await page.getByLabel('Piece').fill(name);
    await page.getByRole('button', { name: 'Start the job' }).click();
    await page.getByRole('button', { name: /Casts/ }).first().click();
    await expect(page.getByRole('heading', { name: /Casts would fuse to Mould/ })).toBeVisible();
    await page.locator('.cards').getByText('Wax spray, silicone-free').click();
    await expect(page.getByRole('heading', { name: /Casts and Mould come apart/ })).toBeVisible();
    await page.getByRole('button', { name: /Plan a pour/ }).click();
    await expect(page.getByRole('heading', { name: 'Casts', exact: true, level: 1 })).toBeVisible();
}

/** From the sheet past gear and contacts to the empty cup. */
export async function toTheCup(page: Page, shop: Shop): Promise<void> {
    await page.getByRole('button', { name: /Gear on/ }).click();
    const main = page.locator('.actions .main');
    await expect(page.getByRole('heading', { name: 'Gear on' })).toBeVisible();
    await main.click();
    await expect(page.getByRole('heading', { name: 'Before anything is mixed' })).toBeVisible();
    for (const box of await page.locator('.checklist input').all()) {
        await tick(box);
    }
    await main.click();
    await expect(page.getByRole('heading', { name: /Stir each part/ })).toBeVisible();
    await main.click();
    await expect(page.getByRole('heading', { name: /Empty cup/ })).toBeVisible();
    await shop.scale('CLR');
    await expect.poll(() => shop.scale('Q')).toMatch(/^ST/);
    await tare(page);
    await expect(page.getByRole('heading', { name: /Pour B until/ })).toBeVisible();
}

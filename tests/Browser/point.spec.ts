import { expect, test } from './shop';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import QRCode from 'qrcode';

/** A film of a label as a camera sees it: one grey frame with the code in its middle. */
function film(address: string): string {
    const [wide, high] = [640, 480];
    const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
    const grain = Math.floor(400 / (modules.size + 4));
    const [left, top] = [Math.floor((wide - grain * modules.size) / 2), Math.floor((high - grain * modules.size) / 2)];
    const light = Buffer.alloc(wide * high, 205);
    for (let y = 0; y < modules.size * grain; y++) {
        for (let x = 0; x < modules.size * grain; x++) {
            if (modules.get(Math.floor(y / grain), Math.floor(x / grain))) {
                light[(top + y) * wide + left + x] = 30;
            }
        }
    }
    const file = join(mkdtempSync(join(tmpdir(), 'apalos-film-')), 'label.y4m');
    const frame = Buffer.concat([Buffer.from('FRAME\n'), light, Buffer.alloc((wide * high) / 2, 128)]);
    writeFileSync(
        file,
        Buffer.concat([
            Buffer.from(`YUV4MPEG2 W${String(wide)} H${String(high)} F10:1 Ip A1:1 C420jpeg\n`),
            ...Array.from({ length: 5 }, () => frame),
        ]),
    );
    return file;
}

test.use({
    permissions: ['camera'],
    launchOptions: {
        executablePath: '/usr/bin/chromium-headless-shell',
        args: [
            '--no-sandbox',
            '--use-fake-ui-for-media-stream',
            '--use-fake-device-for-media-stream',
            `--use-file-for-fake-video-capture=${film('http://127.0.0.1:8500/rack/1')}`,
        ],
    },
});

test('the camera is pointed at the label of a mould, and the mould opens', async ({ page, demo }) => {
    await page.goto(demo.url);
    await page.keyboard.press('/');
    await page.getByRole('button', { name: 'Point at a label' }).click();
    await expect(page).toHaveURL(/\/rack\/1$/, { timeout: 20_000 });
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('without a code in view what stands on the label is typed; what is not ours is said', async ({ page, demo }) => {
    await page.goto(demo.url);
    await page.evaluate(() => {
        navigator.mediaDevices.getUserMedia = () => Promise.reject(new Error('no camera'));
    });
    await page.keyboard.press('/');
    await page.getByRole('button', { name: 'Point at a label' }).click();
    const box = page.getByLabel('Or what stands on it');
    await expect(page.getByText('This browser opens no camera here.')).toBeVisible();
    for (const [code, says] of [
        ['http://elsewhere.test/rack/1', 'That label is of another bench'],
        ['M-99999', 'is not in this shop'],
        ['a tin of paint', 'That is no label of this bench'],
    ] as const) {
        await box.fill(code);
        await page.getByRole('button', { name: 'Take it' }).click();
        await expect(page.getByText(says)).toBeVisible();
    }
    await box.fill('m-2');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/rack\/2$/);
});

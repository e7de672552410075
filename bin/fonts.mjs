#!/usr/bin/env node
// Cuts the fonts down to what a bench writes: western letters, figures and the signs of the screens, headings at the one softness
// they are set in. Run it again when a font package changes: node bin/fonts.mjs
import { copyFile, readFile, writeFile } from 'node:fs/promises';
import subsetFont from 'subset-font';

const range = (from, to) => Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join('');
const letters =
    range(0x20, 0x7e) + range(0xa0, 0xff) + 'ŒœŠšŽžŸĀāĒēĪīŌōŪūŁłŃńŚśŹźŻżĆćĘęĄąĐđĞğİıŞşŘřČčĎďĚěŇňŤťŮů' + '–—‘’‚“”„•…′″‰€−×÷≈≤≥→←↑↓ΔΣμ°·';
// Their licence asks to lie beside them.
const licence = (from, of) => copyFile(`node_modules/${from}/LICENSE`, `resources/fonts/${of}.LICENSE.txt`);
const cut = async (from, to, options = {}) => {
    const font = await subsetFont(await readFile(`node_modules/${from}`), letters, { targetFormat: 'woff2', ...options });
    await writeFile(`resources/fonts/${to}.woff2`, font);
    console.log(`${to}: ${(font.length / 1000).toFixed(1)} kB`);
};

await cut('@fontsource-variable/fraunces/files/fraunces-latin-soft-normal.woff2', 'fraunces', {
    variationAxes: { SOFT: 100, wght: { min: 400, max: 700 } },
});
await licence('@fontsource-variable/fraunces', 'fraunces');
await licence('@fontsource/atkinson-hyperlegible-next', 'atkinson-next');
await licence('@fontsource/atkinson-hyperlegible-mono', 'atkinson-mono');
for (const weight of [400, 700]) {
    await cut(
        `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff2`,
        `atkinson-next-${weight}`,
    );
    await cut(
        `@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-${weight}-normal.woff2`,
        `atkinson-mono-${weight}`,
    );
}

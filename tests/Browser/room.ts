import { expect, type Page } from '@playwright/test';
import axe from 'axe-core';

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What axe has to say of the screen as it stands, of all rules or of those that are named. It is put into a page once. */
export async function axeSays(page: Page, rules: string[] = []): Promise<string[]> {
    if (await page.evaluate(() => !('axe' in window))) {
        await page.evaluate(axe.source);
    }
    return page.evaluate(
        async (only) => {
            const found = await (window as unknown as { axe: typeof axe }).axe.run(document, {
                runOnly: only,
                resultTypes: ['violations'],
                // No screen has a frame in it.
                iframes: false,
            });
            return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
        },
        rules.length === 0 ? { type: 'tag' as const, values: WCAG } : { type: 'rule' as const, values: rules },
    );
}

/** Colours are there at once: where one glides inside another, each begins when the one around it is over. */
export async function still(page: Page): Promise<void> {
    await page.evaluate(() => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync('*, ::before, ::after { transition: none !important; animation: none !important }');
        document.adoptedStyleSheets.push(sheet);
    });
}

/** A phone, a tablet and a laptop: nothing runs over the side, and what is to be read and pressed is large enough. */
export async function fitsEverywhere(page: Page): Promise<void> {
    for (const size of [
        { width: 390, height: 844 },
        { width: 820, height: 1180 },
        { width: 1280, height: 800 },
    ]) {
        await page.setViewportSize(size);
        await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
        // A drawing takes its place anew once it has seen how wide it is.
        await expect.poll(() => tooSmall(page, 44), { message: `at ${String(size.width)} px` }).toEqual([]);
    }
}

/**
 * Text under 14 px and targets under so many px on the screen as it stands: what a thumb in a glove would miss, and eyes at arm’s length.
 */
export async function tooSmall(page: Page, least: number): Promise<string[]> {
    // A label is shown as it is printed, in millimetres.
    return page.evaluate((side) => {
        const wrong: string[] = [];
        const seen = (element: Element): boolean => {
            const box = element.getBoundingClientRect();
            const style = getComputedStyle(element);
            return (
                box.width > 1 &&
                box.height > 1 &&
                style.visibility !== 'hidden' &&
                style.clip === 'auto' &&
                style.clipPath === 'none' &&
                style.opacity !== '0'
            );
        };
        const hidden = (element: Element): boolean =>
            element.closest('.sr-only, [hidden], [data-print], dialog:not([open]), details:not([open]) > :not(summary), .skip') !== null;
        const named = (element: Element): string =>
            `${element.tagName.toLowerCase()}.${[...element.classList].slice(0, 2).join('.')} “${(element.getAttribute('aria-label') ?? element.textContent).trim().replace(/\s+/g, ' ').slice(0, 40)}”`;

        for (const element of document.body.querySelectorAll('*')) {
            const own = [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '');
            if (!own || hidden(element) || !seen(element) || ['SCRIPT', 'STYLE', 'OPTION', 'OPTGROUP', 'TITLE'].includes(element.tagName)) {
                continue;
            }
            // A drawing is as large as it is shown, whatever its own units are.
            const svg = element instanceof SVGGraphicsElement ? (element.getScreenCTM()?.a ?? 1) : 1;
            const size = parseFloat(getComputedStyle(element).fontSize) * svg;
            if (size < 13.95) {
                wrong.push(`text of ${size.toFixed(1)}: ${named(element)}`);
            }
        }

        for (const element of document.body.querySelectorAll(
            'a[href], button, select, textarea, input, summary, [role=gridcell], [role=slider]',
        )) {
            if (
                hidden(element) ||
                element.matches('.sr-only, [tabindex="-1"]:not([role=gridcell])') ||
                element.closest('[aria-hidden=true]') !== null
            ) {
                continue;
            }
            // A word among words is read, not aimed at.
            const inline =
                ((element.tagName === 'A' && getComputedStyle(element).display === 'inline') || element.matches('.craft')) &&
                element.parentElement !== null &&
                element.parentElement.textContent.trim().length > element.textContent.trim().length + 2;
            const label =
                element instanceof HTMLInputElement && ['checkbox', 'radio', 'file', 'color', 'range'].includes(element.type)
                    ? element.closest('label')
                    : null;
            const aimed = label ?? element.closest('.field') ?? element;
            if (inline || !seen(aimed)) {
                continue;
            }
            const box = aimed.getBoundingClientRect();
            if (Math.min(box.width, box.height) < side - 0.6) {
                wrong.push(`target of ${box.width.toFixed(0)}×${box.height.toFixed(0)}: ${named(element)}`);
            }
        }
        return [...new Set(wrong)];
    }, least);
}

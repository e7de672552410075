import type { Page } from '@playwright/test';

/** Text under 14 px and targets under so many px on the screen as it stands: what a thumb in a glove would miss, and eyes at arm’s length. */
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

import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parse, type AST } from 'svelte/compiler';
import { describe, expect, it } from 'vitest';

const folder = join(__dirname, '../../resources/js');
const controls = new Set([
    'button',
    'a',
    'summary',
    'option',
    'optgroup',
    'label',
    'legend',
    'th',
    'h1',
    'h2',
    'h3',
    'h4',
    'caption',
    'dt',
]);
const spoken = new Set(['aria-label', 'placeholder', 'title', 'alt', 'label', 'hint']);
const isSaid = (text: string): boolean => /\p{L}{2}/u.test(text);

type Any = Record<string, unknown> & { type?: string };

/** What a translator would not find: words that stand on a control of a screen itself, not among its texts. */
function hidden(source: string): string[] {
    const found: string[] = [];
    const text = (node: Any): void => {
        if (isSaid(String(node.data))) {
            found.push(String(node.data).trim());
        }
    };
    const shown = (node: unknown): void => {
        const at = node as Any | null;
        if (at?.type === 'ConditionalExpression') {
            shown(at.consequent);
            shown(at.alternate);
        } else if (at?.type === 'LogicalExpression' || at?.type === 'BinaryExpression') {
            shown(at.left);
            shown(at.right);
        } else if (at?.type === 'Literal' && typeof at.value === 'string' && isSaid(at.value)) {
            found.push(at.value);
        } else if (at?.type === 'TemplateLiteral') {
            found.push(...(at.quasis as { value: { raw: string } }[]).map((one) => one.value.raw).filter(isSaid));
        }
    };
    const walk = (node: unknown, inside: boolean): void => {
        if (Array.isArray(node)) {
            node.forEach((one) => {
                walk(one, inside);
            });
            return;
        }
        const at = node as Any | null;
        if (at === null || typeof at !== 'object') {
            return;
        }
        if (at.type === 'Text' && inside) {
            text(at);
        }
        if (at.type === 'ExpressionTag' && inside && (at.expression as Any).type !== 'BinaryExpression') {
            shown(at.expression);
        }
        for (const one of (at.attributes ?? []) as { type: string; name: string; value: unknown }[]) {
            if (one.type === 'Attribute' && spoken.has(one.name)) {
                (Array.isArray(one.value) ? one.value : [one.value]).forEach((part: Any) => {
                    (part.type === 'Text' ? text : shown)((part.type === 'Text' ? part : part.expression) as Any);
                });
            }
        }
        const isControl = at.type === 'RegularElement' && controls.has(String(at.name));
        const isQuoted = at.type === 'RegularElement' && ['code', 'pre', 'kbd', 'style'].includes(String(at.name));
        for (const part of ['fragment', 'nodes', 'consequent', 'alternate', 'body', 'fallback', 'pending', 'then', 'catch']) {
            if (!isQuoted && typeof at[part] === 'object' && at.type !== 'ExpressionTag') {
                walk(at[part], inside || isControl);
            }
        }
    };
    walk((parse(source, { modern: true }) as AST.Root).fragment, false);

    return found;
}

describe('what controls say stands in the texts of their screen', () => {
    const screens = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.svelte'));

    it.each(screens)('%s', (file) => {
        expect(hidden(readFileSync(join(folder, file), 'utf8'))).toEqual([]);
    });

    it('and nothing is kept there that no screen says', () => {
        const books = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('texts.ts'));
        expect(books.length).toBeGreaterThan(50);
        for (const book of books) {
            const own = book.replace('.texts.ts', '.svelte');
            const said = screens
                .filter((file) => (own === book ? dirname(file) === dirname(book) : file === own))
                .map((file) => readFileSync(join(folder, file), 'utf8'))
                .join();
            const kept = [...readFileSync(join(folder, book), 'utf8').matchAll(/^export const (\w+)/gm)].map(([, name]) => name);
            expect([book, kept.filter((name) => !new RegExp(`texts\\.${String(name)}\\b`).test(said))]).toEqual([book, []]);
        }
    });

    it('and the look itself would notice', () => {
        expect(hidden('<button>Pour it</button>')).toEqual(['Pour it']);
        expect(hidden('<button><b>{texts.pour}</b> now</button>')).toEqual(['now']);
        expect(hidden('<p>Said in passing.</p><Choice label="Which" />')).toEqual(['Which']);
        expect(hidden("<a href='/'>{busy ? 'Busy' : texts.go}</a>")).toEqual(['Busy']);
        expect(hidden('<input aria-label={`Mass of ${name}`} />')).toEqual(['Mass of ']);
        expect(hidden('<button><code>bin/demo</code></button><button>{texts.stop}</button>')).toEqual([]);
    });
});

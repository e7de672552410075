import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { describe, expect, test } from 'vitest';
import { asLine, figuresOf, recognised, split, weighed, type Way } from '../../resources/js/lib/scaleLine';

/** The ways as they ship. */
const ways: Way[] = (() => {
    const text = readFileSync(resolve(import.meta.dirname, '../../library/scale-lines.yaml'), 'utf8');
    return text
        .split(/\n {4}- id: /)
        .slice(1)
        .map((block) => {
            const field = (name: string): string | undefined =>
                new RegExp(`^ {6}${name}: '(.*)'$`, 'm').exec(block)?.[1]?.replaceAll("''", "'");
            const { rests, moves, over } = { rests: field('rests'), moves: field('moves'), over: field('over') };
            return {
                id: block.split('\n')[0] ?? '',
                name: field('name') ?? '',
                line: field('line') ?? '',
                ...(rests === undefined ? {} : { rests }),
                ...(moves === undefined ? {} : { moves }),
                ...(over === undefined ? {} : { over }),
            };
        });
})();

describe('what a scale at a tablet writes', () => {
    test.each([
        ['ST,+00123.4,g', 'marked', 123.4, true, false],
        ['US,+00123.4,g', 'marked', 123.4, false, false],
        ['ST,GS,+  0.1234 kg', 'marked', 123.4, true, false],
        ['OL,+99999.9,g', 'marked', null, null, true],
        ['S S     52.37 g', 'two-letters', 52.37, true, false],
        ['S D    -52.37 g', 'two-letters', -52.37, false, false],
        ['S +', 'two-letters', null, null, true],
        ['+ 12.50 oz', 'figure-and-unit', 354.369, null, false],
        ['12,5 g ?', 'figure-and-unit', 12.5, false, false],
        ['  -0.3'.trim(), 'figure-alone', -0.3, null, false],
    ] as const)('%s is read as %s', (line, way, grams, stable, over) => {
        const read = weighed(line, { way }, ways);
        expect(read?.grams === null ? null : Number(read?.grams.toFixed(3))).toBe(grams);
        expect([read?.stable, read?.over]).toEqual([stable, over]);
        expect(recognised([line, line, line], ways)?.id).toBe(way);
    });

    test.each(['', 'S', 'ST,', '+000', 'kg', 'READY', '1.2.3 g', `${'9'.repeat(80)} g`, '12:34:56'])(
        'half a line or none is no weight: %s',
        (line) => {
            expect(ways.map((way) => weighed(line, { way: way.id }, ways)).filter((read) => read !== null && line !== '+000')).toEqual([]);
        },
    );

    test('a line nobody knows is read by the figure somebody points at', () => {
        const line = 'No. 17  N  0.0523kg  12.03.26';
        expect(recognised([line, line, line], ways)).toBeNull();
        expect(figuresOf(line)).toEqual(
            ['17', '  0.0523', '  12.03', '.26'].map((one) => expect.stringContaining(one.trim().replace(/^\./, '')) as unknown as string),
        );
        expect(weighed(line, { figure: 1, unit: 'kg' }, ways)?.grams).toBeCloseTo(52.3, 6);
        expect(weighed('no figures', { figure: 1, unit: 'g' }, ways)).toBeNull();
    });

    test('lines come in pieces, and half a line waits for its end', () => {
        expect(split('ST,+001')).toEqual({ lines: [], rest: 'ST,+001' });
        expect(split('ST,+00123.4,g\r\nUS,+0')).toEqual({ lines: ['ST,+00123.4,g'], rest: 'US,+0' });
        expect(split('x'.repeat(400))).toEqual({ lines: [], rest: '' });
    });

    test('the bench computer hears it as it hears its own', () => {
        expect(asLine({ grams: 52.3, stable: null, over: false, unit: 'g' }, true)).toBe('ST,+00052.300,g');
        expect(asLine({ grams: -0.04, stable: null, over: false, unit: 'g' }, false)).toBe('US,-00000.040,g');
        expect(asLine({ grams: null, stable: null, over: true, unit: 'g' }, true)).toBe('OL,+99999.9,g');
    });
});

import { describe, expect, test } from 'vitest';
import { differences } from '../../resources/js/lib/clash';

const sheet = (more: Record<string, unknown> = {}): Record<string, unknown> => ({
    volume: { method: 'box', box: { l_mm: 120, w_mm: 80, h_mm: 40 }, allowance_pct: 5 },
    formula: { base: 'pr-10', additives: [{ code: 'sf-1', amount: 20, basis: 'pct_of_ab', into: 'after' }] },
    plan: { vessel: { capacity_ml: 1000, degas: true }, mix_min: 3 },
    ...more,
});

describe('what stands otherwise on two screens', () => {
    test('two sheets that say the same differ in nothing, whatever is kept beside them', () => {
        expect(differences(sheet({ carried: 1, formula_from: 3 }), sheet({ cup: 'grey', formula_from: 4 }), 'metric')).toEqual([]);
    });

    test.each([
        ['metric', '120 mm', '140 mm'],
        ['imperial', '4 3/4 in', '5 1/2 in'],
    ] as const)('a length is said in %s, under the name it has on the sheet', (units, mine, theirs) => {
        const [found, ...more] = differences(
            sheet(),
            sheet({ volume: { method: 'box', box: { l_mm: 140, w_mm: 80, h_mm: 40 }, allowance_pct: 5 } }),
            units,
        );
        expect(more).toEqual([]);
        expect(found?.what).toBe('Box, length');
        if (units === 'metric') {
            expect([found?.mine, found?.theirs]).toEqual([mine, theirs]);
        } else {
            expect(found?.mine).toMatch(/in$/);
            expect(found?.mine).not.toBe(found?.theirs);
        }
    });

    test('an additive is one thing: how much, of what, into what', () => {
        const other = { base: 'pr-10', additives: [{ code: 'sf-1', amount: 25, basis: 'pct_of_a', into: 'a' }] };
        expect(differences(sheet(), sheet({ formula: other }), 'metric')).toEqual([
            { what: 'sf-1', mine: '20 pct of ab, into after', theirs: '25 pct of a, into a' },
        ]);
    });

    test('what only one of them has is nothing on the other, and yes and no are words', () => {
        const mine = sheet({ plan: { vessel: { capacity_ml: 1000, degas: false }, mix_min: 3, thickest_mm: 12 } });
        expect(differences(mine, sheet(), 'metric')).toEqual([
            { what: 'De-aired', mine: 'no', theirs: 'yes' },
            { what: 'Thickest place', mine: '12 mm', theirs: 'nothing' },
        ]);
    });

    test('a field nobody has named goes by its own name', () => {
        expect(differences({ x: { odd_one: 1 } }, { x: { odd_one: 2 } }, 'metric')).toEqual([{ what: 'odd one', mine: '1', theirs: '2' }]);
    });
});

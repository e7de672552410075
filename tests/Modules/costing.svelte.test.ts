import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { CostAsked, hasPrice } from '../../resources/js/lib/costing.svelte';
import type { CostView } from '../../resources/js/types/server';
import { inShop } from './shown';

/** A job of ten noses: a rubber with a price, a pigment without, one mould, an hour that costs something. */
const nose = (more: Record<string, unknown> = {}): CostView =>
    ({
        of: 'job',
        id: 7,
        name: 'Nose',
        href: '/jobs/7',
        asked: {
            currency: 'EUR',
            casts: 10,
            done: 0,
            reject_pct: 10,
            materials: [
                { code: 'pr-10', name: 'Platinum rubber', from: 'kit', used_g: 1500, waste_pct: 5, kit: { price: '90.00', mass_g: 2000 } },
                { code: 'pg-red', name: 'Red', from: null, used_g: 12, waste_pct: 0, kit: { price: '', mass_g: null } },
            ],
            moulds: [
                { id: 3, name: 'Block', cost: '120.00', life_casts: 40 },
                { id: 4, name: 'Spare block', cost: '', life_casts: 40 },
            ],
            labour: [{ what: 'weighing', min: 200, hour_rate: '' }],
            other: [{ name: '', price: '' }],
            ...more,
        },
        answer: null,
        others: {},
    }) as unknown as CostView;

const posted: { url: string; body: Record<string, unknown> }[] = [];
let undo: () => void = () => undefined;

/** The question as a component makes it: with its effects. */
function asks(cost: CostView = nose()): CostAsked {
    let made: CostAsked | undefined;
    undo = $effect.root(() => {
        made = new CostAsked(cost);
    });
    flushSync();
    if (made === undefined) {
        throw new Error('Nothing was made.');
    }
    return made;
}
const used = (costing: CostAsked): unknown[] => costing.asked.materials.map((m) => m.used_g);

beforeEach(() => {
    inShop();
    localStorage.clear();
    posted.length = 0;
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
        posted.push({ url, body: JSON.parse(typeof init.body === 'string' ? init.body : '{}') as Record<string, unknown> });
        return Promise.resolve(
            new Response(
                JSON.stringify(
                    url === '/cost' ? { lines: [{ name: 'Platinum rubber', cost: '70.88' }], per_piece: '19.30' } : { what: null },
                ),
                { status: 200 },
            ),
        );
    });
});
afterEach(() => {
    undo();
    vi.unstubAllGlobals();
});

describe('what is asked of a price', () => {
    test('what has no price yet is left out of the question, and said by name', () => {
        const costing = asks();
        expect(costing.unpriced).toEqual(['Red', 'Spare block', 'weighing']);
        const question = costing.question() as Record<string, unknown[]>;
        expect(question.materials).toHaveLength(1);
        expect(question.moulds).toHaveLength(1);
        expect(question.labour).toEqual([]);
        expect(question.other).toEqual([]);
    });

    test('a price without the weight of its kit is no price', () => {
        const costing = asks();
        const red = costing.asked.materials[1];
        expect(red).toBeDefined();
        if (red !== undefined) {
            red.kit.price = '14.00';
            expect(hasPrice.material(red)).toBe(false);
            red.kit.mass_g = 100;
            expect(hasPrice.material(red)).toBe(true);
        }
        expect(costing.unpriced).not.toContain('Red');
    });

    test('another way is only asked with all three of its figures', () => {
        const costing = asks();
        costing.asked.against = { name: 'Bought in', fixed: '0', each: '' };
        expect(costing.question()).not.toHaveProperty('against');
        costing.asked.against.each = '25';
        expect(costing.question()).toHaveProperty('against', { name: 'Bought in', fixed: '0', each: '25' });
    });

    test('only a piece is asked for several numbers, and an empty one is none', () => {
        const costing = asks();
        costing.asked.numbers = [1, null, 50];
        expect(costing.question()).toHaveProperty('numbers', [1, 50]);
        undo();
        const formula = asks({ ...nose(), of: 'formula' } as CostView);
        expect(formula.question()).not.toHaveProperty('numbers');
    });

    test('for how many it stands is nobody’s question', () => {
        expect(JSON.stringify(asks().question())).not.toContain('counted');
    });
});

describe('more pieces', () => {
    test('take more grams and more hands, and fewer take fewer', () => {
        const costing = asks();
        costing.asked.casts = 25;
        costing.scaled();
        expect(used(costing)).toEqual([3750, 30]);
        expect(costing.asked.labour[0]?.min).toBe(500);
        costing.asked.casts = 10;
        costing.scaled();
        expect(used(costing)).toEqual([1500, 12]);
    });

    test('a number that is none, or half typed, changes nothing', () => {
        const costing = asks();
        for (const typed of [null, 0, 'abc']) {
            costing.asked.casts = typed as never;
            costing.scaled();
            expect(used(costing)).toEqual([1500, 12]);
        }
        costing.asked.casts = 20;
        costing.scaled();
        expect(used(costing)).toEqual([3000, 24]);
    });

    test('a figure that was left empty stays empty', () => {
        const cost = nose();
        const costing = asks(cost);
        const red = costing.asked.materials[1];
        if (red !== undefined) {
            red.used_g = null as never;
        }
        costing.asked.casts = 20;
        costing.scaled();
        expect(used(costing)).toEqual([3000, null]);
    });

    test('after “as log and stores have it” they are reckoned from what stands there, not from what stood there', () => {
        const costing = asks();
        costing.asked.casts = 40;
        costing.scaled();
        costing.cleared();
        expect([costing.asked.casts, ...used(costing)]).toEqual([10, 1500, 12]);
        costing.asked.casts = 20;
        costing.scaled();
        expect(used(costing)).toEqual([3000, 24]);
    });

    test('what another tablet typed brings along for how many it is', () => {
        localStorage.setItem(
            'apalos.typed.cost/job/7',
            JSON.stringify({
                at: Date.now(),
                sent: true,
                what: { ...(nose().asked as object), casts: 20, counted: 20, materials: [{ ...nose().asked.materials[0], used_g: 3000 }] },
            }),
        );
        const costing = asks();
        expect(used(costing)).toEqual([3000]);
        costing.asked.casts = 30;
        costing.scaled();
        expect(used(costing)).toEqual([4500]);
    });
});

describe('the answer', () => {
    test('each material finds its own line, and one without a price has none', async () => {
        const costing = asks();
        costing.scaled();
        await vi.waitFor(() => {
            expect(costing.asking.fresh).toBe(true);
        });
        const [rubber, red] = costing.asked.materials;
        expect(posted.filter(({ url }) => url === '/cost')).toHaveLength(1);
        expect(rubber === undefined ? null : costing.lineOf(rubber)).toMatchObject({ cost: '70.88' });
        expect(red === undefined ? null : costing.lineOf(red)).toBeUndefined();
    });
});

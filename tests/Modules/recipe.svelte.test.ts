import { screen } from '@testing-library/svelte';
import { describe, expect, test, vi } from 'vitest';
import type { Additive } from '../../resources/js/lib/pourSheet.svelte';
import RecipeEditor from '../../resources/js/parts/RecipeEditor.svelte';
import type { ShelfView } from '../../resources/js/types/server';
import { inShop, onAScreen, show } from './shown';

onAScreen();

const shelf = {
    bases: [
        { code: 'pr-10', name: 'PR-10', family: 'platinum-silicone', here: true, one_part: false, part_a: 'A', part_b: 'B' },
        { code: 'ur-35', name: 'UR-35', family: 'urethane-rubber', here: true, one_part: false, part_a: 'Poly', part_b: 'Iso' },
        { code: 'vh-5', name: 'VH-5', family: 'vinyl', here: true, one_part: true, part_a: 'Vinyl', part_b: '' },
        { code: 'pr-99', name: 'PR-99', family: 'platinum-silicone', here: false, one_part: false, part_a: 'A', part_b: 'B' },
    ],
    additives: [
        {
            code: 'sf-1',
            name: 'SF-1 softener',
            families: ['platinum-silicone'],
            here: true,
            paint_only: false,
            basis: 'pct_of_ab',
            into: 'b',
        },
        {
            code: 'pi-1',
            name: 'Russet',
            families: ['platinum-silicone', 'vinyl'],
            here: true,
            paint_only: false,
            basis: 'pct_of_ab',
            into: 'b',
        },
        { code: 'so-1', name: 'Thinner', families: ['platinum-silicone'], here: true, paint_only: true, basis: 'pct_of_ab', into: 'after' },
        { code: 'fl-1', name: 'Flock', families: ['platinum-silicone'], here: false, paint_only: false, basis: 'pct_of_ab', into: 'b' },
    ],
} as unknown as ShelfView;

type Recipe = { base: string; additives: Additive[] };
function edited(recipe: Recipe, more: Record<string, unknown> = {}) {
    const held = $state(recipe);
    const onchange = vi.fn();
    const onbase = vi.fn();
    const hand = show(RecipeEditor, { recipe: held, shelf, error: () => null, both: [], fresh: true, onbase, onchange, ...more });
    return { held, hand, onchange, onbase };
}
const line = (code: string, amount: number | null = 20): Additive => ({ code, amount, basis: 'pct_of_ab', into: 'b' });
const offered = (): string[] =>
    screen
        .getAllByRole('option')
        .filter((o) => o.closest('.pick') !== null)
        .map((o) => o.textContent.trim());

describe('a recipe as it is written at a bench', () => {
    test('only what is on the shelf, goes into this base and is no paint is offered', () => {
        edited({ base: 'pr-10', additives: [] });
        expect(offered()).toEqual(['softener, pigment, flock …', 'SF-1 softener', 'Russet']);
    });

    test('a paint is thinned as well', () => {
        edited({ base: 'pr-10', additives: [] }, { paint: true });
        expect(offered()).toContain('Thinner');
    });

    test('a base that has been put away stands in its own recipe, and in no other', () => {
        edited({ base: 'pr-99', additives: [] });
        expect(screen.getByRole('option', { name: 'PR-99' })).toHaveProperty('selected', true);
    });

    test('it is stirred in by a button, not by passing over it, and then offered no more', async () => {
        const { held, hand, onchange } = edited({ base: 'pr-10', additives: [] });
        const stir = screen.getByRole('button', { name: 'Stir it in' });
        expect(stir).toHaveProperty('disabled', true);
        await hand.selectOptions(screen.getByLabelText('Stir something in'), 'Russet');
        expect(held.additives).toEqual([]);
        expect(onchange).not.toHaveBeenCalled();
        await hand.click(stir);
        expect(held.additives).toEqual([{ code: 'pi-1', amount: null, basis: 'pct_of_ab', into: 'b' }]);
        expect(offered()).toEqual(['softener, pigment, flock …', 'SF-1 softener']);
        expect(onchange).toHaveBeenCalledOnce();
    });

    test('one part has no B: what goes into B goes into what there is', async () => {
        const { held, hand } = edited({ base: 'vh-5', additives: [] });
        await hand.selectOptions(screen.getByLabelText('Stir something in'), 'Russet');
        await hand.click(screen.getByRole('button', { name: 'Stir it in' }));
        expect(held.additives[0]?.into).toBe('a');
        const into = screen.getByLabelText('Russet: into');
        expect([...into.querySelectorAll('option')].map((o) => o.textContent)).toEqual(['Vinyl', 'mixed cup']);
    });

    test('parts are called what the sheet calls them', () => {
        edited({ base: 'ur-35', additives: [line('pi-1')] });
        const into = screen.getByLabelText('Russet: into');
        expect([...into.querySelectorAll('option')].map((o) => o.textContent)).toEqual(['Poly', 'Iso', 'mixed cup']);
    });

    test('what goes in first stands first: one goes up, the others keep their order', async () => {
        const { held, hand, onchange } = edited({ base: 'pr-10', additives: [line('sf-1', 20), line('pi-1', 1), line('so-1', 5)] });
        expect(screen.queryByRole('button', { name: 'SF-1 softener: earlier' })).toBeNull();
        await hand.click(screen.getByRole('button', { name: 'Thinner: earlier' }));
        expect(held.additives.map((a) => a.code)).toEqual(['sf-1', 'so-1', 'pi-1']);
        expect(held.additives[1]?.amount).toBe(5);
        await hand.click(screen.getByRole('button', { name: 'Take SF-1 softener out' }));
        expect(held.additives.map((a) => a.code)).toEqual(['so-1', 'pi-1']);
        expect(onchange).toHaveBeenCalledTimes(2);
    });

    test('an amount is a number where it is one, and as typed where it is none', async () => {
        const { held, hand } = edited({ base: 'pr-10', additives: [line('sf-1', 20)] });
        const field = screen.getByLabelText('How much');
        await hand.clear(field);
        expect(held.additives[0]?.amount).toBeNull();
        await hand.type(field, '12,5');
        expect(held.additives[0]?.amount).toBe(12.5);
        await hand.type(field, 'x');
        expect(held.additives[0]?.amount).toBe('12,5x');
    });

    test('both bases and the grams stand beside it; what is being reckoned anew is pale', () => {
        inShop({}, { units: 'imperial' });
        edited({ base: 'pr-10', additives: [line('sf-1')] }, { both: [{ pct_of_ab: 20, pct_of_one_part: 40, grams: 56.7 }], fresh: false });
        const said = screen.getByText(/20.*40.*=/);
        expect(said.textContent).toMatch(/= 2\.0+ oz$/);
        expect(said.classList.contains('stale')).toBe(true);
    });

    test('what is wrong is said at its own line, and only missing is said quietly', () => {
        edited(
            { base: 'pr-10', additives: [line('sf-1', 90), line('pi-1', null)] },
            {
                error: (path: string) =>
                    path === 'additives.0.amount'
                        ? { message: 'At most 60 % of it.', missing: false }
                        : path === 'additives.1.amount'
                          ? { message: 'How much is needed.', missing: true }
                          : path === 'additives.1.into'
                            ? { message: 'It goes into B.', missing: false }
                            : null,
            },
        );
        expect(screen.getAllByRole('alert').map((a) => a.textContent)).toEqual(['At most 60 % of it.', 'It goes into B.']);
        expect(screen.getByText('needed')).toBeTruthy();
    });
});

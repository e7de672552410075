import { expect, test } from 'vitest';
import { planOf, withSavingCoat, type BuildOperation } from '../../resources/js/lib/build.svelte';
import type { BuildView } from '../../resources/js/types/server';

const operation = (id: string, more: Record<string, unknown> = {}): BuildOperation =>
    ({
        id,
        kind: 'check',
        name: id,
        how: 'Look.',
        minutes: 2,
        uses: ['hands'],
        own_cautions: ['heat'],
        acts: ['dry'],
        weighed: false,
        after: [{ op: 'pour', from: 720, until: null }],
        mix: null,
        late_on: null,
        save: null,
        save_coat_mm: null,
        ...more,
    }) as unknown as BuildOperation;
const build = (...operations: BuildOperation[]): BuildView => ({ operations }) as unknown as BuildView;

test('a plan that is handed in again says all that it said', () => {
    expect(planOf(build(operation('dry', { weighed: true })))).toEqual([
        {
            id: 'dry',
            kind: 'check',
            name: 'dry',
            how: 'Look.',
            minutes: 2,
            uses: ['hands'],
            cautions: ['heat'],
            care: ['dry'],
            weighed: true,
            mix: null,
            after: [{ op: 'pour', from: 720 }],
        },
    ]);
});

test('a bonding coat put in before a late one leaves the others as they are, and the late one waits for it', () => {
    const late = operation('coat', {
        kind: 'coat',
        after: [{ op: 'first', from: 0, until: 'recoat_close' }],
        late_on: 'first',
        mix: { area_mm2: 40_000, against: 'last', intent: 'bond', base: null },
    });
    const plan = withSavingCoat(build(operation('dry', { weighed: true }), late), late);
    expect(plan.map((op) => op.id)).toEqual(['dry', 'bonding-1', 'coat']);
    expect(plan[0]).toMatchObject({ weighed: true });
    expect(plan[1]).toMatchObject({ kind: 'coat', after: [{ op: 'first' }], mix: { area_mm2: 40_000, thickness_mm: 0.5 } });
    expect(JSON.stringify(plan[2]?.after)).toContain('bonding-1');
});

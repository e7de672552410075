import { screen, within } from '@testing-library/svelte';
import { describe, expect, test, vi } from 'vitest';
import type { BuildOperation, LiveBuild } from '../../resources/js/lib/build.svelte';
import PlanForm from '../../resources/js/pages/build/PlanForm.svelte';
import type { ShelfView } from '../../resources/js/types/server';
import { onAScreen, show } from './shown';

onAScreen();

const operation = (id: string, more: Record<string, unknown> = {}): BuildOperation =>
    ({
        id,
        kind: 'prepare',
        name: `The ${id}`,
        how: '',
        minutes: 10,
        uses: ['hands'],
        after: [],
        own_cautions: [],
        acts: [],
        mix: null,
        started_ms: null,
        state: 'waits',
        ...more,
    }) as unknown as BuildOperation;
const coat = (id: string, after: { op: string; from: number | string; until: number | string | null }[]): BuildOperation =>
    operation(id, { kind: 'coat', after, mix: { against: 'last', intent: 'bond', area_mm2: 40_000, thickness_mm: 2 } });

/** A wall, three coats, and a jacket over them. */
const glove = (): BuildOperation[] => [
    operation('wall', { started_ms: 1, state: 'done' }),
    coat('first', [{ op: 'wall', from: 0, until: null }]),
    coat('second', [{ op: 'first', from: 'recoat_open', until: 'recoat_close' }]),
    coat('third', [{ op: 'second', from: 30, until: 'recoat_close' }]),
    operation('jacket', {
        kind: 'pour',
        after: [{ op: 'third', from: 'demould', until: null }],
        mix: { against: 'last', intent: 'separate' },
    }),
];

type Told = {
    operations: {
        id: string;
        name: string;
        kind: string;
        after: Record<string, unknown>[];
        mix: Record<string, unknown> | null;
        minutes: unknown;
        weighed?: boolean;
    }[];
    was: number;
};
function planned(operations = glove(), id = 1) {
    const build = $state({ id, edition: 7, operations });
    let answers = (): void => {
        build.edition++;
    };
    const live = {
        get build() {
            return build;
        },
        trouble: null as string | null,
        record: vi.fn(() => {
            answers();
            return Promise.resolve();
        }),
    };
    const onclose = vi.fn();
    const hand = show(PlanForm, {
        live: live as unknown as LiveBuild,
        bases: [{ code: 'ur-35', name: 'UR-35' }] as unknown as ShelfView['bases'],
        onclose,
    });
    return {
        build,
        live,
        hand,
        onclose,
        refuse: (why: string) => (answers = () => (live.trouble = why)),
        told: () => (live.record.mock.calls as unknown as [string, Told][]).at(-1)?.[1] as Told,
    };
}
const press = (hand: ReturnType<typeof show>, name: string): Promise<void> => hand.click(screen.getByRole('button', { name }));
const named = (): string[] => screen.getAllByRole('listitem').map((row) => row.querySelector('b')?.textContent ?? '');
const after = (told: Told, id: string): Record<string, unknown>[] => told.operations.find((o) => o.id === id)?.after ?? [];

describe('a plan as the maker wants it', () => {
    test('what has begun stays: nothing about it can be pressed', () => {
        planned();
        const [begun, first] = screen.getAllByRole('listitem');
        expect(within(begun as HTMLElement).queryAllByRole('button')).toEqual([]);
        expect(within(first as HTMLElement).getAllByRole('button').length).toBe(4);
    });

    test('kept as it is, every wait goes out as it came, and what is not said is left out', async () => {
        const { hand, told, onclose } = planned();
        await press(hand, 'Keep this plan');
        expect(told().was).toBe(7);
        expect(told().operations.map((o) => o.id)).toEqual(['wall', 'first', 'second', 'third', 'jacket']);
        expect(after(told(), 'second')).toEqual([{ op: 'first', from: 'recoat_open', until: 'recoat_close' }]);
        expect(after(told(), 'jacket')).toEqual([{ op: 'third', from: 'demould' }]);
        expect(told().operations[0]).not.toHaveProperty('begun');
        expect(onclose).toHaveBeenCalledOnce();
    });

    test('taking out brings nothing forward: what waited for it waits for what it waited for, the longest of both', async () => {
        const { hand, told } = planned();
        await press(hand, 'Take The second out');
        expect(named()).toEqual(['The wall', 'The first', 'The third', 'The jacket']);
        await press(hand, 'Keep this plan');
        // Thirty minutes after the second, which waited for its window: the window counts for more than minutes, the end is its own.
        expect(after(told(), 'third')).toEqual([{ op: 'first', from: 'recoat_open', until: 'recoat_close' }]);
    });

    test('of two waits in minutes the longer one stays', async () => {
        const { hand, told } = planned([
            operation('a'),
            operation('b', { after: [{ op: 'a', from: 45, until: null }] }),
            operation('c', { after: [{ op: 'b', from: 20, until: null }] }),
        ]);
        await press(hand, 'Take The b out');
        await press(hand, 'Keep this plan');
        expect(after(told(), 'c')).toEqual([{ op: 'a', from: 45 }]);
    });

    test('what waits for both already waits for it no more, and keeps its own word about the other', async () => {
        const { hand, told } = planned([
            operation('a'),
            operation('b', { after: [{ op: 'a', from: 45, until: null }] }),
            operation('c', {
                after: [
                    { op: 'b', from: 20, until: null },
                    { op: 'a', from: 5, until: 90 },
                ],
            }),
        ]);
        await press(hand, 'Take The b out');
        await press(hand, 'Keep this plan');
        expect(after(told(), 'c')).toEqual([{ op: 'a', from: 5, until: 90 }]);
    });

    test('one goes up or down one place; at the ends it cannot', async () => {
        const { hand } = planned();
        expect(screen.getByRole('button', { name: 'Move The jacket down' })).toHaveProperty('disabled', true);
        await press(hand, 'Move The jacket up');
        expect(named()).toEqual(['The wall', 'The first', 'The second', 'The jacket', 'The third']);
    });

    test('an added operation waits for the last one and is open to be written; its number was nobody else’s', async () => {
        const { hand, told } = planned([...glove(), operation('step-7')]);
        await press(hand, 'Add an operation');
        await hand.type(screen.getByLabelText('What it is called'), 'Flash trim');
        await press(hand, 'Keep this plan');
        const added = told().operations.at(-1);
        expect([added?.id, added?.name, added?.after]).toEqual(['step-8', 'Flash trim', [{ op: 'step-7', from: 0 }]]);
        expect(new Set(told().operations.map((o) => o.id)).size).toBe(told().operations.length);
    });

    test('an added coat covers what the others cover; without an area it says that nobody knows how much to weigh', async () => {
        const { hand, told } = planned();
        await press(hand, 'Add an operation');
        await hand.selectOptions(screen.getByLabelText('Kind'), 'Coat');
        expect(screen.getByLabelText('Over an area of')).toHaveProperty('value', '400');
        await hand.clear(screen.getByLabelText('Over an area of'));
        expect(screen.getByText('Without it nobody knows how much to weigh.')).toBeTruthy();
        await hand.type(screen.getByLabelText('Over an area of'), '250');
        await press(hand, 'Keep this plan');
        expect(told().operations.at(-1)?.mix).toEqual({ against: 'last', intent: 'bond', area_mm2: 25_000 });
    });

    test('what is mixed no more takes its mixing with it', async () => {
        const { hand, told } = planned();
        await press(hand, 'Change The jacket');
        await hand.selectOptions(screen.getByLabelText('Kind'), 'Trim');
        expect(screen.queryByLabelText('Laid on')).toBeNull();
        await press(hand, 'Keep this plan');
        expect(told().operations.find((o) => o.id === 'jacket')).toMatchObject({ kind: 'trim', mix: null });
    });

    test('a wait by the clock becomes one by a window, and back', async () => {
        const { hand, told } = planned();
        await press(hand, 'Change The third');
        await hand.selectOptions(screen.getByLabelText('From when'), 'it can be opened');
        expect(screen.queryByLabelText('At least')).toBeNull();
        await hand.selectOptions(screen.getByLabelText('Until when'), 'minutes after its end');
        await hand.clear(screen.getByLabelText('At most'));
        await hand.type(screen.getByLabelText('At most'), '240');
        await press(hand, 'Keep this plan');
        expect(after(told(), 'third')).toEqual([{ op: 'second', from: 'demould', until: 240 }]);
    });

    test('a check the scale answers stays one through another change, and is one by a tick; what is no check is none', async () => {
        const check = (id: string, weighed: boolean): BuildOperation => operation(id, { kind: 'check', weighed });
        const { hand, told } = planned([check('dry', true), check('seen', false), check('felt', true)], 41);
        await press(hand, 'Change The seen');
        await hand.click(screen.getByLabelText('The scale says whether it is dry'));
        await press(hand, 'Close The seen');
        await press(hand, 'Change The felt');
        await hand.selectOptions(screen.getByLabelText('Kind'), 'Trim');
        expect(screen.queryByLabelText('The scale says whether it is dry')).toBeNull();
        await press(hand, 'Keep this plan');
        expect(told().operations.map((o) => [o.id, o.weighed])).toEqual([
            ['dry', true],
            ['seen', true],
            ['felt', false],
        ]);
    });

    test('what the bench refuses is said, and what was typed stays', async () => {
        const { hand, refuse, onclose } = planned();
        refuse('That operation has begun.');
        await press(hand, 'Take The first out');
        await press(hand, 'Keep this plan');
        expect(screen.getByText('That operation has begun.')).toBeTruthy();
        expect(named()).not.toContain('The first');
        expect(onclose).not.toHaveBeenCalled();
    });

    test('as it stands on the bench computer: what another screen changed takes the place of what was typed', async () => {
        const { hand, build, told } = planned();
        await press(hand, 'Take The first out');
        build.operations = [operation('wall'), operation('only')];
        build.edition = 9;
        await press(hand, 'As it stands on the bench computer');
        expect(named()).toEqual(['The wall', 'The only']);
        await press(hand, 'Keep this plan');
        expect(told().was).toBe(9);
    });

    test('what was typed is there again after a reload, and stands against the plan it was typed on', async () => {
        const first = planned(glove(), 31);
        await press(first.hand, 'Take The jacket out');
        document.body.innerHTML = '';
        const second = planned(glove(), 31);
        expect(named()).not.toContain('The jacket');
        second.build.edition = 8;
        await press(second.hand, 'Keep this plan');
        expect(second.told().was).toBe(7);
    });
});

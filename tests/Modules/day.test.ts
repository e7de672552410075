import { expect, test } from 'vitest';
import { rows } from '../../resources/js/lib/day';
import { standing, type BuildOperation } from '../../resources/js/lib/build.svelte';

// The lanes of a day, and where an operation stands between two looks at the server.

const MIN = 60_000;
const item = (id: string, from: number, to: number): { id: string; name: string; title: string; from_ms: number; to_ms: number } => ({
    id,
    name: 'Coat',
    title: 'Boot · Glove',
    from_ms: from * MIN,
    to_ms: to * MIN,
});
const rowOf = (items: ReturnType<typeof item>[]): Record<string, number> =>
    Object.fromEntries(rows(items, 600 * MIN, 1200).placed.map(({ item: one, row }) => [one.id, row]));

test('what follows lies in one row, what meets lies in the next', () => {
    expect(rowOf([item('a', 0, 60), item('b', 120, 150), item('c', 30, 50)])).toEqual({ a: 0, c: 1, b: 0 });
});

test('a name keeps its room free behind what it names, and is not cut', () => {
    // Four letters are 48 px, and those are 24 minutes here.
    expect(rowOf([item('a', 0, 2), item('b', 20, 22), item('c', 30, 32)])).toEqual({ a: 0, b: 1, c: 0 });
    expect(rows([item('a', 0, 2)], 600 * MIN, 1200).count).toBe(1);
});

const op = (state: string, opens: number | null, shuts: number | null, waits: string[] = []): BuildOperation =>
    ({ state, opens_ms: opens, shuts_ms: shuts, waits_for: waits }) as unknown as BuildOperation;

test('a window opens and shuts between two looks', () => {
    expect(standing(op('waits', 10, 20), 9)).toBe('waits');
    expect(standing(op('waits', 10, 20), 11)).toBe('ready');
    expect(standing(op('waits', 10, 20), 21)).toBe('missed');
    expect(standing(op('ready', 10, 20), 21)).toBe('missed');
    expect(standing(op('closing', 10, 20), 19)).toBe('closing');
    expect(standing(op('waits', 10, 20, ['Release']), 15)).toBe('waits');
    expect(standing(op('done', 10, 20), 99)).toBe('done');
});

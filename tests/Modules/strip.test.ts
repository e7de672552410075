import { expect, test } from 'vitest';
import { ends, LANES, lay, type Lozenge, nameWidth } from '../../resources/js/lib/strip';
import type { StripView } from '../../resources/js/types/server';

const HOUR = 3_600_000;
const pour = (id: string, from: number, to: number, state = 'curing', title = 'Jaw'): Lozenge =>
    ({ id, title, state, hands: [], waits: [{ from_ms: from * HOUR, to_ms: to * HOUR }], windows: [], href: '' }) as unknown as Lozenge;
const strip = (...lozenges: Lozenge[]): StripView => ({ lozenges, calls: [], now_ms: 0 }) as unknown as StripView;
const lanes = (all: StripView, width = 1200): Record<string, number> =>
    Object.fromEntries(lay(all, 0, 12 * HOUR, width).lanes.map(({ l, lane }) => [String(l.id), lane]));

test('a pour reaches from its first to its last span, but not as far as its service', () => {
    const one = {
        ...pour('a', 1, 3),
        windows: [
            { kind: 'demould', from_ms: 3 * HOUR, to_ms: 4 * HOUR },
            { kind: 'service', from_ms: 4 * HOUR, to_ms: 99 * HOUR },
        ],
    } as unknown as Lozenge;
    expect(ends(one)).toEqual({ from: HOUR, to: 4 * HOUR });
});

test('those that touch in time lie in lanes of their own, those that do not share one', () => {
    expect(lanes(strip(pour('a', 0, 3), pour('b', 2, 5), pour('c', 6, 8)))).toEqual({ a: 0, b: 1, c: 0 });
});

test('names never lie over each other, however short the pours', () => {
    const long = 'Grip of the long oar';
    expect(nameWidth(pour('a', 0, 1, 'curing', long))).toBeGreaterThan(150);
    expect(lanes(strip(pour('a', 0, 0.2, 'curing', long), pour('b', 1, 1.2, 'curing', long)), 600)).toEqual({ a: 0, b: 1 });
    expect(lanes(strip(pour('a', 0, 0.2, 'curing', long), pour('b', 8, 8.2, 'curing', long)), 600)).toEqual({ a: 0, b: 0 });
});

test('what is in hand is always seen; what finds no lane is counted', () => {
    const many = Array.from({ length: LANES + 2 }, (_, i) => pour(`p${String(i)}`, 0, 5 + i));
    const { lanes: laid, more } = lay(strip(...many, pour('now', 3, 9, 'running')), 0, 12 * HOUR, 1200);
    expect(more).toBe(3);
    expect(laid[0]?.l.id).toBe('now');
    expect(new Set(laid.map(({ lane }) => lane)).size).toBe(LANES);
});

test('what is over, or not yet in view, takes no lane', () => {
    expect(lanes(strip(pour('old', -5, -1), pour('later', 13, 15), pour('here', 1, 2)))).toEqual({ here: 0 });
});

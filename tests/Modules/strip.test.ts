import { expect, test } from 'vitest';
import { ends, lay, LANES, nameAt, nameWidth, type Lozenge, type Plan, withPlans } from '../../resources/js/lib/strip';
import type { StripView } from '../../resources/js/types/server';

// Where pours lie on the day strip.

const HOUR = 3_600_000;
const DAY = { from: 8 * HOUR, length: 10 * HOUR, width: 1100 };

/** A pour that was mixed for a quarter of an hour and then cures. */
function pour(id: number, title: string, from: number, hours: number, state: Lozenge['state'] = 'curing'): Lozenge {
    return {
        id: `pour-${String(id)}`,
        title,
        href: `/pours/${String(id)}/run`,
        state,
        hands: [{ from_ms: from * HOUR, to_ms: (from + 0.25) * HOUR }],
        waits: [{ from_ms: (from + 0.25) * HOUR, to_ms: (from + hours) * HOUR }],
        windows: [],
    } as unknown as Lozenge;
}
const strip = (lozenges: Lozenge[], calls: StripView['calls'] = []): StripView => ({ lozenges, calls, plans: [] }) as unknown as StripView;
const laid = (lozenges: Lozenge[], calls: StripView['calls'] = []): Record<string, number> =>
    Object.fromEntries(lay(strip(lozenges, calls), DAY.from, DAY.length, DAY.width).lanes.map(({ l, lane }) => [l.title, lane]));

test('a pour reaches from its first gram to the end of its last window, but not to when it may be used', () => {
    const brow = pour(1, 'Brow', 9, 4);
    brow.windows = [
        { kind: 'demould', from_ms: 13 * HOUR, to_ms: 15 * HOUR },
        { kind: 'service', from_ms: 33 * HOUR, to_ms: 40 * HOUR },
    ] as unknown as Lozenge['windows'];
    expect(ends(brow)).toEqual({ from: 9 * HOUR, to: 15 * HOUR });
});

test('pours that do not meet share a lane; those that do, or whose names would, take the next', () => {
    expect(laid([pour(1, 'Early', 8, 2), pour(2, 'Late', 13, 2)])).toEqual({ Early: 0, Late: 0 });
    expect(laid([pour(1, 'One', 8, 6), pour(2, 'Two', 10, 6)])).toEqual({ One: 0, Two: 1 });
    const long = 'A street lamp’s nose, second half, poured again';
    expect(laid([pour(1, long, 8, 0.5), pour(2, 'Next', 9, 0.5)])).toEqual({ [long]: 0, Next: 1 });
});

test('what needs hands takes the first lane, then what will need them soonest', () => {
    const calls = [
        { id: 'pour-2', at_ms: 15 * HOUR },
        { id: 'pour-3', at_ms: 11 * HOUR },
    ] as unknown as StripView['calls'];
    expect(laid([pour(2, 'Later', 8, 9), pour(3, 'Sooner', 8, 9), pour(4, 'Now', 10, 1, 'running')], calls)).toEqual({
        Now: 0,
        Sooner: 1,
        Later: 2,
    });
});

test('what finds no lane is counted, and what lies on another day is not drawn', () => {
    const busy = Array.from({ length: LANES + 2 }, (_, i) => pour(i, `Pour ${String(i)}`, 9, 6));
    const day = lay(strip([...busy, pour(99, 'Yesterday', -16, 4)]), DAY.from, DAY.length, DAY.width);
    expect(day.lanes).toHaveLength(LANES);
    expect(day.more).toBe(2);
    expect(new Set(day.lanes.map(({ lane }) => lane)).size).toBe(LANES);
});

const outline = (id: string, href: string, from: number, to: number, live = false): Plan => ({
    id,
    href,
    job: 'Boot',
    title: 'Boot · Glove',
    name: id,
    from_ms: from * HOUR,
    to_ms: to * HOUR,
    moves: !live,
    live,
    opens_ms: null,
    shuts_ms: null,
});

test('what is planned for a pour lies with it, and a build has a lane of its own', () => {
    const shown = withPlans({
        ...strip([pour(1, 'Brow', 9, 4)]),
        plans: [
            outline('p1:open', '/pours/1/run', 13, 13.25),
            outline('b2:coat2', '/builds/2', 10, 10.2),
            outline('b2:coat3', '/builds/2', 11, 11.2),
        ],
    });
    expect(shown.map((l) => [l.href, l.plans?.length, l.state])).toEqual([
        ['/pours/1/run', 1, 'curing'],
        ['/builds/2', 2, 'planned'],
    ]);
    expect(ends(shown[1] as Lozenge)).toEqual({ from: 10 * HOUR, to: 11.2 * HOUR });
});

test('what nobody has begun gives way to what is there, and a build comes when its next operation does', () => {
    const three = strip([1, 2, 3].map((n) => pour(n, `Pour ${String(n)}`, 9, 6)));
    const lanes = (plan: Plan): string[] => lay({ ...three, plans: [plan] }, DAY.from, DAY.length, DAY.width).lanes.map(({ l }) => l.href);
    expect(lanes(outline('p9:pour', '/pours/9', 9.5, 10))).not.toContain('/pours/9');
    expect(lanes(outline('b2:coat2', '/builds/2', 9.5, 10))[0]).toBe('/builds/2');
    const open = { ...outline('b2:coat2', '/builds/2', 12, 12.2), opens_ms: 9 * HOUR, shuts_ms: 14 * HOUR };
    expect(lay({ ...three, now_ms: 10 * HOUR, plans: [open] }, DAY.from, DAY.length, DAY.width).lanes[0]?.l.href).toBe('/builds/2');
});

test('a name makes way for what it names: over a wait, behind the last mark, before the first, or as much of it as there is room for', () => {
    const at = (l: Lozenge): { left: number; room: number } => nameAt(l, DAY.from, DAY.length, DAY.width);
    const px = (hour: number): number => ((hour * HOUR - DAY.from) / DAY.length) * DAY.width;

    const waits = pour(1, 'Brow', 9, 4);
    expect(at(waits).left).toBeGreaterThanOrEqual(px(9.25));
    expect(at(waits).left + nameWidth(waits)).toBeLessThan(px(13));

    // A bracket in the middle of the wait is no place for it.
    const window = pour(2, 'Lantern bust · Matrix', 9, 6);
    window.windows = [{ kind: 'demould', from_ms: 10 * HOUR, to_ms: 11 * HOUR }] as unknown as Lozenge['windows'];
    expect(at(window).left).toBeGreaterThanOrEqual(px(11) + 8);

    const late = pour(3, 'Street-lamp nose', 17.5, 1);
    expect(at(late).left + at(late).room).toBeLessThanOrEqual(px(17.5) - 4);

    // Full of marks: what fits.
    const full = pour(4, 'A very long name of a very long thing, poured in many coats and half forgotten', 8, 10);
    full.hands = Array.from({ length: 19 }, (_, i) => ({
        from_ms: (8 + i / 2) * HOUR,
        to_ms: (8.2 + i / 2) * HOUR,
    })) as unknown as Lozenge['hands'];
    expect(at(full).room).toBeLessThan(nameWidth(full));
    for (const hand of full.hands) {
        const [from, to] = [((hand.from_ms - DAY.from) / DAY.length) * DAY.width, ((hand.to_ms - DAY.from) / DAY.length) * DAY.width];
        expect(at(full).left + at(full).room <= from || at(full).left >= to).toBe(true);
    }
});

import { screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import type { LiveRun } from '../../resources/js/lib/run.svelte';
import Earlier from '../../resources/js/pages/run/Earlier.svelte';
import Gelled from '../../resources/js/pages/run/Gelled.svelte';
import HeatStep from '../../resources/js/pages/run/HeatStep.svelte';
import { inShop, onAScreen, show } from './shown';

onAScreen();

const MIN = 60_000;
const NOW = Date.UTC(2027, 2, 3, 10);
const cup = (batch: number, met: number | null, filled: number | null = null) => ({ batch, met_ms: met, filled_ms: filled });

function running(more: Record<string, unknown> = {}, stands: Record<string, unknown> = {}) {
    const live = $state({
        run: {
            batches: 1,
            cups: [cup(1, NOW - 10 * MIN)],
            wait: { gelled_ms: null as number | null, opened_ms: null as number | null },
            heat: null as unknown,
            worked: { met: 'A met B', mix: { title: 'Heat it' } },
            step: { key: '1:heat', kind: 'heat' },
            step_since_ms: NOW,
            ...more,
        },
        trouble: null as string | null,
        doubted: null as unknown,
        was: null as number | null,
        record: vi.fn((..._: unknown[]) => Promise.resolve()),
        tell: vi.fn((..._: unknown[]) => Promise.resolve()),
        ...stands,
    });
    return live;
}
const press = (hand: ReturnType<typeof show>, name: string | RegExp): Promise<void> => hand.click(screen.getByRole('button', { name }));
const buttons = (): string[] => screen.queryAllByRole('button').map((b) => b.textContent.trim());

beforeEach(() => {
    bench.now = NOW;
});

describe('the truth, told a little late', () => {
    test('before anything met there is nothing to tell', () => {
        show(Earlier, { live: running({ cups: [cup(1, null)] }) as unknown as LiveRun });
        expect(buttons()).toEqual([]);
    });

    test('what met, went in, gelled and was opened can each have been earlier; the words of the way it is worked are used', async () => {
        const live = running({ wait: { gelled_ms: NOW, opened_ms: NOW }, worked: { met: 'Powder met water' } });
        const hand = show(Earlier, { live: live as unknown as LiveRun });
        await press(hand, 'It was earlier than this clock says');
        expect(buttons()).toEqual(['It is now', 'Powder met water then', 'It had gelled then', 'I had opened it then']);
        await press(hand, 'It had gelled then');
        expect(live.record.mock.calls[0]?.slice(0, 2)).toEqual(['earlier', { what: 'gelled', batch: 1, done_ms: NOW }]);
    });

    test('of several cups the last two are still in mind, each by its number', async () => {
        const live = running({
            batches: 3,
            cups: [cup(1, NOW - 30 * MIN, NOW - 20 * MIN), cup(2, NOW - 20 * MIN, NOW - 9 * MIN), cup(3, NOW - 5 * MIN)],
        });
        const hand = show(Earlier, { live: live as unknown as LiveRun });
        await press(hand, 'It was earlier than this clock says');
        expect(buttons().slice(1)).toEqual(['Cup 2 went in then', 'A met B in cup 3 then']);
    });

    test('refused, the time that was typed stays; taken, it is gone', async () => {
        const live = running();
        const hand = show(Earlier, { live: live as unknown as LiveRun });
        await press(hand, 'It was earlier than this clock says');
        live.trouble = 'Before it began nothing met.';
        await press(hand, 'A met B then');
        expect(buttons()).toContain('A met B then');
        live.trouble = null;
        await press(hand, 'A met B then');
        expect(buttons()).toEqual(['It was earlier than this clock says']);
    });
});

describe('what no longer runs', () => {
    test('is told in one press; before A met B nobody is asked', async () => {
        const none = running({ cups: [cup(1, null)] });
        show(Gelled, { live: none as unknown as LiveRun });
        expect(buttons()).toEqual([]);
        document.body.innerHTML = '';
        const live = running();
        const hand = show(Gelled, { live: live as unknown as LiveRun });
        await press(hand, 'The cup has gelled now');
        expect(live.tell.mock.calls).toEqual([['gelled']]);
    });

    test('what is heated gets too thick to pour: it has its own words', () => {
        show(Gelled, { live: running({ heat: {} }) as unknown as LiveRun });
        expect(buttons()[0]).toBe('The pot is too thick to pour now');
    });

    test('told, it stands with its time and is asked no more', () => {
        show(Gelled, { live: running({ wait: { gelled_ms: NOW, opened_ms: null } }) as unknown as LiveRun });
        expect(document.body.textContent).toMatch(/Gelled at .*10:00/);
        expect(buttons()).toEqual([]);
    });

    test('far from what was to be expected: really so keeps the time of the press, and a slip writes nothing down', async () => {
        const doubt = { why: 'PR-10 gels after 20 min at the earliest.', fact: { kind: 'gelled', payload: {}, at_ms: NOW - MIN } };
        const live = running({}, { doubted: doubt });
        const hand = show(Gelled, { live: live as unknown as LiveRun });
        await press(hand, 'It is really so');
        expect(live.record.mock.calls[0]?.slice(0, 2)).toEqual(['gelled', { sure: true, done_ms: NOW - MIN }]);
        live.doubted = { ...doubt };
        await tick();
        await press(hand, /A slip/);
        expect([live.doubted, live.record.mock.calls.length]).toEqual([null, 1]);
    });
});

describe('heated in steps', () => {
    const heat = (more: Record<string, unknown> = {}) => ({
        from_c: 165,
        to_c: 175,
        over_c: 190,
        step_ms: 2 * MIN,
        stands: 'unread',
        readings: [] as { at_ms: number; c: number }[],
        ...more,
    });
    function pot(more: Record<string, unknown> = {}, stands: Record<string, unknown> = {}) {
        const live = running({ heat: heat(more) }, stands);
        const hand = show(HeatStep, { live: live as unknown as LiveRun, heat: heat(more) as never });
        return { live, hand };
    }

    test('the clock counts to the next stir, and goes on counting when nobody stirs', async () => {
        pot();
        expect(screen.getByRole('timer').textContent).toBe('2:00');
        bench.now = NOW + 3 * MIN;
        await tick();
        expect(screen.getByRole('timer').textContent).toBe('+1:00');
    });

    test('after a reading it counts from that one', () => {
        pot({ readings: [{ at_ms: NOW + MIN, c: 150 }], stands: 'below' });
        expect(screen.getByRole('timer').textContent).toBe('3:00');
        expect(screen.getByTestId('heat').textContent).toBe('150 °C');
    });

    test.each([
        ['unread', /Stir it and read it/],
        ['below', /Not yet: it is milky/],
        ['right', /it may come off/],
        ['above', /off the heat, stir/],
        ['over', /scorched: heat off first/],
    ])('%s is said in words', (stands, words) => {
        pot({ stands });
        expect(screen.getByRole('status').textContent).toMatch(words);
    });

    test('read by hand it is written down with its step, and the field is free for the next', async () => {
        const { live, hand } = pot();
        const write = screen.getByRole('button', { name: 'Stirred, write it down' });
        expect(write).toHaveProperty('disabled', true);
        await hand.type(screen.getByLabelText('It reads'), '168');
        await hand.click(write);
        expect(live.record.mock.calls[0]?.slice(0, 2)).toEqual(['heated', { step: '1:heat', c: 168, by: 'hand' }]);
        expect(screen.getByLabelText('It reads')).toHaveProperty('value', '');
    });

    test('in Fahrenheit it is read in Fahrenheit and kept in Celsius', async () => {
        inShop({}, { units: 'imperial' });
        const { live, hand } = pot();
        await hand.type(screen.getByLabelText('It reads'), '334.4');
        await press(hand, 'Stirred, write it down');
        const [, told] = live.record.mock.calls[0] as [string, { c: number }];
        expect(told.c).toBeCloseTo(168, 6);
    });

    test('off the heat unread is asked about once, and can be so all the same', async () => {
        const { live, hand } = pot({}, { doubted: { why: 'Nobody read it.', fact: { kind: 'confirmed', payload: {} } } });
        await press(hand, 'It is off the heat all the same');
        expect(live.record.mock.calls[0]?.slice(0, 2)).toEqual(['confirmed', { step: '1:heat', sure: true }]);
        expect(live.doubted).toBeNull();
    });
});

import { cleanup, fireEvent, screen, within } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import Lanes from '../../resources/js/pages/day/Lanes.svelte';
import type { DayView } from '../../resources/js/types/server';
import { onAScreen, show } from './shown';

onAScreen();

const MIN = 60_000;
const HOUR = 60 * MIN;
/** Nine in the morning of a day that begins at seven and ends at six. */
const NOW = Date.UTC(2027, 2, 3, 9);

type Item = DayView['items'][number];
const item = (id: string, hour: number, more: Partial<Item> = {}): Item =>
    ({
        id,
        name: `Coat ${id}`,
        title: 'Owl brow · Mould',
        href: `/builds/${id}`,
        colour: '#a86',
        lanes: ['hands'],
        state: 'planned',
        from_ms: NOW + hour * HOUR,
        to_ms: NOW + hour * HOUR + 30 * MIN,
        moves: true,
        missed: false,
        slack_min: 20,
        opens_ms: null,
        shuts_ms: null,
        ...more,
    }) as unknown as Item;
const day = (items: Item[], hands = 1): DayView =>
    ({
        works_from_ms: NOW - 2 * HOUR,
        works_to_ms: NOW + 9 * HOUR,
        hands,
        items,
        lanes: [
            { id: 'hands', name: 'Hands' },
            { id: 'chamber', name: 'Vacuum chamber' },
        ],
    }) as unknown as DayView;

function laid(items: Item[], hands = 1) {
    const [onput, onwrong] = [vi.fn(), vi.fn()];
    const hand = show(Lanes, { day: day(items, hands), onput, onwrong });
    return { hand, onput, onwrong };
}
const lane = (name: string): HTMLElement => screen.getByRole('region', { name });
const placed = (name: string): HTMLElement => screen.getByRole('button', { name: new RegExp(`^${name},`) });
const said = (): string => (document.querySelector('.said')?.textContent ?? '').replace(/\s+/g, ' ').trim();

const across = (px: number): void => void vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(px);

beforeEach(() => {
    bench.now = NOW;
    across(1200);
});

describe('a day across hands, chamber and pot', () => {
    test('each lane has what needs it, and one that needs two stands in both', () => {
        laid([item('a', 1), item('b', 2, { lanes: ['hands', 'chamber'] })]);
        expect(within(lane('Hands')).getAllByRole('button')).toHaveLength(2);
        expect(within(lane('Vacuum chamber')).getAllByRole('button')).toHaveLength(1);
    });

    test('two pairs of hands are said in their lane', () => {
        laid([], 2);
        expect(within(lane('Hands')).getByRole('heading').textContent).toMatch(/2/);
    });

    test('what overlaps stands one below the other; what follows stands beside', () => {
        laid([item('a', 1), item('b', 1.2), item('c', 5)]);
        const top = (name: string): string => placed(name).style.top;
        expect(top('Coat b')).not.toBe(top('Coat a'));
        expect(top('Coat c')).toBe(top('Coat a'));
    });

    test('what is of another day is not drawn', () => {
        laid([item('a', 1), item('late', 30), item('early', -30)]);
        expect(within(lane('Hands')).getAllByRole('button')).toHaveLength(1);
    });

    test('a phone has no room for what is over, nor for every hour', () => {
        const hours = (): number => document.querySelectorAll('.hours span').length;
        laid([item('a', 1), item('b', -1, { state: 'done', moves: false })]);
        expect(within(lane('Hands')).getAllByRole('button')).toHaveLength(2);
        const many = hours();
        cleanup();
        across(390);
        laid([item('a', 1), item('b', -1, { state: 'done', moves: false })]);
        expect(within(lane('Hands')).getAllByRole('button')).toHaveLength(1);
        expect(hours()).toBeLessThan(many / 2);
    });

    test('a press says when it is, how long it can wait, and its window', async () => {
        const { hand } = laid([item('a', 1, { opens_ms: NOW, shuts_ms: NOW + 3 * HOUR })]);
        await hand.click(placed('Coat a'));
        expect(said()).toMatch(
            /Coat a · Owl brow · Mould: .* to .*\. It may start 20:00 later without moving anything\. Window .* to .*\. Drag it, or use the arrow keys\./,
        );
        expect(screen.getByRole('link', { name: /Coat a/ }).getAttribute('href')).toBe('/builds/a');
        expect(placed('Coat a').getAttribute('aria-pressed')).toBe('true');
    });

    test('one with no room says so, and one whose window has shut says that', async () => {
        const { hand } = laid([item('a', 1, { slack_min: 0 }), item('b', 3, { missed: true, opens_ms: NOW - HOUR, shuts_ms: NOW })]);
        await hand.click(placed('Coat a'));
        expect(said()).toContain('It cannot start later without moving something.');
        await hand.click(placed('Coat b'));
        expect(said()).toContain('Its window has shut.');
        expect(placed('Coat b').getAttribute('aria-label')).toContain('its window has shut');
    });

    test('the arrow keys put it a step later or earlier; what is done does not move', () => {
        const { onput } = laid([item('a', 1), item('b', -1, { state: 'done', moves: false })]);
        placed('Coat a').focus();
        void fireEvent.keyDown(placed('Coat a'), { key: 'ArrowRight' });
        void fireEvent.keyDown(placed('Coat a'), { key: 'ArrowLeft' });
        void fireEvent.keyDown(placed('Coat a'), { key: 'ArrowUp' });
        void fireEvent.keyDown(placed('Coat b'), { key: 'ArrowRight' });
        const by = onput.mock.calls.map(([id, at]) => [id, (at as number) - (NOW + HOUR)]);
        expect(by.map(([id]) => id)).toEqual(['a', 'a']);
        expect((by[0]?.[1] as number) + (by[1]?.[1] as number)).toBe(0);
        expect(by[0]?.[1]).toBeGreaterThan(0);
    });

    test('a press on it takes back what was said to be wrong before', async () => {
        const { onwrong } = laid([item('a', 1)]);
        await fireEvent.pointerDown(placed('Coat a'), { button: 0, clientX: 10 });
        expect(onwrong).toHaveBeenCalledWith(null);
        await fireEvent.pointerUp(window);
    });

    test('held and let go where it lies, it stays where it is', async () => {
        const { onput } = laid([item('a', 1)]);
        await fireEvent.pointerDown(placed('Coat a'), { button: 0, clientX: 10 });
        await fireEvent.pointerUp(window);
        await tick();
        expect(onput).not.toHaveBeenCalled();
    });

    test('the bracket of a window is drawn only for what can still move into it', () => {
        laid([
            item('a', 1, { opens_ms: NOW + 2 * HOUR, shuts_ms: NOW + 4 * HOUR }),
            item('b', 3, { opens_ms: NOW - HOUR, shuts_ms: NOW, moves: false }),
        ]);
        const brackets = [...document.querySelectorAll<HTMLElement>('.bracket')];
        expect(brackets).toHaveLength(1);
        expect(brackets[0]?.classList.contains('unopened')).toBe(true);
        const left = (hour: number): number => (hour + 2) / (9 + 2 + 0.5);
        expect(parseFloat(brackets[0]?.style.left ?? '')).toBeCloseTo(100 * left(2), 1);
        expect(parseFloat(brackets[0]?.style.width ?? '')).toBeCloseTo(100 * (left(4) - left(2)), 1);
    });
});

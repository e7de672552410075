import { screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { describe, expect, test, vi } from 'vitest';
import { LiveScale } from '../../resources/js/lib/scale.svelte';
import { STEADY_MS } from '../../resources/js/lib/steady.svelte';
import WeighNext from '../../resources/js/pages/swatches/WeighNext.svelte';
import type { ScaleView, WeighingResult } from '../../resources/js/types/server';
import { inShop, onAScreen, show } from './shown';

onAScreen();

const line = (more: Partial<WeighingResult> = {}): WeighingResult =>
    ({
        vessel: 'cup',
        line: 0,
        code: 'pr-10-a',
        add: 'A',
        grams: 60,
        before: 0,
        running: 60,
        from: 59.8,
        to: 60.6,
        opens: false,
        meets: false,
        because: null,
        ...more,
    }) as unknown as WeighingResult;
const reading = (grams: number | null, more: Partial<ScaleView> = {}): ScaleView => ({
    grams,
    stable: true,
    overload: false,
    lost: null,
    unit: 'g',
    held_by: null,
    trouble: null,
    ...more,
});

function weighed(next: WeighingResult | null, shows: ScaleView, more: Record<string, unknown> = {}) {
    inShop({ scale: true });
    const scale = new LiveScale('series:3');
    scale.reading = shows;
    const heard: (() => void)[] = [];
    vi.spyOn(scale, 'listen').mockImplementation((_, hears) => {
        heard.push(hears);
        return () => undefined;
    });
    const told = { oncount: vi.fn(), ontared: vi.fn(), onput: vi.fn(), onmeet: vi.fn(), onback: vi.fn() };
    const props = $state({
        scale,
        next,
        fresh: true,
        into: 'the full cup',
        on: 'cup',
        takesBack: null,
        division: 0.1,
        inside: null,
        ...told,
        ...more,
    });
    const hand = show(WeighNext, props);
    return { scale, hand, props, hears: () => heard.forEach((one) => one()), ...told };
}
const main = (): HTMLElement => document.querySelector<HTMLElement>('.main') as HTMLElement;
const said = (): string => (document.querySelector('section')?.textContent ?? '').replace(/\s+/g, ' ');

describe('what goes onto the scale next', () => {
    test('the vessel is tared empty, and told which it was', async () => {
        const { scale, hand, ontared, onput } = weighed(line({ opens: true }), reading(31.2), { on: '' });
        const tare = vi.spyOn(scale, 'tare').mockResolvedValue(true);
        expect(said()).toContain('Empty, onto the scale: the full cup');
        await hand.click(main());
        expect([tare.mock.calls, ontared.mock.calls, onput.mock.calls]).toEqual([[[false]], [['cup']], []]);
    });

    test('one that did not tare says so, and nothing is told', async () => {
        const { scale, hand, ontared } = weighed(line({ opens: true }), reading(31.2), { on: '' });
        vi.spyOn(scale, 'tare').mockResolvedValue(false);
        await hand.click(main());
        expect(said()).toContain('It did not tare. Let it come to rest and press again.');
        expect(ontared).not.toHaveBeenCalled();
    });

    test('within its band and at rest, what the display reads is told', async () => {
        const { hand, onput } = weighed(line(), reading(60.2));
        expect(screen.getByTestId('aim').textContent).toBe('60.0');
        expect(screen.getByTestId('live').classList.contains('good')).toBe(true);
        await hand.click(main());
        expect(onput).toHaveBeenCalledWith(60.2);
    });

    test('too little is not told: how much is still to pour is said', async () => {
        const { hand, onput } = weighed(line(), reading(41.7));
        await hand.click(main());
        expect(onput).not.toHaveBeenCalled();
        expect(said()).toContain('Still 18.3 g to pour.');
    });

    test('too much is shown as over, and told as it is: nothing is hidden', async () => {
        const { hand, onput } = weighed(line(), reading(64));
        expect(screen.getByTestId('live').classList.contains('over')).toBe(true);
        expect(said()).toContain('over by 4.0');
        await hand.click(main());
        expect(onput).toHaveBeenCalledWith(64);
    });

    test('while the display moves a press waits for it to rest, and is told once', async () => {
        const { scale, hand, hears, onput } = weighed(line(), reading(60.1, { stable: false }));
        await hand.click(main());
        expect(onput).not.toHaveBeenCalled();
        expect(main().textContent).toContain('Waiting for it to rest');
        hears();
        expect(onput).not.toHaveBeenCalled();
        scale.reading = reading(60.3);
        hears();
        expect(onput.mock.calls).toEqual([[60.3]]);
    });

    test('two taps are one: what has only just appeared takes no press from the hand that brought it', async () => {
        vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
        const { scale, props, onput } = weighed(line(), reading(60.2));
        main().click();
        await tick();
        props.next = line({ line: 1, code: 'pr-10-b', add: 'B', before: 60.2, running: 120.2, from: 119.8, to: 120.8 });
        scale.reading = reading(120.3);
        await tick();
        expect(main().getAttribute('aria-disabled')).toBe('true');
        main().click();
        await tick();
        expect(onput.mock.calls).toEqual([[60.2]]);
        vi.advanceTimersByTime(STEADY_MS);
        await tick();
        main().click();
        await tick();
        expect(onput.mock.calls).toEqual([[60.2], [120.3]]);
        vi.useRealTimers();
    });

    test('while what was told is on its way nothing more is', async () => {
        const { hand, onput } = weighed(line(), reading(60.2), { fresh: false });
        await hand.click(main());
        expect(onput).not.toHaveBeenCalled();
    });

    test('A meets B as soon as more than a gram of it has run in, and not while the display is doubted', () => {
        const { scale, hears, onmeet } = weighed(line({ meets: true, before: 60, running: 120 }), reading(60.9));
        hears();
        expect(onmeet).not.toHaveBeenCalled();
        scale.reading = reading(70, {
            trouble: { kind: 'jumped', saw_g: 70, expected_g: 60, in_line_g: 0 } as unknown as ScaleView['trouble'],
        });
        hears();
        expect(onmeet).not.toHaveBeenCalled();
        scale.reading = reading(70);
        hears();
        expect(onmeet).toHaveBeenCalledOnce();
    });

    test('more than the scale can carry, or nothing at all, says what to do instead', async () => {
        const { hand, onput } = weighed(line(), reading(null, { overload: true }));
        expect(screen.getByTestId('live').textContent).toBe('too much');
        await hand.click(main());
        expect(said()).toContain('More than the scale can carry.');
        expect(onput).not.toHaveBeenCalled();
    });

    test('a scale that serves another asks to be taken over; nothing of it is told', () => {
        const held = { title: 'Owl brow', href: '/pours/7/run', since_ms: null } as unknown as ScaleView['held_by'];
        const { onput } = weighed(line(), reading(60.2, { held_by: held }));
        expect(document.querySelector('.main')).toBeNull();
        expect(screen.getByRole('button', { name: 'Take the scale over' })).toBeTruthy();
        expect(onput).not.toHaveBeenCalled();
    });

    test('what goes into a puck comes from a cup; why it is so much is said beside it', () => {
        weighed(line({ code: 'full-cup', add: 'full cup', because: 'The form takes 12 ml.' }), reading(0));
        expect(said()).toContain('From the full cup');
        expect(said()).toContain('The form takes 12 ml.');
    });

    test('at the end there is only a label to write, and the last thing to take back', async () => {
        const { hand, onback } = weighed(null, reading(0), { takesBack: 'B into puck 4' });
        expect(said()).toContain('Everything is in.');
        await hand.click(screen.getByRole('button', { name: 'Take back B into puck 4' }));
        expect(onback).toHaveBeenCalledOnce();
    });
});

import { fireEvent, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import StandInHand from '../../resources/js/parts/StandInHand.svelte';
import { onAScreen, show } from './shown';

onAScreen();

let lines: string[] = [];
beforeEach(() => {
    lines = [];
    vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
        lines.push((JSON.parse(typeof init.body === 'string' ? init.body : '{}') as { line: string }).line);
        return Promise.resolve(new Response('{"lost":null}', { status: 200 }));
    });
});
const button = (name: string): HTMLElement => screen.getByRole('button', { name });

describe('the hand at a scale that is none', () => {
    test('says up to where it pours, and leaves to the pan how much that is', async () => {
        const hand = show(StandInHand, { target: 80.05 });
        await hand.click(button('To the line'));
        expect(lines).toEqual(['=80.05']);
    });

    test('has no line to pour to where nothing is to be weighed', async () => {
        const hand = show(StandInHand, { target: null });
        expect(button('To the line')).toHaveProperty('disabled', true);
        await hand.click(button('Clear the pan'));
        expect(lines).toEqual(['CLR']);
    });

    test('pours while it is held, at the rate it is set to, and stops wherever it is let go', async () => {
        show(StandInHand, { target: 80 });
        await fireEvent.pointerDown(button('Hold to pour'));
        await fireEvent.pointerDown(button('Hold to pour'));
        await fireEvent.pointerUp(window);
        expect(lines).toEqual(['>12', '|']);
        await fireEvent.pointerUp(window);
        expect(lines).toHaveLength(2);
    });

    test('stops where the window loses the eye, and for the keys too', async () => {
        show(StandInHand, { target: 80 });
        await fireEvent.keyDown(button('Hold to pour'), { key: 'Enter' });
        await fireEvent.blur(window);
        await fireEvent.keyDown(button('Hold to pour'), { key: 'a' });
        expect(lines).toEqual(['>12', '|']);
    });

    test('presses the tare key of the scale itself', async () => {
        const hand = show(StandInHand, { target: 80 });
        await hand.click(button('Its tare key'));
        expect(lines).toEqual(['T']);
    });
});

import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Steady, STEADY_MS } from '../../resources/js/lib/steady.svelte';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const pressed = (steady: Steady): boolean => {
    let did = false;
    steady.press(() => (did = true));
    return did;
};

test('two taps within a moment are one press: the step they brought takes none', () => {
    const steady = new Steady();
    steady.stands('weigh-1-a');
    expect(pressed(steady)).toBe(true);
    steady.stands('weigh-1-b');
    expect(pressed(steady)).toBe(false);
    vi.advanceTimersByTime(STEADY_MS - 1);
    expect(pressed(steady)).toBe(false);
    vi.advanceTimersByTime(1);
    expect(pressed(steady)).toBe(true);
});

test('a step that only looks again rests no longer, and a third one starts anew', () => {
    const steady = new Steady();
    steady.stands('a');
    steady.stands('b');
    vi.advanceTimersByTime(STEADY_MS / 2);
    steady.stands('b');
    vi.advanceTimersByTime(STEADY_MS / 2);
    expect(steady.resting).toBe(false);
    steady.stands('c');
    vi.advanceTimersByTime(STEADY_MS / 2);
    steady.stands('d');
    vi.advanceTimersByTime(STEADY_MS / 2);
    expect(steady.resting).toBe(true);
    steady.stop();
});

import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { awake } from '../../resources/js/lib/awake';

type Held = { release: ReturnType<typeof vi.fn> };
let held: Held[] = [];
let answers: ((lock: Held) => void)[] = [];
let request = vi.fn();

function looked(at: DocumentVisibilityState): void {
    Object.defineProperty(document, 'visibilityState', { value: at, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
}
/** The browser gives the lock that was asked for first. */
async function given(): Promise<void> {
    const lock = { release: vi.fn(() => Promise.resolve()) };
    held.push(lock);
    answers.shift()?.(lock);
    await Promise.resolve();
    await Promise.resolve();
}

beforeEach(() => {
    held = [];
    answers = [];
    request = vi.fn(() => new Promise<Held>((done) => answers.push(done)));
    Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
    looked('visible');
});
afterEach(() => {
    Object.defineProperty(navigator, 'wakeLock', { value: undefined, configurable: true });
    looked('visible');
});

describe('a screen that is looked at with both hands in a cup', () => {
    test('does not go dark, until it is let go', async () => {
        const sleep = awake();
        expect(request).toHaveBeenCalledExactlyOnceWith('screen');
        await given();
        sleep();
        expect(held[0]?.release).toHaveBeenCalledOnce();
    });

    test('asks again when it is looked at again, and not while nobody looks', () => {
        const sleep = awake();
        looked('hidden');
        expect(request).toHaveBeenCalledTimes(1);
        looked('visible');
        expect(request).toHaveBeenCalledTimes(2);
        sleep();
        looked('visible');
        expect(request).toHaveBeenCalledTimes(2);
    });

    test('a lock that comes when the run is left already is given back at once', async () => {
        awake()();
        await given();
        expect(held[0]?.release).toHaveBeenCalledOnce();
    });

    test('a browser that has none, or refuses, is no trouble', async () => {
        request.mockImplementation(() => Promise.reject(new Error('low battery')));
        const sleep = awake();
        await Promise.resolve();
        expect(sleep).not.toThrow();
        Object.defineProperty(navigator, 'wakeLock', { value: undefined, configurable: true });
        expect(() => awake()()).not.toThrow();
    });
});

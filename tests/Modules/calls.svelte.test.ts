import { router } from '@inertiajs/svelte';
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import Calls from '../../resources/js/parts/Calls.svelte';
import { inShop } from './shown';

const heardSay = vi.hoisted(() => ({ knock: vi.fn(), say: vi.fn() }));
vi.mock('../../resources/js/lib/sound', () => ({ knock: heardSay.knock }));
vi.mock('../../resources/js/lib/tablet.svelte', async (whole) => ({ ...(await whole<object>()), say: heardSay.say }));

const NOW = Date.UTC(2027, 2, 3, 10);
type Called = { id: string; at_ms: number; what?: string; event?: string | null; event_ms?: number | null; title?: string };

/** What the strip calls hands for, and the page that stands open while it does. */
function called(...calls: Called[]): void {
    inShop({
        strip: {
            calls: calls.map((call) => ({
                what: 'Three minutes of pot life left',
                title: 'Nose · Casts',
                event: null,
                event_ms: null,
                href: '/pours/4/run',
                ...call,
            })),
        },
    });
}
const opens = (props: { said?: string | null; undo?: string | null; onward?: { words: string; href: string } | null } = {}): void =>
    void render(Calls, { props: { said: null, undo: null, onward: null, ...props } });
async function later(ms: number): Promise<void> {
    bench.now += ms;
    await vi.advanceTimersByTimeAsync(1000);
}
const words = (): string => (document.querySelector('.ringing')?.textContent ?? '').replace(/\s+/g, ' ').trim();

beforeEach(() => {
    vi.useFakeTimers({ now: NOW });
    bench.now = NOW;
});
afterEach(() => {
    cleanup();
    vi.useRealTimers();
    vi.restoreAllMocks();
    heardSay.knock.mockClear();
    heardSay.say.mockClear();
    bench.frame = null;
});

describe('hands that are called', () => {
    test('when it comes due: once on the screen, once aloud, with the job by name', async () => {
        called({ id: 'pour-4', at_ms: NOW + 60_000 });
        opens();
        await later(59_000);
        expect(words()).toBe('');
        await later(1500);
        expect(words()).toContain('Nose · Casts: three minutes of pot life left.');
        await later(5000);
        expect(heardSay.knock).toHaveBeenCalledOnce();
        expect(heardSay.say).toHaveBeenCalledExactlyOnceWith('Nose · Casts: Three minutes of pot life left.');
        expect(screen.getByRole('link', { name: 'Nose · Casts' }).getAttribute('href')).toBe('/pours/4/run');
    });

    test('what was due before the page was opened stands on the bench, and does not ring', async () => {
        called({ id: 'pour-4', at_ms: NOW - 30_000 });
        opens();
        await later(2000);
        expect(words()).toBe('');
        expect(heardSay.knock).not.toHaveBeenCalled();
    });

    test('where the bench slept through it nobody is called for what is long over', async () => {
        called({ id: 'pour-4', at_ms: NOW + 1000 });
        opens();
        await later(20 * 60_000);
        expect(words()).toBe('');
    });

    test('a muted bench shows it and is silent', async () => {
        called({ id: 'pour-4', at_ms: NOW + 1000 });
        inShop({ ...(bench.frame as object) }, { muted: true });
        opens();
        await later(2000);
        expect(words()).toContain('three minutes of pot life left');
        expect(heardSay.knock).not.toHaveBeenCalled();
        expect(heardSay.say).not.toHaveBeenCalled();
    });

    test('a window that is about to open is said with its time, and when it is open by its own words', async () => {
        called({
            id: 'b7:coat2',
            at_ms: NOW + 1000,
            what: 'Second coat in three minutes',
            event: 'Second coat',
            event_ms: NOW + 181_000,
            title: 'Glove',
        });
        opens();
        await later(2000);
        expect(words()).toMatch(/Glove: second coat at \d\d:\d\d\./);
        await later(180_000);
        expect(words()).toContain('Glove: second coat in three minutes.');
    });
});

describe('several at once', () => {
    test('lie over one another, the last on top, and each is heard by itself', async () => {
        called({ id: 'pour-4', at_ms: NOW + 1000, title: 'Nose' }, { id: 'pour-5', at_ms: NOW + 2000, title: 'Grip' });
        opens();
        await later(1500);
        await later(1500);
        expect(words()).toContain('Grip');
        expect(words()).toContain('1 more');
        await fireEvent.click(screen.getByRole('button', { name: /I heard/ }));
        expect(words()).toContain('Nose');
        await fireEvent.click(screen.getByRole('button', { name: /I heard/ }));
        expect(words()).toBe('');
    });

    test('the next call of the same work takes the place of the one before', async () => {
        called({ id: 'pour-4', at_ms: NOW + 1000, what: 'Mixing time is up' }, { id: 'pour-4', at_ms: NOW + 4000, what: 'Ready to open' });
        opens();
        await later(1500);
        expect(words()).toContain('mixing time is up');
        await later(3500);
        expect(words()).toContain('ready to open');
        await fireEvent.click(screen.getByRole('button', { name: /I heard/ }));
        expect(words()).toBe('');
        expect(heardSay.knock).toHaveBeenCalledTimes(2);
    });

    test('a frame that comes anew, with the same calls, rings nothing twice', async () => {
        called({ id: 'pour-4', at_ms: NOW + 1000 });
        opens();
        await later(1500);
        called({ id: 'pour-4', at_ms: NOW + 1000 });
        await later(1500);
        expect(heardSay.knock).toHaveBeenCalledOnce();
    });
});

describe('what the last page left to be said', () => {
    test('is said with its way back, and the way on', async () => {
        const back = vi.spyOn(router, 'post').mockImplementation(() => undefined);
        called();
        opens({
            said: '“Nose” is put away.',
            undo: '/jobs/7/restore',
            onward: { words: 'Print the labels', href: '/swatches/labels?ids=1' },
        });
        expect(screen.getByText(/is put away/)).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Print the labels' }).getAttribute('href')).toBe('/swatches/labels?ids=1');
        await fireEvent.click(screen.getByRole('button', { name: /back|undo/i }));
        expect(back).toHaveBeenCalledExactlyOnceWith('/jobs/7/restore');
    });
});

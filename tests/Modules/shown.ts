import { cleanup, render } from '@testing-library/svelte';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import type { FrameView } from '../../resources/js/types/server';

/** What every screen shares, as a shop that weighs in grams has it. */
export function inShop(more: Record<string, unknown> = {}, workshop: Record<string, unknown> = {}): void {
    bench.frame = {
        scale: false,
        simulated: false,
        ...more,
        workshop: { units: 'metric', scale_division_g: 0.1, currency: 'EUR', ...workshop },
    } as unknown as FrameView;
}

/** Each test of a part begins with a shop, and leaves nothing on the screen. */
export function onAScreen(): void {
    beforeEach(() => {
        inShop();
        localStorage.clear();
        // Nothing is laid out here: what asks how wide it is keeps what it began with.
        vi.stubGlobal(
            'ResizeObserver',
            class {
                observe = (): void => undefined;
                unobserve = (): void => undefined;
                disconnect = (): void => undefined;
            },
        );
        vi.stubGlobal('fetch', () => Promise.resolve(new Response('{"what":null}', { status: 200 })));
    });
    afterEach(() => {
        cleanup();
        bench.frame = null;
        vi.unstubAllGlobals();
        vi.restoreAllMocks();
    });
}

/** Puts a part on the screen, and a hand before it. */
export function show(part: Parameters<typeof render>[0], props: Record<string, unknown>): UserEvent {
    render(part, { props });
    return userEvent.setup();
}

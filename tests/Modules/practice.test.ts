import { afterEach, describe, expect, it, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import { practice } from '../../resources/js/lib/practice.svelte';
import type { FrameView } from '../../resources/js/types/server';

const frame = (more: Partial<FrameView>): FrameView =>
    ({
        strip: { now_ms: 1_000_000 },
        workshop: { time_zone: 'UTC', units: 'metric', scale_division_g: 0.1 },
        practice: null,
        ...more,
    }) as FrameView;

afterEach(() => {
    vi.useRealTimers();
    practice.id = null;
});

describe('a practice', () => {
    it('is said with every question that has no address of its own, and with no other', () => {
        expect(practice.headers('/frame')).toEqual({});
        practice.id = 7;
        for (const url of ['/frame', '/devices/scale/tare', '/typed?screen=x', '/practice/bench', '/workshop']) {
            expect(practice.headers(url), url).toEqual({ 'X-Practice': '7' });
        }
        for (const url of ['/pours/3/events', '/builds/2/state', '/find?q=x', '/away', '/practice/tries/7/end', '/jobs']) {
            expect(practice.headers(url), url).toEqual({});
        }
    });

    it('sets the pace of the clock, which is that of the bench again on any other page', () => {
        vi.useFakeTimers({ now: 50_000 });
        bench.take(frame({ practice: { id: 3, name: 'A heavy hand', rate: 10, calls: [] } }));
        expect(practice.id).toBe(3);
        expect(bench.now).toBe(1_000_000);
        vi.setSystemTime(56_000);
        bench.tick();
        expect(bench.now).toBe(1_060_000);
        // Jumped on, and sixty times as fast.
        bench.paces(2_000_000, 60);
        vi.setSystemTime(57_000);
        bench.tick();
        expect(bench.now).toBe(2_060_000);
        bench.take(frame({}));
        vi.setSystemTime(60_000);
        bench.tick();
        expect([practice.id, bench.now]).toEqual([null, 1_003_000]);
    });
});

import { router } from '@inertiajs/svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { ask } from '../../resources/js/lib/api';
import { bench } from '../../resources/js/lib/bench.svelte';
import { clockTime, setZone } from '../../resources/js/lib/when';
import type { FrameView } from '../../resources/js/types/server';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

const frame = (workshop: Partial<FrameView['workshop']> = {}, now = Date.now()): FrameView =>
    ({
        workshop: { units: 'metric', muted: false, scale_division_g: 0.1, time_zone: 'UTC', ...workshop },
        strip: { now_ms: now, calls: [] },
    }) as unknown as FrameView;

beforeEach(() => {
    vi.mocked(ask).mockReset();
    vi.mocked(router.reload).mockReset();
    bench.take(frame());
});

test('the clock runs on the time of the bench computer, whatever the tablet believes', () => {
    vi.useFakeTimers({ now: Date.parse('2026-03-04T10:00:00Z') });
    bench.take(frame({}, Date.parse('2026-03-04T10:07:30Z')));
    vi.advanceTimersByTime(60_000);
    bench.tick();
    expect(new Date(bench.now).toISOString()).toBe('2026-03-04T10:08:30.000Z');
    vi.useRealTimers();
});

test('a clock that is set back while the bench computer is away moves no moment', () => {
    vi.useFakeTimers({ now: Date.parse('2026-03-04T10:00:00Z') });
    bench.take(frame({}, Date.parse('2026-03-04T10:00:00Z')));
    vi.advanceTimersByTime(60_000);
    vi.setSystemTime(Date.parse('2026-03-03T10:01:00Z'));
    bench.tick();
    expect([new Date(bench.now).toISOString(), bench.clockOff]).toEqual(['2026-03-04T10:01:00.000Z', true]);
    vi.advanceTimersByTime(30_000);
    bench.tick();
    expect(new Date(bench.now).toISOString()).toBe('2026-03-04T10:01:30.000Z');

    // After a flat battery it begins a year ago: not before what was kept last.
    bench.take(frame({}, Date.parse('2026-03-04T12:00:00Z')), Date.parse('2026-03-04T12:00:00Z'));
    expect([new Date(bench.now).toISOString(), bench.clockOff]).toEqual(['2026-03-04T12:00:00.000Z', true]);
    bench.take(frame({}, Date.now()));
    expect(bench.clockOff).toBe(false);
    vi.useRealTimers();
});

test('a page that was kept goes on from then', () => {
    vi.useFakeTimers({ now: Date.parse('2026-03-04T10:20:00Z') });
    bench.take(frame({}, Date.parse('2026-03-04T10:07:30Z')), Date.parse('2026-03-04T10:00:00Z'));
    expect(new Date(bench.now).toISOString()).toBe('2026-03-04T10:27:30.000Z');
    vi.useRealTimers();
});

test('hours are those of the workshop as soon as it is known where it stands', () => {
    bench.take(frame({ time_zone: 'Asia/Kolkata' }));
    expect(clockTime(Date.parse('2026-03-04T10:00:00Z'))).toBe('15:30');
    setZone('UTC');
});

test.each([
    [0.1, 1],
    [0.01, 2],
    [1, 0],
])('a scale in steps of %d g is shown with %d decimals', (division, decimals) => {
    bench.take(frame({ scale_division_g: division }));
    expect(bench.fine).toBe(decimals);
});

describe('what holds for the whole bench', () => {
    test('a change of units loads what was said once more; any other does not', async () => {
        vi.mocked(ask).mockResolvedValueOnce({ ok: true, data: frame({ muted: true }) });
        expect(await bench.change({ muted: true })).toBeNull();
        expect([bench.muted, vi.mocked(router.reload).mock.calls.length]).toEqual([true, 0]);
        vi.mocked(ask).mockResolvedValueOnce({ ok: true, data: frame({ units: 'imperial' }) });
        await bench.change({ units: 'imperial' });
        expect([bench.units, vi.mocked(router.reload).mock.calls.length]).toEqual(['imperial', 1]);
    });

    test('what was not taken is said, and everything stays', async () => {
        const wrong = { field: 'scale_division_g', message: 'More than 0.' };
        vi.mocked(ask).mockResolvedValueOnce({ ok: false, offline: false, status: 422, wrong, data: null });
        expect(await bench.change({ scale_division_g: 0 })).toEqual(wrong);
        expect(bench.fine).toBe(1);
    });

    test('units nobody knows are metric', () => {
        bench.take(frame({ units: 'furlongs' }));
        expect(bench.units).toBe('metric');
    });
});

import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ask } from '../../resources/js/lib/api';
import { bench } from '../../resources/js/lib/bench.svelte';
import { LiveScale } from '../../resources/js/lib/scale.svelte';
import type { FrameView, ScaleView } from '../../resources/js/types/server';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

const reads = (more: Partial<ScaleView> = {}): ScaleView => ({
    grams: 12.5,
    stable: true,
    overload: false,
    lost: null,
    unit: 'g',
    held_by: null,
    trouble: null,
    ...more,
});
const other: ScaleView['held_by'] = { title: 'Sole', href: '/pours/9/run' } as unknown as ScaleView['held_by'];

beforeEach(() => {
    vi.useFakeTimers();
    vi.mocked(ask).mockReset();
    bench.frame = { scale: true, workshop: { units: 'metric' } } as unknown as FrameView;
});
afterEach(() => vi.useRealTimers());

const heard = async (answer: unknown): Promise<LiveScale> => {
    vi.mocked(ask).mockResolvedValueOnce(answer as never);
    const scale = new LiveScale('run:12');
    await scale.takeOver();
    return scale;
};

describe('what of a scale may be believed', () => {
    test('a sound reading', async () => {
        const scale = await heard({ ok: true, data: reads() });
        expect([scale.grams, scale.speaks, scale.sound]).toEqual([12.5, true, true]);
    });

    test('an overload is no weight', async () => {
        expect((await heard({ ok: true, data: reads({ overload: true }) })).grams).toBeNull();
    });

    test('a display that was put to zero still speaks, but is not sound', async () => {
        const scale = await heard({
            ok: true,
            data: reads({ trouble: { kind: 'set-to-zero', says: '' } as unknown as ScaleView['trouble'] }),
        });
        expect([scale.speaks, scale.sound]).toEqual([true, false]);
    });

    test('one that serves another weigh-up says nothing here', async () => {
        const scale = await heard({
            ok: false,
            status: 409,
            offline: false,
            wrong: { field: '', message: '' },
            data: reads({ held_by: other }),
        });
        expect([scale.grams, scale.reading.held_by]).toEqual([null, other]);
    });

    test('no answer is a lost scale, with the sentence', async () => {
        const scale = await heard({ ok: false, status: 0, offline: true, wrong: { field: '', message: 'No answer.' }, data: null });
        expect([scale.speaks, scale.reading.lost]).toEqual([false, 'With the bench computer the scale is gone: type what it reads.']);
    });
});

test('each weigh-up asks for itself, one question at a time, and stops when told', async () => {
    let answer: () => void = () => undefined;
    vi.mocked(ask).mockImplementation(() => new Promise((done) => (answer = () => done({ ok: true, data: reads() } as never))));
    const came = vi.fn();
    const stop = new LiveScale('series:3').listen(() => true, came);
    await vi.advanceTimersByTimeAsync(1000);
    expect(vi.mocked(ask).mock.calls).toEqual([['POST', '/devices/scale/watch', { for: 'series:3' }]]);
    answer();
    await vi.advanceTimersByTimeAsync(250);
    expect(came).toHaveBeenCalledOnce();
    expect(ask).toHaveBeenCalledTimes(2);
    stop();
    answer();
    await vi.advanceTimersByTimeAsync(1000);
    expect(ask).toHaveBeenCalledTimes(2);
});

test('nothing is asked while no step wants it, or where there is no scale', async () => {
    new LiveScale('run:1').listen(() => false, vi.fn());
    bench.frame = { scale: false, workshop: { units: 'metric' } } as unknown as FrameView;
    new LiveScale('run:2').listen(() => true, vi.fn());
    await vi.advanceTimersByTimeAsync(1000);
    expect(ask).not.toHaveBeenCalled();
});

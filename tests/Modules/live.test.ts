import { beforeEach, describe, expect, test, vi } from 'vitest';
import { ask } from '../../resources/js/lib/api';
import { LiveRun } from '../../resources/js/lib/run.svelte';
import { LiveSeries } from '../../resources/js/lib/series.svelte';
import type { RunView, SeriesRunView } from '../../resources/js/types/server';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

type Sent = { key: string; kind: string; payload: Record<string, unknown> };
const posted = (): { url: string; fact: Sent }[] =>
    vi
        .mocked(ask)
        .mock.calls.filter(([method]) => method === 'POST')
        .map(([, url, body]) => ({ url, fact: body as Sent }));
const last = (): Sent | undefined => posted().at(-1)?.fact;

const run = (more: Partial<RunView> = {}): RunView =>
    ({
        pour_id: 12,
        last_fact_id: 7,
        step: { key: '1:weigh:0', kind: 'weigh' },
        take_back: { of: 7, kind: 'confirmed', grams: null, name: null },
        ...more,
    }) as RunView;
const series = (more: Partial<SeriesRunView> = {}): SeriesRunView =>
    ({ id: 3, last_fact_id: 4, next: { vessel: 'puck-1', line: 1 }, met_ms: null, take_back: null, ...more }) as SeriesRunView;

beforeEach(() => {
    localStorage.clear();
    vi.mocked(ask).mockReset();
    vi.mocked(ask).mockResolvedValue({ ok: false, offline: false, status: 409, wrong: { field: '', message: 'Moved on.' }, data: null });
});

describe('a run', () => {
    test('what is confirmed is named by the step and by what was known: the same press is the same fact', async () => {
        const live = new LiveRun(run());
        await live.confirm();
        await live.confirm();
        expect(posted().map(({ url, fact }) => [url, fact.key])).toEqual([
            ['/pours/12/events', '1:weigh:0/confirmed/7/'],
            ['/pours/12/events', '1:weigh:0/confirmed/7/'],
        ]);
        live.take(run({ last_fact_id: 8, step: { ...run().step, key: '1:weigh:1' } }));
        await live.confirm();
        expect(last()?.key).toBe('1:weigh:1/confirmed/8/');
    });

    test('every note is its own, also the same words twice', async () => {
        const live = new LiveRun(run());
        await live.note('Bubbles', null);
        await live.note('Bubbles', 'bubbles');
        const [one, two] = posted().map(({ fact }) => fact);
        expect(one?.key).not.toBe(two?.key);
        expect(two?.payload).toEqual({ text: 'Bubbles', fault: 'bubbles' });
    });

    test('where the display counts from is said with what is in of the line', async () => {
        await new LiveRun(run()).count(0, 34.5);
        expect(last()).toMatchObject({ kind: 'counted', payload: { step: '1:weigh:0', reading_g: 0, in_line_g: 34.5 } });
    });

    test('taking back names the fact; with nothing to take back nothing is sent', async () => {
        await new LiveRun(run()).takeBack();
        expect(last()).toMatchObject({ kind: 'undone', payload: { of: 7 } });
        await new LiveRun(run({ take_back: null })).takeBack();
        expect(posted()).toHaveLength(1);
    });

    test('that both screens saw A meet B is agreement; any other refusal is said', async () => {
        const live = new LiveRun(run());
        await live.record('met', { step: '1:weigh:0' });
        expect(live.trouble).toBeNull();
        await live.confirm();
        expect(live.trouble).toBe('Moved on.');
    });

    test('it looks what other screens did, but never back before what it knows', async () => {
        const live = new LiveRun(run());
        vi.mocked(ask).mockResolvedValueOnce({ ok: true, data: run({ last_fact_id: 5 }) });
        await live.look();
        expect(live.run.last_fact_id).toBe(7);
        vi.mocked(ask).mockResolvedValueOnce({ ok: true, data: run({ last_fact_id: 9 }) });
        await live.look();
        expect(live.run.last_fact_id).toBe(9);
    });

    test('while something of its own is on the way it does not look', async () => {
        const live = new LiveRun(run());
        vi.mocked(ask).mockResolvedValue({ ok: false, offline: true, status: 0, wrong: { field: '', message: '' }, data: null });
        await live.confirm();
        vi.mocked(ask).mockClear();
        await live.look();
        expect(ask).not.toHaveBeenCalled();
    });
});

describe('a series', () => {
    test('grams go to the vessel and the line that are asked for', async () => {
        const live = new LiveSeries(series());
        await live.put(12.4);
        expect(posted()[0]).toMatchObject({
            url: '/swatches/series/3/facts',
            fact: { kind: 'put', key: 'put/4/', payload: { vessel: 'puck-1', line: 1, reading_g: 12.4 } },
        });
        await live.tared('puck-2');
        expect(last()?.payload).toEqual({ vessel: 'puck-2' });
        await live.count(3.2, 1.1);
        expect(last()?.payload).toEqual({ vessel: 'puck-1', reading_g: 3.2, in_line_g: 1.1 });
    });

    test('where nothing is asked for any more, nothing is put', async () => {
        const live = new LiveSeries(series({ next: null, met_ms: 1 }));
        await Promise.all([live.put(1), live.count(1, 0), live.met(), live.takeBack()]);
        expect(posted()).toEqual([]);
    });

    test('what is written by hand is a fact each time: the last word stands', async () => {
        vi.useFakeTimers();
        const live = new LiveSeries(series());
        await live.write('plain-cup', 0, 40);
        vi.advanceTimersByTime(5);
        await live.write('plain-cup', 0, 41);
        vi.useRealTimers();
        expect(new Set(posted().map(({ fact }) => fact.key)).size).toBe(2);
        expect(last()?.payload).toEqual({ vessel: 'plain-cup', line: 0, grams: 41 });
    });

    test('the clock can be started and, where it had not met, stopped', async () => {
        const live = new LiveSeries(series());
        await live.met();
        await live.unmet();
        expect(posted().map(({ fact }) => fact.kind)).toEqual(['met', 'unmet']);
    });
});

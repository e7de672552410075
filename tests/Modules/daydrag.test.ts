import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { DayDrag, put, STEP_MS } from '../../resources/js/lib/daydrag.svelte';

type Waiting = { body: { id: string; at_ms: number; key?: string }; answer: (body: unknown, status?: number) => void };

let waiting: Waiting[] = [];
const at = (x: number): PointerEvent => ({ clientX: x }) as PointerEvent;
const settled = async (): Promise<void> => {
    for (let i = 0; i < 8; i++) {
        await Promise.resolve();
    }
    await new Promise((done) => setTimeout(done, 0));
};

beforeEach(() => {
    waiting = [];
    vi.stubGlobal(
        'fetch',
        (_: string, request: { body: string }) =>
            new Promise<Response>((done) =>
                waiting.push({
                    body: JSON.parse(request.body) as Waiting['body'],
                    answer: (body, status = 200) => done(new Response(JSON.stringify(body), { status })),
                }),
            ),
    );
});
afterEach(() => vi.unstubAllGlobals());

test('it goes in steps of five minutes, and asks once for each', async () => {
    const drag = new DayDrag();
    const from = 1_000 * STEP_MS;
    drag.hold(at(100), 'open', from);
    // A minute a pixel: two pixels are no step yet, three are one.
    drag.pull(at(102), 60_000);
    await settled();
    expect([drag.at, waiting.length]).toEqual([from, 0]);
    drag.pull(at(103), 60_000);
    drag.pull(at(104), 60_000);
    await settled();
    expect([drag.at - from, waiting.length]).toEqual([STEP_MS, 1]);
    drag.pull(at(88), 60_000);
    await settled();
    expect([(drag.at - from) / STEP_MS, waiting.length, waiting[1]?.body]).toEqual([-2, 2, { id: 'open', at_ms: from - 2 * STEP_MS }]);
});

test('an answer that comes late is not listened to', async () => {
    const drag = new DayDrag();
    drag.hold(at(0), 'open', 0);
    drag.pull(at(5), 60_000);
    drag.pull(at(10), 60_000);
    await settled();
    waiting[1]?.answer({ ok: true, why: '', starts: { grade: 77 } });
    await settled();
    waiting[0]?.answer({ ok: false, why: 'Its window has shut by then.', starts: {} });
    await settled();
    expect([drag.trial?.ok, drag.start('grade', 5), drag.start('open', 5)]).toEqual([true, 77, 2 * STEP_MS]);
});

test('let go it is where it was put, or nowhere else, and what is still asked is forgotten', async () => {
    const drag = new DayDrag();
    drag.hold(at(0), 'open', 0);
    expect(drag.drop()).toBeNull();
    drag.hold(at(0), 'open', 0);
    drag.pull(at(5), 60_000);
    expect(drag.drop()).toEqual({ id: 'open', at: STEP_MS });
    await settled();
    waiting[0]?.answer({ ok: true, why: '', starts: { grade: 77 } });
    await settled();
    expect([drag.trial, drag.start('grade', 5)]).toEqual([null, 5]);
    drag.pull(at(50), 60_000);
    await settled();
    expect(waiting).toHaveLength(1);
});

test('what cannot be is said, and everything stays where it is planned', async () => {
    const drag = new DayDrag();
    drag.hold(at(0), 'open', 0);
    drag.pull(at(5), 60_000);
    await settled();
    waiting[0]?.answer({ error: { field: 'at_ms', message: 'It has begun.' } }, 422);
    await settled();
    expect([drag.trial?.ok, drag.trial?.why, drag.start('grade', 5)]).toEqual([false, 'It has begun.', 5]);
});

test('put there for good each press has its key, and a refusal its sentence', async () => {
    const one = put('open', 300_000);
    const two = put('open', null);
    await settled();
    waiting[0]?.answer({ plan: 1 });
    waiting[1]?.answer({ error: { field: 'id', message: 'It is done.' } }, 422);
    expect([await one, await two]).toEqual([
        { told: { plan: 1 }, wrong: null },
        { told: null, wrong: 'It is done.' },
    ]);
    expect(waiting[0]?.body.key).toMatch(/^put\/300000\//);
    expect(waiting[1]?.body.key).toMatch(/^put\/null\//);
});

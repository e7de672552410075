import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { printer } from '../../resources/js/lib/printer.svelte';
import type { PrintQueueView } from '../../resources/js/types/server';

vi.mock('../../resources/js/lib/drawnLabel', () => ({
    drawn: (text: { title: string }) => Promise.resolve(`pbm of ${text.title}`),
}));

type Label = PrintQueueView['labels'][number];
const label = (state: string, why: string | null = null): Label => ({ id: 1, what: 'kit', state, why }) as unknown as Label;
const queue = (labels: Label[]): PrintQueueView => ({ labels, at_a_press: 3, roll: { width_mm: 50 } }) as unknown as PrintQueueView;
const texts = (many: number): Parameters<typeof printer.print>[0] =>
    Array.from({ length: many }, (_, i) => ({ what: 'kit', text: { title: `K${String(i)}` } as never }));

let asked: { method: string; url: string; body: { labels?: { pbm: string }[] } | null }[] = [];
let answers: (() => Response | Promise<Response>)[] = [];
const ok = (body: unknown): Response => new Response(JSON.stringify(body), { status: 200 });

beforeEach(() => {
    vi.useFakeTimers();
    [asked, answers] = [[], []];
    vi.stubGlobal('fetch', (url: string, request: { method: string; body: string | null }) => {
        asked.push({
            method: request.method,
            url,
            body: request.body === null ? null : (JSON.parse(request.body) as { labels?: { pbm: string }[] }),
        });
        return Promise.resolve((answers.shift() ?? ((): Response => ok(queue([]))))());
    });
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

describe('labels of one press', () => {
    test('go in parcels as large as the printer takes, in their order', async () => {
        expect(await printer.print(texts(7))).toBe(true);
        expect(asked.map(({ method, body }) => [method, body?.labels?.map(({ pbm }) => pbm)])).toEqual([
            ['GET', undefined],
            ['POST', ['pbm of K0', 'pbm of K1', 'pbm of K2']],
            ['POST', ['pbm of K3', 'pbm of K4', 'pbm of K5']],
            ['POST', ['pbm of K6']],
        ]);
        expect([printer.busy, printer.wrong]).toEqual([false, null]);
    });

    test('where a parcel is refused those behind it are not sent, and why is said', async () => {
        const refused = (): Response =>
            new Response(JSON.stringify({ error: { field: '', message: 'The roll is at its end.' } }), { status: 422 });
        answers = [(): Response => ok(queue([])), refused];
        expect(await printer.print(texts(7))).toBe(false);
        expect([asked.length, printer.wrong, printer.busy]).toEqual([2, 'The roll is at its end.', false]);
    });

    test('where nobody answers nothing is drawn for nothing', async () => {
        answers = [(): Promise<Response> => Promise.reject(new TypeError('away'))];
        expect(await printer.print(texts(2))).toBe(false);
        expect([asked.length, printer.wrong]).toEqual([1, expect.stringContaining('does not answer')]);
    });
});

describe('what waits', () => {
    test('is looked after while it prints, and no longer', async () => {
        answers = [(): Response => ok(queue([label('printing')])), (): Response => ok(queue([label('done')]))];
        await printer.look();
        await vi.advanceTimersByTimeAsync(2000);
        await vi.advanceTimersByTimeAsync(20_000);
        expect(asked).toHaveLength(2);
    });

    test('for somebody to do something is said, and not asked after all day', async () => {
        answers = [(): Response => ok(queue([label('waiting', 'Its lid is open.'), label('waiting', 'Its lid is open.')]))];
        await printer.look();
        await vi.advanceTimersByTimeAsync(60_000);
        expect([asked.length, printer.why]).toEqual([1, 'Its lid is open.']);
    });

    test('is taken off, sent again, printed anew: each by its own door', async () => {
        await printer.again();
        await printer.takeOff(4);
        await printer.anew(5);
        expect(await printer.roll({ width_mm: 40 })).toBe(true);
        expect(asked.map(({ method, url }) => `${method} ${url}`)).toEqual([
            'POST /labels/again',
            'DELETE /labels/4',
            'POST /labels/5',
            'PUT /labels/roll',
        ]);
    });
});

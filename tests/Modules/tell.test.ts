import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Tell } from '../../resources/js/lib/tell.svelte';

type Sent = { key: string; kind: string; payload: Record<string, unknown> };

let sent: Sent[] = [];
let answers: (() => Promise<Response>)[] = [];
const ok = (body: unknown): Response => new Response(JSON.stringify(body), { status: 200 });

beforeEach(() => {
    [sent, answers] = [[], []];
    vi.stubGlobal('fetch', (_: string, request: { body: string }) => {
        sent.push(JSON.parse(request.body) as Sent);
        return (answers.shift() ?? (() => Promise.resolve(ok({ n: sent.length }))))();
    });
});
afterEach(() => vi.unstubAllGlobals());

test('what was told is shown as the server reads it', async () => {
    const told = new Tell<{ n: number }>({ n: 0 }, '/rack/3/facts');
    expect(await told.tell('washed', { why: 'dust' })).toBe(true);
    expect([told.view.n, told.trouble, sent[0]?.kind, sent[0]?.payload]).toEqual([1, null, 'washed', { why: 'dust' }]);
});

test('sent again because no answer came it is the same fact; said once more after it arrived it is another', async () => {
    const told = new Tell<{ n: number }>({ n: 0 }, '/rack/3/facts');
    answers = [() => Promise.reject(new TypeError('away'))];
    expect(await told.tell('counted', { left_g: 300 })).toBe(false);
    expect(told.trouble).toContain('does not answer');
    expect(await told.tell('counted', { left_g: 300 })).toBe(true);
    expect(told.trouble).toBeNull();
    await told.tell('counted', { left_g: 300 });
    const keys = sent.map((one) => one.key);
    expect(keys[0]).toBe(keys[1]);
    expect(keys[2]).not.toBe(keys[1]);
});

test('something else said after an answer was lost has a key of its own', async () => {
    const told = new Tell<{ n: number }>({ n: 0 }, '/rack/3/facts');
    answers = [() => Promise.reject(new TypeError('away'))];
    await told.tell('counted', { left_g: 300 });
    await told.tell('counted', { left_g: 310 });
    expect(sent[0]?.key).not.toBe(sent[1]?.key);
});

test('a second press while the first is on its way tells nothing', async () => {
    const told = new Tell<{ n: number }>({ n: 0 }, '/rack/3/facts');
    let answer: (response: Response) => void = () => undefined;
    answers = [() => new Promise((done) => (answer = done))];
    const first = told.tell('washed');
    expect([told.busy, await told.tell('washed')]).toEqual([true, false]);
    answer(ok({ n: 7 }));
    expect([await first, told.busy, told.view.n, sent.length]).toEqual([true, false, 7, 1]);
});

test('what is refused is said, and what stood there stands', async () => {
    const told = new Tell<{ n: number }>({ n: 4 }, '/rack/3/facts');
    const message = 'It has not been washed yet.';
    answers = [() => Promise.resolve(new Response(JSON.stringify({ error: { field: 'kind', message } }), { status: 422 }))];
    expect([await told.tell('dried'), told.trouble, told.view.n]).toEqual([false, message, 4]);
});

import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ask } from '../../resources/js/lib/api';

const fetched = vi.fn();
beforeEach(() => {
    fetched.mockReset();
    vi.stubGlobal('fetch', fetched);
});
afterEach(() => vi.unstubAllGlobals());

const answers = (status: number, body: unknown): void => {
    fetched.mockResolvedValueOnce(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));
};

test('a question goes out as JSON with the token of this session', async () => {
    document.cookie = 'XSRF-TOKEN=a%3Db';
    answers(200, { grams: 12.5 });
    expect(await ask('POST', '/formulas/reckon', { mass_g: 100 })).toEqual({ ok: true, data: { grams: 12.5 } });
    const [url, sent] = fetched.mock.calls[0] as [string, RequestInit];
    expect([url, sent.method, sent.body]).toEqual(['/formulas/reckon', 'POST', '{"mass_g":100}']);
    expect(sent.headers).toMatchObject({ Accept: 'application/json', 'X-XSRF-TOKEN': 'a=b' });
});

test('a question without anything to say sends nothing', async () => {
    answers(200, {});
    await ask('GET', '/frame');
    expect((fetched.mock.calls[0] as [string, RequestInit])[1].body).toBeNull();
});

describe('every answer is one, also no answer', () => {
    test('no network', async () => {
        fetched.mockRejectedValueOnce(new TypeError('Failed to fetch'));
        expect(await ask('GET', '/frame')).toMatchObject({
            ok: false,
            offline: true,
            status: 0,
            wrong: { message: expect.stringContaining('kept here') as string },
        });
    });

    test('a refusal says at which field, and what to do', async () => {
        answers(422, { error: { field: 'base.ratio.a', message: 'This must be more than 0; it was -1.' } });
        expect(await ask('POST', '/x', {})).toMatchObject({
            ok: false,
            offline: false,
            status: 422,
            wrong: { field: 'base.ratio.a', message: 'This must be more than 0; it was -1.' },
        });
    });

    test('a conflict brings how things stand', async () => {
        answers(409, { error: { field: 'step', message: 'Done already.' }, run: { pour_id: 1 } });
        expect(await ask('POST', '/x', {})).toMatchObject({ ok: false, status: 409, data: { run: { pour_id: 1 } } });
    });

    test.each([
        [500, false],
        [502, true],
        [503, true],
        [504, true],
    ])('%d: offline %s', async (status, offline) => {
        answers(status, '<html>no JSON</html>');
        const answer = await ask('GET', '/x');
        expect(answer).toMatchObject({ ok: false, offline, status, data: null });
        expect(answer.ok ? '' : answer.wrong.message).toContain('nothing confirmed is lost');
    });

    test('a session that has grown old says to load the page again', async () => {
        answers(419, { message: 'CSRF token mismatch.' });
        const answer = await ask('POST', '/x', {});
        expect(answer.ok ? '' : answer.wrong.message).toContain('Load it again');
    });
});

import { afterEach, expect, test, vi } from 'vitest';
import { ask } from '../../resources/js/lib/api';
import { renew, renewing, token } from '../../resources/js/lib/token';

const answers = (...statuses: number[]): ReturnType<typeof vi.fn> => {
    const fetched = vi.fn();
    for (const status of statuses) {
        fetched.mockResolvedValueOnce(new Response(status === 204 ? null : '{}', { status }));
    }
    vi.stubGlobal('fetch', fetched);
    return fetched;
};

afterEach(() => {
    vi.unstubAllGlobals();
});

test('the token is read off the cookie as it is now', () => {
    document.cookie = 'XSRF-TOKEN=a%3Db';
    expect(token()).toBe('a=b');
});

test('what is refused for its token is sent once more with a new one', async () => {
    const fetched = answers(419, 204, 200);
    const answer = await ask('POST', '/pours/1/events', { key: 'k' });

    expect(answer.ok).toBe(true);
    expect(fetched.mock.calls.map((call) => String(call[0]))).toEqual(['/pours/1/events', '/token', '/pours/1/events']);
});

test('it is not sent for ever', async () => {
    const fetched = answers(419, 204, 419);
    const answer = await ask('POST', '/pours/1/events', {});

    expect(answer.ok).toBe(false);
    expect(answer.ok ? 0 : answer.status).toBe(419);
    expect(fetched).toHaveBeenCalledTimes(3);
});

test('where no new token is to be had, the refusal stands', async () => {
    answers(500);
    let sent = 0;
    const answer = await renewing(() => Promise.resolve({ status: 419, sent: ++sent }));

    expect(answer).toEqual({ status: 419, sent: 1 });
});

test('any other answer is nobody’s business here', async () => {
    const fetched = answers();
    expect(await renewing(() => Promise.resolve({ status: 422 }))).toEqual({ status: 422 });
    expect(fetched).not.toHaveBeenCalled();
});

test('those who ask at once take one token', async () => {
    const fetched = vi.fn(
        () =>
            new Promise<Response>((done) =>
                setTimeout(() => {
                    done(new Response(null, { status: 204 }));
                }, 5),
            ),
    );
    vi.stubGlobal('fetch', fetched);
    expect(await Promise.all([renew(), renew(), renew()])).toEqual([true, true, true]);
    expect(fetched).toHaveBeenCalledTimes(1);
    expect(await renew()).toBe(true);
    expect(fetched).toHaveBeenCalledTimes(2);
    vi.unstubAllGlobals();
});

import { flushSync, tick } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Typing } from '../../resources/js/lib/typing.svelte';

type Form = { name: string; many: number };

/** A bench computer that keeps what it is sent. */
let held: Record<string, unknown>;
let asked: string[];

beforeEach(() => {
    held = {};
    asked = [];
    localStorage.clear();
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] });
    vi.stubGlobal('fetch', (url: string, init: { method: string; body: string | null }) => {
        asked.push(init.method);
        const body = JSON.parse(init.body ?? '{}') as { screen?: string; what?: unknown };
        if (init.method === 'PUT') {
            held[body.screen ?? ''] = body.what;
        } else if (init.method === 'DELETE') {
            held = {};
        }
        const screen = decodeURIComponent(url.split('screen=')[1] ?? '');
        return Promise.resolve(new Response(JSON.stringify({ what: held[screen] ?? null })));
    });
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

const settle = async (): Promise<void> => {
    flushSync();
    await vi.advanceTimersByTimeAsync(1500);
    await tick();
    flushSync();
};

/** A screen with a form on it, until it is left. */
function screen(run: (typing: Typing<Form>) => void | Promise<void>): Promise<void> {
    let typing: Typing<Form> | undefined;
    const leave = $effect.root(() => {
        typing = new Typing<Form>('job', { name: '', many: 1 });
    });
    return (async () => {
        await settle();
        if (typing !== undefined) {
            await run(typing);
        }
        await settle();
        leave();
    })();
}

describe('what is typed and not handed in', () => {
    it('stands here again after a reload', async () => {
        await screen((typing) => {
            typing.value.name = 'Owl brow';
        });
        await screen((typing) => {
            expect(typing.value).toEqual({ name: 'Owl brow', many: 1 });
            expect(typing.again).toBe(true);
        });
    });

    it('is found on another screen, whose browser has never seen it', async () => {
        await screen((typing) => {
            typing.value.name = 'Owl brow';
        });
        localStorage.clear();
        await screen((typing) => {
            expect(typing.value.name).toBe('Owl brow');
        });
    });

    it('is gone everywhere once it is handed in', async () => {
        await screen(async (typing) => {
            typing.value.name = 'Owl brow';
            await settle();
            typing.forget();
        });
        await screen((typing) => {
            expect(typing.value).toEqual({ name: '', many: 1 });
        });
        expect(held).toEqual({});
    });

    it('is sent again when the bench computer was away', async () => {
        const answers = globalThis.fetch;
        vi.stubGlobal('fetch', () => Promise.reject(new Error('gone')));
        await screen((typing) => {
            typing.value.many = 4;
        });
        vi.stubGlobal('fetch', answers);
        await screen((typing) => {
            expect(typing.value.many).toBe(4);
        });
        expect(held.job).toEqual({ name: '', many: 4 });
    });

    it('is forgotten after two days, and not sent while nothing is typed', async () => {
        await screen((typing) => {
            typing.value.name = 'Old';
        });
        held = {};
        vi.setSystemTime(Date.now() + 49 * 3_600_000);
        asked = [];
        await screen((typing) => {
            expect(typing.value.name).toBe('');
        });
        expect(asked).not.toContain('PUT');
    });

    it('is forgotten also where it was still on its way as it was handed in, and not found again by the next form', async () => {
        const late: (() => void)[] = [];
        const bench = globalThis.fetch;
        vi.stubGlobal('fetch', (url: string, init: { method: string; body: string | null }) =>
            init.method === 'PUT'
                ? // It takes its time, and is written down only as it is answered.
                  new Promise((done) => late.push(() => done(bench(url, init as RequestInit))))
                : bench(url, init as RequestInit),
        );
        await screen(async (typing) => {
            typing.value.many = 4;
            await settle();
            expect(late).toHaveLength(1);
            typing.forget();
            await settle();
            late[0]?.();
            await settle();
        });
        expect(held).toEqual({});
        expect(asked.filter((method) => method !== 'GET')).toEqual(['PUT', 'DELETE']);
        await screen((typing) => {
            expect([typing.value.many, typing.again]).toEqual([1, false]);
        });
    });
});

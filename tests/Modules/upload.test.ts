import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Upload } from '../../resources/js/lib/upload.svelte';

const PIECE = 2 * 1024 * 1024;
type Asked = { method: string; url: string; size: number; body: unknown };

let asked: Asked[] = [];
let answering: (one: Asked) => Response | Promise<Response>;
const ok = (body: unknown = {}): Response => new Response(JSON.stringify(body), { status: 200 });
const file = (bytes: number): File => new File([new Uint8Array(bytes)], 'puppet boot.stl');

beforeEach(() => {
    [asked, answering] = [[], (): Response => ok({ model: 9 })];
    vi.stubGlobal('fetch', (url: string, request: { method: string; body: Blob | string | null }) => {
        const { body } = request;
        const one = { method: request.method, url, size: body instanceof Blob ? body.size : 0, body };
        asked.push(one);
        return Promise.resolve(answering(one));
    });
});
afterEach(() => vi.unstubAllGlobals());

test('it goes piece by piece, each at its place, and then it is said what it is', async () => {
    const upload = new Upload();
    expect(await upload.send(file(2 * PIECE + 5), { job: 4 })).toEqual({ model: 9 });
    expect(asked.map(({ method, size }) => [method, size])).toEqual([
        ['PUT', PIECE],
        ['PUT', PIECE],
        ['PUT', 5],
        ['POST', 0],
    ]);
    expect(asked.slice(0, 3).map(({ url }) => new URL(url, 'http://bench').searchParams.get('at'))).toEqual([
        '0',
        String(PIECE),
        String(2 * PIECE),
    ]);
    const id = /uploads\/([0-9a-z-]+)/.exec(asked[0]?.url ?? '')?.[1];
    expect(JSON.parse(String(asked[3]?.body))).toEqual({ upload: id, name: 'puppet boot.stl', job: 4 });
    expect([upload.share, upload.under, upload.says]).toEqual([1, false, null]);
});

test('stopped on the way it is taken back, and no more of it is sent', async () => {
    const upload = new Upload();
    answering = (one): Response => {
        if (one.method === 'PUT') {
            upload.stop();
        }
        return ok();
    };
    expect(await upload.send(file(3 * PIECE), {})).toBeNull();
    expect(asked.map(({ method }) => method)).toEqual(['PUT', 'DELETE']);
    expect([upload.says, upload.under]).toEqual(['Stopped: nothing of it was kept.', false]);
});

test('an empty file is said before anything is sent', async () => {
    const upload = new Upload();
    expect(await upload.send(file(0), {})).toBeNull();
    expect([asked.length, upload.says]).toEqual([0, 'The file is empty. Export the model again.']);
});

test('what the bench computer says of it is said; where it does not answer that is said, and it can be sent anew', async () => {
    const upload = new Upload();
    answering = (): Response => new Response(JSON.stringify({ error: { message: 'That is no model.' } }), { status: 422 });
    await upload.send(file(10), {});
    expect(upload.says).toBe('That is no model.');
    answering = (): Promise<Response> => Promise.reject(new TypeError('away'));
    await upload.send(file(10), {});
    expect(upload.says).toContain('does not answer');
    answering = (): Response => new Response('<html>', { status: 500 });
    await upload.send(file(10), {});
    expect(upload.says).toContain('did not take the file');
    answering = (): Response => ok({ model: 1 });
    expect(await upload.send(file(10), {})).toEqual({ model: 1 });
    expect(upload.says).toBeNull();
});

/// <reference lib="webworker" />
/**
 * Stands between the pages and the network: the application itself, and the last look of what was looked at, open without the bench
 * computer as well. It changes nothing and sends nothing: what is told waits in the pages' own store.
 */
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { asKept, documentOf, isKept, isPage, keyOf, LOOKS, pageOf, unknown, walkable, type Page } from './looks';

declare const self: ServiceWorkerGlobalScope;

const SHELL = 'shell';
const KEPT_AT = 'x-kept-at';
/** Longer than this nobody waits for a page that is here already. */
const PATIENCE_MS = 6000;
const MOST_LOOKS = 120;
/** What changes whose page it is: nothing of before is left lying. */
const CHANGES_HANDS = /^\/(sign-in|sign-out|hands|hands\/rest|welcome\/.*)$/;

/** How often it became another’s page: what was asked for before is not kept after. */
let turns = 0;

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
clientsClaim();

self.addEventListener('install', (event) => {
    // The document it shows pages in belongs to this version.
    event.waitUntil(
        fetch('/sign-in', { credentials: 'same-origin', cache: 'no-store' }).then(async (answer) => {
            const html = await answer.text();
            if (pageOf(html) !== null) {
                await (
                    await caches.open(SHELL)
                ).put(SHELL, new Response(html, { headers: { 'Content-Type': 'text/html; charset=UTF-8' } }));
            }
        }),
    );
});

self.addEventListener('fetch', (event) => {
    const { request } = event;
    const url = new URL(request.url);
    if (url.origin !== self.location.origin || url.pathname.startsWith('/build/')) {
        return;
    }
    if (request.method !== 'GET') {
        if (CHANGES_HANDS.test(url.pathname)) {
            turns++;
            event.respondWith(
                fetch(request).then(async (answer) => {
                    // What was asked meanwhile was still answered to the one before.
                    turns++;
                    await caches.delete(LOOKS);
                    return answer;
                }),
            );
        }
        return;
    }
    const asDocument = request.mode === 'navigate';
    if ((asDocument || request.headers.get('X-Inertia') === 'true') && isKept(url.pathname)) {
        event.respondWith(look(request, keyOf(request.url), asDocument));
    }
});

self.addEventListener('message', (event) => {
    const said = event.data as { take?: boolean; keep?: string[]; look?: { url: string; props: Record<string, unknown> } } | null;
    if (said?.take === true) {
        void self.skipWaiting();
    }
    if (said?.look !== undefined) {
        event.waitUntil(change(said.look.url, said.look.props));
    }
    if (said?.keep !== undefined) {
        event.waitUntil(keep(said.keep));
    }
});

/** From the server where it answers in good time, else as it was kept. */
async function look(request: Request, key: string, asDocument: boolean): Promise<Response> {
    const turn = turns;
    const kept = await held(key);
    const fresh = fetch(request).then(async (answer) => {
        if (answer.status >= 502) {
            throw new Error('The server is being restarted.');
        }
        await learn(key, answer.clone(), asDocument, turn);
        return answer;
    });
    try {
        return await (kept === null ? fresh : Promise.race([fresh, late()]));
    } catch {
        // Whoever waits in vain is shown what there is; an answer that comes later is kept for the next look.
        fresh.catch(() => undefined);
        const page = kept === null ? unknown(key, (await anyVersion()) ?? null) : asKept(kept.page, kept.at);
        return asDocument ? await shown(page) : json(page, { 'X-Inertia': 'true', Vary: 'X-Inertia' });
    }
}

const late = (): Promise<never> =>
    new Promise((_, never) => {
        setTimeout(() => never(new Error('It takes too long.')), PATIENCE_MS);
    });

const json = (page: Page, more: Record<string, string>): Response =>
    new Response(JSON.stringify(page), { headers: { 'Content-Type': 'application/json', ...more } });

async function shown(page: Page): Promise<Response> {
    const shell = await (await caches.open(SHELL)).match(SHELL);
    return shell === undefined
        ? Response.error()
        : new Response(documentOf(await shell.text(), page), { headers: { 'Content-Type': 'text/html; charset=UTF-8' } });
}

async function learn(key: string, answer: Response, asDocument: boolean, turn: number): Promise<void> {
    if (!answer.ok || answer.redirected) {
        return;
    }
    const page: unknown = asDocument
        ? pageOf(await answer.text())
        : answer.headers.get('X-Inertia') === 'true'
          ? await answer.json()
          : null;
    // Half a page, asked for by the one that is open, is no look.
    if (isPage(page) && 'frame' in page.props && page.props.frame !== null) {
        await put(key, page, Date.now(), turn);
    }
}

async function put(key: string, page: Page, at: number, turn: number): Promise<void> {
    const before = await held(key);
    if (turn !== turns) {
        return;
    }
    const looks = await caches.open(LOOKS);
    // What is newest stands last: the oldest go first.
    await looks.delete(key);
    await looks.put(key, json(before === null ? page : walkable(page, before.page), { [KEPT_AT]: String(at) }));
    const all = await looks.keys();
    await Promise.all(all.slice(0, Math.max(0, all.length - MOST_LOOKS)).map((old) => looks.delete(old)));
    if (turn !== turns) {
        await caches.delete(LOOKS);
    }
}

async function held(key: string): Promise<{ page: Page; at: number } | null> {
    const kept = await caches.match(key, { cacheName: LOOKS });
    const page: unknown = await kept?.json().catch(() => null);
    return kept !== undefined && isPage(page) ? { page, at: Number(kept.headers.get(KEPT_AT)) } : null;
}

async function anyVersion(): Promise<string | null | undefined> {
    const shell = await (await caches.open(SHELL)).match(SHELL);
    return shell === undefined ? null : pageOf(await shell.text())?.version;
}

/** A page that is open and has heard more since: its look stands as it does. */
async function change(url: string, props: Record<string, unknown>, turn = turns): Promise<void> {
    const key = keyOf(url);
    const kept = await held(key);
    if (kept !== null) {
        await put(key, { ...kept.page, props: { ...kept.page.props, ...props } }, Date.now(), turn);
    }
}

/** What it takes to walk a run or a build on is kept beside it, also of one that was never opened here. */
async function ahead(key: string, turn: number): Promise<void> {
    const walked = /^\/(pours\/\d+(?=\/run$)|builds\/\d+$)/.exec(key)?.[0];
    if (walked !== undefined) {
        const answer = await fetch(`${walked}/ahead`, { headers: { Accept: 'application/json' }, credentials: 'same-origin' });
        if (answer.ok) {
            await change(key, { ahead: await answer.json() }, turn);
        }
    }
}

/** Looks at what is under way, one after the other, so that each opens later; what was looked at a moment ago is not asked again. */
async function keep(urls: string[]): Promise<void> {
    const turn = turns;
    const version = await anyVersion();
    for (const url of urls) {
        if (turn !== turns) {
            return;
        }
        const key = keyOf(url);
        const kept = await held(key);
        if (kept !== null && Date.now() - kept.at < 4 * 60_000) {
            continue;
        }
        try {
            const answer = await fetch(url, {
                headers: {
                    'X-Inertia': 'true',
                    Accept: 'text/html, application/xhtml+xml',
                    'X-Requested-With': 'XMLHttpRequest',
                    ...(version == null ? {} : { 'X-Inertia-Version': version }),
                },
                credentials: 'same-origin',
            });
            await learn(key, answer, false, turn);
            await ahead(key, turn);
        } catch {
            return;
        }
    }
}

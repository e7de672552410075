import { letIn } from './comein.svelte';
import { PRESS, pressing } from './press';
import { HttpResponseError, xhrHttpClient, type HttpClient, type HttpRequestConfig, type HttpResponse } from '@inertiajs/core';

/** What the server says when it no longer knows the token a page was given. */
const REFUSED = 419;

/** The token of this page's session, as it must go with everything that is sent. */
export function token(): string {
    const pair = document.cookie.split('; ').find((cookie) => cookie.startsWith('XSRF-TOKEN='));
    return pair === undefined ? '' : decodeURIComponent(pair.slice('XSRF-TOKEN='.length));
}

async function take(): Promise<boolean> {
    try {
        return (await fetch('/token', { headers: { Accept: 'application/json' } })).ok;
    } catch {
        return false;
    }
}

/** One for all who ask at once: two would begin two sessions, and one of them with the token of the other. */
let coming: Promise<boolean> | null = null;

/** Takes a new token; false while the server cannot give one. */
export function renew(): Promise<boolean> {
    coming ??= take().finally(() => {
        coming = null;
    });
    return coming;
}

/** Sends something, and where its token is refused because the session has ended, takes a new one and sends it once more. */
export async function renewing<R extends { status: number }>(send: () => Promise<R>): Promise<R> {
    await coming;
    const first = await send();
    return first.status === REFUSED && (await renew()) ? await send() : first;
}

/** What the pages send with: a screen that stood open for a week hands in what was typed on it like any other. */
export class RenewingClient implements HttpClient {
    async request(config: HttpRequestConfig): Promise<HttpResponse> {
        return config.method === 'get'
            ? this.#renewed(config)
            : pressing(
                  config.method,
                  config.url,
                  config.data,
                  (key) => this.#renewed({ ...config, headers: { ...config.headers, [PRESS]: key } }),
                  (answer) => answer.status,
              );
    }

    async #renewed(config: HttpRequestConfig): Promise<HttpResponse> {
        await coming;
        try {
            return await xhrHttpClient.request(config);
        } catch (refused) {
            if (
                refused instanceof HttpResponseError &&
                ((refused.response.status === REFUSED && (await renew())) || (await letIn(refused.response.status, refused.response.data)))
            ) {
                return await xhrHttpClient.request(config);
            }
            throw refused;
        }
    }
}

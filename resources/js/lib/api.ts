import { letIn } from './comein.svelte';
import { practice } from './practice.svelte';
import { PRESS, pressing } from './press';
import { renewing, token } from './token';

/** What went wrong, in a sentence for the maker, and at which field. */
export type Wrong = { field: string; message: string; /** What else is wrong, where all of it is said at once. */ also?: Wrong[] };

export type Answer<T> = { ok: true; data: T } | { ok: false; offline: boolean; status: number; wrong: Wrong; data: unknown };

const offline: Wrong = {
    field: '',
    message: 'The bench computer does not answer. What you entered is kept here and is sent again by itself.',
};

/** Asks the server for JSON. Never throws: no network and refusals are answers too. */
export async function ask<T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string, body?: unknown): Promise<Answer<T>> {
    return asked<T>(method, url, body, {});
}

/** Has something made, once, however often the same press is sent. */
export async function make<T>(url: string, body: unknown): Promise<Answer<T>> {
    return pressing(
        'POST',
        url,
        body,
        (key) => asked<T>('POST', url, body, { [PRESS]: key }),
        (answer) => (answer.ok ? 200 : answer.status),
    );
}

async function asked<T>(method: string, url: string, body: unknown, more: Record<string, string>): Promise<Answer<T>> {
    const answer = await sent<T>(method, url, body, more);
    // Somebody has to say who they are, or to countersign: then the same is sent once more.
    return !answer.ok && (await letIn(answer.status, answer.data)) ? sent<T>(method, url, body, more) : answer;
}

async function sent<T>(method: string, url: string, body: unknown, more: Record<string, string>): Promise<Answer<T>> {
    let response: Response;
    try {
        response = await renewing(() =>
            fetch(url, {
                method,
                headers: {
                    Accept: 'application/json',
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': token(),
                    ...practice.headers(url),
                    ...more,
                },
                body: body === undefined ? null : JSON.stringify(body),
                signal: AbortSignal.timeout(8000),
            }),
        );
    } catch {
        return { ok: false, offline: true, status: 0, wrong: offline, data: null };
    }
    const data: unknown = await response.json().catch(() => null);
    if (response.ok) {
        return { ok: true, data: data as T };
    }
    // A server that is just being restarted answers in the fives: that is no refusal.
    return { ok: false, offline: response.status >= 502, status: response.status, wrong: reason(data, response.status), data };
}

function reason(data: unknown, status: number): Wrong {
    const said = (data as { error?: Partial<Wrong>; message?: string } | null) ?? {};
    if (status === 419) {
        return { field: '', message: 'This page has been open too long to be trusted. Load it again; what you entered is kept.' };
    }
    return {
        field: said.error?.field ?? '',
        message: said.error?.message ?? said.message ?? 'Something went wrong on the bench computer. Try again; nothing confirmed is lost.',
        ...(said.error?.also === undefined ? {} : { also: said.error.also }),
    };
}

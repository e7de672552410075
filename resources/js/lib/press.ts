/** What goes with a press, so that sent twice it is made once. */
export const PRESS = 'X-Press';

// By what was pressed, until it was answered: a finger that was quick, or an answer that was lost, is the same press.
const held = new Map<string, string>();

let sending = 0;

/** A key of its own. `randomUUID` is there only where a page came safely; a bench is opened by its name in the house. */
export function newKey(): string {
    return [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What is sent, in words. A file is told by its name, length and date. */
function told(data: unknown): string {
    const entries = data instanceof FormData ? [...data.entries()] : data;
    return JSON.stringify(entries ?? null, (_, value: unknown) =>
        value instanceof File ? `${value.name}/${String(value.size)}/${String(value.lastModified)}` : value,
    );
}

/**
 * Sends what makes something, with the key of its press, and says meanwhile that it is sending. The key is let go of when an answer came:
 * whatever is pressed then is another press. Where none came, the same press again is still the same.
 */
export async function pressing<R>(
    method: string,
    url: string,
    data: unknown,
    send: (key: string) => Promise<R>,
    status: (answer: R) => number,
): Promise<R> {
    const what = `${method} ${url} ${told(data)}`;
    const key = held.get(what) ?? newKey();
    held.set(what, key);
    busy(1);
    try {
        const answer = await send(key);
        if (answered(status(answer))) {
            held.delete(what);
        }
        return answer;
    } catch (refused) {
        const said = (refused as { response?: { status?: number } }).response?.status;
        if (said !== undefined && answered(said)) {
            held.delete(what);
        }
        throw refused;
    } finally {
        busy(-1);
    }
}

function answered(status: number): boolean {
    return status > 0 && status < 500 && status !== 419 && status !== 429;
}

/** Forms and their buttons show that they wait, and take no second press meanwhile. */
function busy(by: 1 | -1): void {
    sending += by;
    document.documentElement.toggleAttribute('data-sending', sending > 0);
}

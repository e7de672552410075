import { renewing, token } from './token';

const PIECE = 2 * 1024 * 1024;

/** A file on its way to the bench computer, piece by piece: one sees how far it is, and can stop it. */
export class Upload {
    share = $state(0);
    says = $state<string | null>(null);
    under = $state(false);
    #stopped = false;
    #id = '';

    /** What the bench computer answered, or null where it was stopped or refused. */
    async send<T>(file: File, more: Record<string, unknown>): Promise<T | null> {
        // On a bench without a certificate a browser makes no names of its own, only numbers.
        this.#id = [...crypto.getRandomValues(new Uint32Array(4))].map((part) => part.toString(36)).join('-');
        [this.#stopped, this.share, this.says, this.under] = [false, 0, null, true];
        try {
            if (file.size === 0) {
                throw new Error('The file is empty. Export the model again.');
            }
            for (let at = 0; at < file.size; at += PIECE) {
                await this.#ask('PUT', `/study/uploads/${this.#id}?at=${String(at)}`, file.slice(at, at + PIECE));
                if (this.#stopped) {
                    await this.#ask('DELETE', `/study/uploads/${this.#id}`, null);
                    this.says = 'Stopped: nothing of it was kept.';
                    return null;
                }
                this.share = Math.min(1, (at + PIECE) / file.size);
            }
            return (await this.#ask('POST', '/study', JSON.stringify({ upload: this.#id, name: file.name, ...more }))) as T;
        } catch (wrong) {
            this.says =
                wrong instanceof Error && wrong.name === 'Error'
                    ? wrong.message
                    : 'The bench computer does not answer. Try again when it does.';
            return null;
        } finally {
            this.under = false;
        }
    }

    stop(): void {
        this.#stopped = true;
    }

    async #ask(method: string, url: string, body: BodyInit | null): Promise<unknown> {
        const response = await renewing(() =>
            fetch(url, {
                method,
                headers: {
                    Accept: 'application/json',
                    'Content-Type': typeof body === 'string' ? 'application/json' : 'application/octet-stream',
                    'X-XSRF-TOKEN': token(),
                },
                body,
            }),
        );
        const data: unknown = await response.json().catch(() => null);
        if (!response.ok) {
            throw new Error(
                (data as { error?: { message?: string } } | null)?.error?.message ?? 'The bench computer did not take the file. Try again.',
            );
        }
        return data;
    }
}

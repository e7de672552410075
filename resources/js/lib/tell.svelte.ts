import { ask } from './api';

/**
 * Something that is told by its facts and shown as the server reads them: a mould, a lot, a trial. What cannot be told is said and nothing
 * is lost.
 */
export class Tell<T extends object> {
    view = $state() as T;
    trouble = $state<string | null>(null);
    busy = $state(false);
    #url: string;
    #key = '';
    #said = '';

    constructor(view: T, url: string) {
        this.view = view;
        this.#url = url;
    }

    /** True where it is written down. */
    async tell(kind: string, payload: Record<string, unknown> = {}): Promise<boolean> {
        if (this.busy) {
            return false;
        }
        const said = JSON.stringify([kind, payload]);
        // The same thing sent again, because no answer came, is the same fact.
        this.#key =
            said === this.#said && this.#key !== '' ? this.#key : `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`;
        this.#said = said;
        this.busy = true;
        const answer = await ask<T>('POST', this.#url, { key: this.#key, kind, payload });
        this.busy = false;
        this.trouble = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            this.view = answer.data;
            this.#key = '';
        }
        return answer.ok;
    }
}

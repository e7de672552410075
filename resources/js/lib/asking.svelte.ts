import { ask, type Wrong } from './api';
import { bench } from './bench.svelte';
import { inWords } from './units';

/**
 * Something asked of the server again and again while one types or drags. One question at a time: what changes while one is
 * under way goes out with the next, and an answer to an older question is thrown away.
 */
export class Asking<A> {
    answer = $state() as A;
    /** The answer on screen belongs to what is asked. */
    fresh = $state(true);
    trouble = $state<Wrong | null>(null);
    #asked = 0;
    #busy = false;
    #method: 'POST' | 'PUT';
    #url: string;
    #question: () => unknown;
    #retry: ReturnType<typeof setTimeout> | undefined;

    constructor(method: 'POST' | 'PUT', url: string, question: () => unknown, answer: A) {
        this.#method = method;
        this.#url = url;
        this.#question = question;
        this.answer = answer;
    }

    changed(): void {
        this.#asked++;
        this.fresh = false;
        clearTimeout(this.#retry);
        void this.#send();
    }

    async #send(): Promise<void> {
        if (this.#busy) {
            return;
        }
        this.#busy = true;
        const mine = this.#asked;
        const answer = await ask<A>(this.#method, this.#url, this.#question());
        this.#busy = false;
        if (mine !== this.#asked) {
            return this.#send();
        }
        if (answer.ok) {
            this.answer = answer.data;
            this.fresh = true;
            this.trouble = null;
        } else {
            this.trouble = { ...answer.wrong, message: inWords(answer.wrong.message, bench.units) };
            if (answer.offline) {
                this.#retry = setTimeout(() => void this.#send(), 2500);
            }
        }
    }

    /** Resolves when everything asked has been answered; false when it cannot be just now. */
    async settled(): Promise<boolean> {
        for (let i = 0; i < 100 && !this.fresh && this.trouble === null; i++) {
            await new Promise((done) => setTimeout(done, 30));
        }
        return this.fresh;
    }
}

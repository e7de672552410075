import { untrack } from 'svelte';
import { type Answer, ask, type Wrong } from './api';
import { bench } from './bench.svelte';

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
        // What is said is said in the units of the bench: where they change, it is asked once more.
        let units = bench.units;
        $effect(() => {
            if (units !== bench.units) {
                units = bench.units;
                untrack(() => this.changed());
            }
        });
    }

    changed(): void {
        this.#asked++;
        this.fresh = false;
        clearTimeout(this.#retry);
        void this.#send();
    }

    /** How it is asked. */
    protected say(): Promise<Answer<A>> {
        return ask<A>(this.#method, this.#url, this.#question());
    }

    /** This is the answer, without having asked. */
    stands(answer: A): void {
        this.#asked++;
        clearTimeout(this.#retry);
        this.answer = answer;
        this.fresh = true;
        this.trouble = null;
    }

    async #send(): Promise<void> {
        if (this.#busy) {
            return;
        }
        this.#busy = true;
        const mine = this.#asked;
        const answer = await this.say();
        this.#busy = false;
        if (mine !== this.#asked) {
            return this.#send();
        }
        if (answer.ok) {
            this.answer = answer.data;
            this.fresh = true;
            this.trouble = null;
        } else {
            this.trouble = answer.wrong;
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

import { ask, type Answer } from './api';
import { bench } from './bench.svelte';

export type Fact = { key: string; kind: string; at_ms: number; payload: Record<string, unknown> };

const RETRY_MS = 2000;

type Use<A> = {
    /** Where facts are kept on this device, and where they are sent. */
    store: string;
    url: string;
    took: (state: A) => void;
    /** What is wrong just now, in a sentence; null when all is well again. */
    trouble: (says: string | null) => void;
    /** A refusal that is none: two screens may both have seen the same thing. */
    agreed?: (fact: Fact, status: number) => boolean;
};

/**
 * Facts on their way to the server. One that could not be sent stays in the browser's own store and goes out, once and in
 * order, as soon as the server answers again.
 */
export class Outbox<A> {
    waiting = $state(0);
    #sending = $state(false);
    #use: Use<A>;

    constructor(use: Use<A>) {
        this.#use = use;
        this.waiting = this.#facts().length;
    }

    get idle(): boolean {
        return !this.#sending && this.waiting === 0;
    }

    /** Resolves when everything has been sent; false when it cannot be just now. */
    async settled(): Promise<boolean> {
        for (let i = 0; i < 100 && !this.idle; i++) {
            await new Promise((done) => setTimeout(done, 50));
        }
        return this.idle;
    }

    /** `key` says what is confirmed and from which state: pressed twice it is one fact. */
    add(key: string, kind: string, payload: Record<string, unknown>): Promise<void> {
        const facts = this.#facts();
        const short = key.slice(0, 64);
        if (!facts.some((fact) => fact.key === short)) {
            this.#keep([...facts, { key: short, kind, at_ms: Math.round(bench.now), payload }]);
        }
        return this.flush();
    }

    /** Sends what is kept, in order; stops at the first that gets no answer and tries again later. */
    async flush(): Promise<void> {
        if (this.#sending) {
            return;
        }
        this.#sending = true;
        for (let fact = this.#facts()[0]; fact !== undefined; fact = this.#facts()[0]) {
            const answer = await ask<A>('POST', this.#use.url, fact);
            if (!answer.ok && (answer.offline || answer.status === 419 || answer.status >= 500)) {
                this.#use.trouble(answer.wrong.message);
                setTimeout(() => void this.flush(), RETRY_MS);
                break;
            }
            const sent = fact.key;
            this.#keep(this.#facts().filter((kept) => kept.key !== sent));
            this.#heard(fact, answer);
        }
        this.#sending = false;
    }

    #heard(fact: Fact, answer: Answer<A>): void {
        if (answer.ok) {
            this.#use.took(answer.data);
            this.#use.trouble(null);
            return;
        }
        this.#use.trouble(this.#use.agreed?.(fact, answer.status) === true ? null : answer.wrong.message);
        const stands = (answer.data as { run?: A } | null)?.run;
        if (stands !== undefined) {
            this.#use.took(stands);
        }
    }

    #facts(): Fact[] {
        try {
            const kept: unknown = JSON.parse(localStorage.getItem(this.#use.store) ?? '[]');
            return Array.isArray(kept) ? (kept as Fact[]) : [];
        } catch {
            return [];
        }
    }

    #keep(facts: Fact[]): void {
        if (facts.length === 0) {
            localStorage.removeItem(this.#use.store);
        } else {
            localStorage.setItem(this.#use.store, JSON.stringify(facts));
        }
        this.waiting = facts.length;
    }
}

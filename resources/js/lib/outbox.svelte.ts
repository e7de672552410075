import { ask, type Answer } from './api';
import { bench } from './bench.svelte';
import { beside } from './whosent';

export type Fact = {
    key: string;
    kind: string;
    at_ms: number;
    payload: Record<string, unknown>;
    tries?: number;
    /** Told while nobody answered: what others told meanwhile was not seen. */
    away?: boolean;
    /** Whose hands told it. */
    by?: string;
    /** By a clock that had been set back. */
    clock_off?: boolean;
};

const RETRY_MS = 2000;
/** The server fails on a fact so often before it is set aside, so that those behind it go on. */
const MOST_TRIES = 4;
const LONGEST_KEY = 64;
const PROBE_CHARACTERS = 4096;

type Use<A> = {
    /** Where facts are kept on this device, and where they are sent. */
    store: string;
    url: string;
    took: (state: A) => void;
    /** What is wrong just now, in a sentence; null when all is well again. */
    trouble: (says: string | null) => void;
    /** A refusal that is none: two screens may both have seen the same thing. */
    agreed?: (fact: Fact, status: number) => boolean;
    /** It is far from what was to be expected: is it really so? */
    doubts?: (fact: Fact, why: string) => void;
    retryMs?: number;
    /** The record takes notes beside what was told. */
    notes?: boolean;
};

/**
 * Facts on their way to the server. One that could not be sent stays in the browser's own store and goes out, once and in
 * order, as soon as the server answers again. One the server fails on time after time is set aside and shown.
 */
export class Outbox<A> {
    waiting = $state(0);
    /** What the server could not write down, for somebody to decide. */
    aside = $state<Fact[]>([]);
    /** This browser has no room left: what is entered is only kept while this page is open. Said before the first fact is taken. */
    full = $state(false);
    /** Nobody answered the last time something was sent. */
    away = $state(false);
    /** What is on its way, oldest first. */
    kept = $state<Fact[]>([]);
    /** What was told here while somebody else told something else: both are shown, and one is chosen. */
    clash = $state<Fact[]>([]);
    /** The first of what waits was asked about; the others wait for the answer. */
    #asked = false;
    #sending = $state<string | null>(null);
    /** What found no room, by where it belongs. */
    #held: Record<string, Fact[]> = {};
    /** Went up after nobody had answered: what has to stand beside it is said when all of it is there. */
    #sentLate: Fact[] = [];
    #use: Use<A>;

    constructor(use: Use<A>) {
        this.#use = use;
        this.full = !hasRoom(`${use.store}.room`);
        this.kept = this.#read(this.#use.store);
        this.waiting = this.kept.length;
        this.aside = this.#read(this.#asideStore);
        this.clash = this.#read(this.#clashStore);
    }

    get #clashStore(): string {
        return `${this.#use.store}.clash`;
    }

    get #asideStore(): string {
        return `${this.#use.store}.aside`;
    }

    get idle(): boolean {
        return this.#sending === null && this.waiting === 0;
    }

    /** Resolves when everything has been sent; false when it cannot be just now. */
    async settled(): Promise<boolean> {
        for (let i = 0; i < 100 && !this.idle; i++) {
            await new Promise((done) => setTimeout(done, 50));
        }
        return this.idle;
    }

    /**
     * `key` says what is confirmed and from which state: pressed twice it is one fact. Something else under the same key takes the
     * place of what still waits here, and says so; what is already on its way stays, and the server judges the new one.
     */
    add(key: string, kind: string, payload: Record<string, unknown>): Promise<void> {
        const facts = this.#read(this.#use.store);
        const short = key.slice(0, LONGEST_KEY);
        const by = bench.frame?.hands?.name;
        const fact: Fact = {
            key: short,
            kind,
            at_ms: Math.round(bench.now),
            payload,
            ...(this.away ? { away: true } : {}),
            ...(by === undefined ? {} : { by }),
            ...(bench.clockOff ? { clock_off: true } : {}),
        };
        const first = facts[0];
        if (this.#asked && first !== undefined && first.kind === kind) {
            // The answer to what was asked about: it takes the place of the question, before all that was told since.
            this.#asked = false;
            this.#keep([{ ...first, key: `${first.key.slice(0, LONGEST_KEY - 5)}/sure`, payload }, ...facts.slice(1)]);
            return this.flush();
        }
        const same = facts.find((kept) => kept.key === short);
        if (same === undefined) {
            this.#keep([...facts, fact]);
        } else if (JSON.stringify(same.payload) !== JSON.stringify(payload)) {
            if (this.#sending === short) {
                this.#keep([...facts, { ...fact, key: `${short.slice(0, LONGEST_KEY - 9)}/${Math.random().toString(36).slice(2, 10)}` }]);
            } else {
                this.#keep(facts.map((kept) => (kept.key === short ? fact : kept)));
                this.#use.trouble('What waited here for the same step is replaced by what you entered now.');
            }
        }
        return this.flush();
    }

    /** Sends what is kept, in order; stops at the first that gets no answer and tries again later. */
    async flush(): Promise<void> {
        if (this.#sending !== null || this.#asked) {
            return;
        }
        for (let fact = this.#read(this.#use.store)[0]; fact !== undefined; fact = this.#read(this.#use.store)[0]) {
            this.#sending = fact.key;
            const answer = await ask<A>('POST', this.#use.url, {
                key: fact.key,
                kind: fact.kind,
                at_ms: fact.at_ms,
                payload: fact.payload,
            });
            // Said once: what is asked meanwhile is not talked over.
            const isKnown = this.away;
            this.away = !answer.ok && answer.offline;
            if (!answer.ok && (answer.offline || answer.status === 419 || answer.status >= 500)) {
                if (answer.offline) {
                    this.#keep(this.#read(this.#use.store).map((kept) => ({ ...kept, away: true })));
                }
                if (!(isKnown && this.away)) {
                    this.#use.trouble(answer.wrong.message);
                }
                if (answer.offline || answer.status === 419 || !this.#failed(fact)) {
                    setTimeout(() => void this.flush(), this.#use.retryMs ?? RETRY_MS);
                    break;
                }
                continue;
            }
            if (!answer.ok && fact.away === true && !this.#agreed(fact, answer.status)) {
                this.#refusedAway(fact, answer);
                break;
            }
            const sent = fact.key;
            this.#keep(this.#read(this.#use.store).filter((kept) => kept.key !== sent));
            this.#heard(fact, answer);
            if (answer.ok && fact.away === true) {
                this.#sentLate.push(fact);
            }
            this.#sayBeside();
        }
        this.#sending = null;
    }

    /** Who told what was kept here, where somebody else sends it: a note of its own, once all of it went up. */
    #sayBeside(): void {
        const first = this.#sentLate[0];
        if (this.#use.notes !== true || this.waiting > 0 || first === undefined) {
            return;
        }
        const text = beside(this.#sentLate, bench.frame?.hands?.name ?? null);
        this.#sentLate = [];
        if (text !== null) {
            const key = `${first.key.slice(0, LONGEST_KEY - 5)}/late`;
            this.#keep([{ key, kind: 'noted', at_ms: Math.round(bench.now), payload: { text } }]);
        }
    }

    /** Sends something that was set aside once more. */
    again(key: string): Promise<void> {
        const fact = this.aside.find((kept) => kept.key === key);
        this.leave(key);
        if (fact !== undefined) {
            this.#keep([...this.#read(this.#use.store), { ...fact, tries: 0 }]);
        }
        return this.flush();
    }

    /** Somebody decided that it need not be written down. */
    leave(key: string): void {
        this.aside = this.aside.filter((kept) => kept.key !== key);
        this.#write(this.#asideStore, this.aside);
    }

    /** What was asked about is not so: it goes, and what was told after it is looked at in its place. */
    slip(): Promise<void> {
        if (this.#asked) {
            this.#asked = false;
            this.#keep(this.#read(this.#use.store).slice(1));
        }
        return this.flush();
    }

    /** What stands is right: what was told here goes into the record as a note, and nothing of it vanishes. */
    keepTheirs(note: string): Promise<void> {
        const first = this.clash[0];
        this.#clash([]);
        return first === undefined ? Promise.resolve() : this.add(`${first.key.slice(0, LONGEST_KEY - 6)}/noted`, 'noted', { text: note });
    }

    /** What was told here is right: what stands in its place is taken back, and this goes out once more. */
    takeMine(of: number): Promise<void> {
        if (this.clash.length === 0) {
            return Promise.resolve();
        }
        const mine = this.clash.map((fact) => ({ ...fact, key: `${fact.key.slice(0, LONGEST_KEY - 6)}/again` }));
        this.#clash([]);
        this.#keep([
            ...this.#read(this.#use.store),
            { key: `instead/${String(of)}`, kind: 'undone', at_ms: Math.round(bench.now), payload: { of } },
            ...mine,
        ]);
        return this.flush();
    }

    #agreed(fact: Fact, status: number): boolean {
        return this.#use.agreed?.(fact, status) === true;
    }

    #clash(facts: Fact[]): void {
        this.clash = facts;
        this.#write(this.#clashStore, facts);
    }

    /** Of what was told one after the other while nobody answered nothing is sent past what was refused. */
    #refusedAway(fact: Fact, answer: Answer<A> & { ok: false }): void {
        if (answer.status === 422 && answer.wrong.field === 'sure' && this.#use.doubts !== undefined) {
            this.#asked = true;
            this.#use.trouble(null);
            this.#use.doubts(fact, answer.wrong.message);
            return;
        }
        this.#clash([...this.clash, ...this.#read(this.#use.store)]);
        this.#keep([]);
        this.#use.trouble(answer.wrong.message);
        this.#stands(answer);
    }

    /** Counts one more failure; true once it is set aside. */
    #failed(fact: Fact): boolean {
        const tries = (fact.tries ?? 0) + 1;
        const facts = this.#read(this.#use.store);
        if (tries < MOST_TRIES) {
            this.#keep(facts.map((kept) => (kept.key === fact.key ? { ...kept, tries } : kept)));
            return false;
        }
        this.aside = [...this.aside, fact];
        this.#write(this.#asideStore, this.aside);
        this.#keep(facts.filter((kept) => kept.key !== fact.key));
        return true;
    }

    #heard(fact: Fact, answer: Answer<A>): void {
        if (answer.ok) {
            this.#use.took(answer.data);
            this.#use.trouble(null);
            return;
        }
        if (answer.status === 422 && answer.wrong.field === 'sure' && this.#use.doubts !== undefined) {
            this.#use.trouble(null);
            this.#use.doubts(fact, answer.wrong.message);
            return;
        }
        this.#use.trouble(this.#agreed(fact, answer.status) ? null : answer.wrong.message);
        this.#stands(answer);
    }

    /** Where it stands now, as a refusal says. */
    #stands(answer: Answer<A> & { ok: false }): void {
        const told = answer.data as { run?: A; build?: A } | null;
        const stands = told?.run ?? told?.build;
        if (stands !== undefined) {
            this.#use.took(stands);
        }
    }

    #read(store: string): Fact[] {
        const held = this.#held[store];
        if (held !== undefined) {
            return held;
        }
        try {
            const kept: unknown = JSON.parse(localStorage.getItem(store) ?? '[]');
            return Array.isArray(kept) ? (kept as Fact[]) : [];
        } catch {
            return [];
        }
    }

    #keep(facts: Fact[]): void {
        this.#write(this.#use.store, facts);
        this.kept = facts;
        this.waiting = facts.length;
    }

    #write(store: string, facts: Fact[]): void {
        try {
            if (facts.length === 0) {
                localStorage.removeItem(store);
            } else {
                localStorage.setItem(store, JSON.stringify(facts));
            }
            this.#held = Object.fromEntries(Object.entries(this.#held).filter(([where]) => where !== store));
            this.full = this.full && !hasRoom(`${store}.room`);
        } catch {
            // No room, or a browser that keeps nothing: it is held by this page alone, and says so.
            this.#held[store] = facts;
            this.full = true;
        }
    }
}

/** Whether a handful of facts would find room. */
function hasRoom(probe: string): boolean {
    try {
        localStorage.setItem(probe, 'x'.repeat(PROBE_CHARACTERS));
        localStorage.removeItem(probe);
        return true;
    } catch {
        localStorage.removeItem(probe);
        return false;
    }
}

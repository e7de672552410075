import type { Told } from '../away/walk';
import { ask } from './api';
import { away } from './away.svelte';
import type { Outbox } from './outbox.svelte';

/** Where something that is told by facts stands on this screen, as far as it was walked here. */
type Walked<V> = { view: V; stands: Told[]; wants: string | null };

type Use<V, A, W extends Walked<V>> = {
    /** Where it is looked at: `/pours/12`. */
    url: string;
    /** What of the page it is: `run`, `build`. */
    prop: string;
    begin: (view: V, ahead: A | null) => W | null;
    walked: (from: W, told: Told[]) => W;
    /** Nothing of it can be told any more. */
    ended: (view: V) => boolean;
};

/**
 * The course of a run or a build on this screen: as the bench computer said last, and where nobody answers as it is walked from there by
 * what was sent ahead.
 */
export class Course<V extends { last_fact_id: number }, A extends { last_fact_id: number }, W extends Walked<V>> {
    view = $state<V>() as V;
    /** Why it cannot go on by itself where nobody answers. */
    wants = $state<string | null>(null);
    #base: V;
    #ahead: A | null;
    #walk: W | null = null;
    #use: Use<V, A, W>;

    constructor(view: V, ahead: A | null, use: Use<V, A, W>) {
        [this.view, this.#base, this.#ahead, this.#use] = [view, view, ahead, use];
    }

    /** The last fact the bench computer is known to have. */
    get known(): number {
        return this.#base.last_fact_id;
    }

    /** Since when something is told, for its key: what is told twice from one place is one thing. */
    since(waiting: number): string {
        return `${String(this.view.last_fact_id)}${this.#walk === null ? '' : `+${String(waiting)}`}`;
    }

    /** What was told last where nobody answers, while it still waits. */
    last(waiting: number): Told | undefined {
        return waiting > 0 ? this.#walk?.stands.at(-1) : undefined;
    }

    /** What is told where nobody answers moves it on here, as far as what was sent ahead goes. */
    walkOn(outbox: Outbox<V>): void {
        const from = outbox.waiting > 0 ? this.#use.begin(this.#base, this.#ahead) : null;
        if (from !== null) {
            this.#walk = this.#use.walked(from, $state.snapshot(outbox.kept) as Told[]);
            [this.view, this.wants] = [this.#walk.view, this.#walk.wants];
        }
    }

    /** Kept it is before anything else; where nobody answers it is walked on at once. */
    async told(outbox: Outbox<V>, going: Promise<void>): Promise<void> {
        if (outbox.away) {
            this.walkOn(outbox);
        }
        await going;
        if (outbox.away) {
            this.walkOn(outbox);
        }
    }

    /** As the bench computer has it now; true where something happened since. */
    take(view: V, waiting: number): boolean {
        const moved = view.last_fact_id !== this.#base.last_fact_id;
        this.#base = view;
        // What was walked ahead of it goes out fact by fact: it is shown where it got to, not once more from the start.
        if (this.#walk === null || waiting === 0) {
            [this.#walk, this.wants, this.view] = [null, null, view];
        }
        if (moved && waiting === 0) {
            void this.lookAhead();
        }
        return moved;
    }

    /** Has sent ahead what it takes to go on without the bench computer, and the tablet keep it. */
    async lookAhead(): Promise<void> {
        const last = this.known;
        if (this.#use.ended(this.#base)) {
            return;
        }
        const answer = await ask<A>('GET', `${this.#use.url}/ahead`);
        if (answer.ok && this.known === last) {
            this.#ahead = answer.data;
            void away.look({ [this.#use.prop]: $state.snapshot(this.#base), ahead: answer.data });
        }
    }
}

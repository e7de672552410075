import { untrack } from 'svelte';
import { type Answer, ask } from './api';

const TWO_DAYS_MS = 48 * 3_600_000;
const PAUSE_MS = 700;

let last: Promise<unknown> = Promise.resolve();

/**
 * One question after the other, whichever screen asks: what is forgotten is not overtaken by what was still on its way, nor found again
 * by the next who looks.
 */
function inTurn<T>(method: 'GET' | 'PUT' | 'DELETE', url: string, what?: Record<string, unknown>): Promise<Answer<T>> {
    const answer = last.then(() => ask<T>(method, url, what));
    last = answer;
    return answer;
}

type Local<T> = { at: number; what: T; sent: boolean };

/**
 * What was typed on a screen and is not handed in yet. It is kept in this browser at once and on the bench computer a moment later, so
 * that a reload, a jump to another screen and another tablet find it as it was. Two days later it is other work and is forgotten.
 * Made while a component is.
 */
export class Typing<T extends object> {
    /** Always the same object: its fields change. */
    readonly value = $state() as T;
    /** Something that was typed before stands here again. */
    again = $state(false);
    #key: string;
    #screen: string;
    #first: string;
    #last: string;
    #later: ReturnType<typeof setTimeout> | undefined;

    constructor(screen: string, initial: T) {
        this.#screen = screen;
        this.#key = `apalos.typed.${screen}`;
        this.#first = JSON.stringify(initial);
        const local = this.#local();
        this.value = local === null ? initial : { ...initial, ...local.what };
        this.again = local !== null;
        this.#last = JSON.stringify(this.value);
        $effect(() => {
            const text = JSON.stringify(this.value);
            if (text !== this.#last) {
                this.#last = text;
                untrack(() => this.#keep(false));
                clearTimeout(this.#later);
                this.#later = setTimeout(() => void this.#send(), PAUSE_MS);
            }
        });
        $effect(() => {
            void this.#fetch();
            return () => {
                if (this.#later !== undefined) {
                    clearTimeout(this.#later);
                    void this.#send();
                }
            };
        });
    }

    /** It has been handed in, or is not wanted any more. */
    forget(): void {
        clearTimeout(this.#later);
        this.#later = undefined;
        this.#first = this.#last = JSON.stringify(this.value);
        this.again = false;
        localStorage.removeItem(this.#key);
        void inTurn('DELETE', '/typed', { screen: this.#screen });
    }

    /** As it was before anything was typed. */
    clear(): void {
        Object.assign(this.value, JSON.parse(this.#first));
        this.#last = this.#first;
        this.forget();
    }

    #local(): Local<T> | null {
        try {
            const kept = JSON.parse(localStorage.getItem(this.#key) ?? 'null') as Local<T> | null;
            return kept !== null && typeof kept.what === 'object' && Date.now() - kept.at < TWO_DAYS_MS ? kept : null;
        } catch {
            return null;
        }
    }

    #keep(sent: boolean): void {
        try {
            localStorage.setItem(this.#key, JSON.stringify({ at: Date.now(), what: $state.snapshot(this.value), sent }));
        } catch {
            // A browser that keeps nothing still sends it.
        }
    }

    async #send(): Promise<void> {
        this.#later = undefined;
        const text = this.#last;
        const answer = await inTurn('PUT', '/typed', { screen: this.#screen, what: JSON.parse(text) as unknown });
        if (answer.ok && text === this.#last && this.#local() !== null) {
            this.#keep(true);
        }
    }

    /** What another screen typed here, where nothing of this one waits to be sent. */
    async #fetch(): Promise<void> {
        const before = this.#last;
        const local = this.#local();
        if (local !== null && !local.sent) {
            return this.#send();
        }
        const answer = await inTurn<{ what: T | null }>('GET', `/typed?screen=${encodeURIComponent(this.#screen)}`);
        if (!answer.ok || this.#last !== before) {
            return;
        }
        if (answer.data.what !== null) {
            Object.assign(this.value, answer.data.what);
            this.#last = JSON.stringify(this.value);
            this.again = true;
            this.#keep(true);
        } else if (local !== null) {
            // Handed in, or thrown away, on another screen.
            this.clear();
        }
    }
}

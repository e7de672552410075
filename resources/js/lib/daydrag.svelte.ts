import { ask } from './api';

export type Trial = { ok: boolean; why: string; starts: Record<string, number> };

const STEP = 5 * 60_000;

/** An outline under a finger: where it would go, in steps of five minutes, and what the server says of that. */
export class DayDrag {
    id = $state<string | null>(null);
    at = $state(0);
    trial = $state<Trial | null>(null);
    #from = 0;
    #x = 0;
    #asked = 0;

    hold(event: PointerEvent, id: string, from: number): void {
        this.id = id;
        this.at = this.#from = from;
        this.#x = event.clientX;
        this.trial = null;
    }

    pull(event: PointerEvent, msPerPixel: number): void {
        if (this.id === null) {
            return;
        }
        const at = this.#from + Math.round(((event.clientX - this.#x) * msPerPixel) / STEP) * STEP;
        if (at !== this.at) {
            this.at = at;
            void this.#try(this.id, at);
        }
    }

    /** Where it was let go, if that is elsewhere than where it lay. */
    drop(): { id: string; at: number } | null {
        const held = this.id !== null && this.at !== this.#from ? { id: this.id, at: this.at } : null;
        this.id = null;
        this.trial = null;
        this.#asked++;
        return held;
    }

    /** Where something lies while this is held. */
    start(id: string, planned: number): number {
        return this.id === id ? this.at : this.trial?.ok === true ? (this.trial.starts[id] ?? planned) : planned;
    }

    /** Answers that come late are not listened to. */
    async #try(id: string, at: number): Promise<void> {
        const mine = ++this.#asked;
        const answer = await ask<Trial>('POST', '/day/try', { id, at_ms: at });
        if (mine === this.#asked) {
            this.trial = answer.ok ? answer.data : { ok: false, why: answer.wrong.message, starts: {} };
        }
    }
}

/** Puts it there for good, or null for where the plan wants it; what is wrong with that, in a sentence. */
export async function put<T>(id: string, at: number | null): Promise<{ told: T | null; wrong: string | null }> {
    const answer = await ask<T>('POST', '/day/put', { id, at_ms: at, key: `put/${String(at)}/${Math.random().toString(36).slice(2, 10)}` });
    return answer.ok ? { told: answer.data, wrong: null } : { told: null, wrong: answer.wrong.message };
}

export const STEP_MS = STEP;

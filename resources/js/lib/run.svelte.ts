import type { RunView } from '../types/server';
import { ask } from './api';
import { bench } from './bench.svelte';
import { LiveScale } from './scale.svelte';

type Fact = { key: string; kind: string; at_ms: number; payload: Record<string, unknown> };

const RETRY_MS = 2000;

/**
 * A run on this screen. The server derives where it stands; this only records facts and shows the answer. A fact that could
 * not be sent stays in the browser's own store and goes out, once, as soon as the server answers again.
 */
export class LiveRun {
    run = $state<RunView>() as RunView;
    scale = new LiveScale();
    trouble = $state<string | null>(null);
    waitingToSend = $state(0);
    #sending = false;
    #store: string;

    constructor(run: RunView) {
        this.run = run;
        this.#store = `apalos.outbox.${String(run.pour_id)}`;
        this.waitingToSend = this.#outbox().length;
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        const facts = this.#outbox();
        // Two presses on one step are one fact: the key says which step it confirms, and from which state it was pressed.
        const key = `${this.run.step.key}/${kind}/${String(this.run.last_event_id)}/${about}`.slice(0, 64);
        if (!facts.some((fact) => fact.key === key)) {
            this.#keep([...facts, { key, kind, at_ms: Math.round(bench.now), payload }]);
        }
        return this.flush();
    }

    /** Every note is a fact of its own, also when two screens note something at once or none of them is heard. */
    note(text: string, fault: string | null): Promise<void> {
        return this.record('noted', { text, fault }, `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`);
    }

    confirm(): Promise<void> {
        return this.record('confirmed', { step: this.run.step.key });
    }

    async takeBack(): Promise<void> {
        if (this.run.take_back !== null) {
            await this.record('undone', { event: this.run.take_back.event });
        }
    }

    /** Sends what is kept, in order; stops at the first that gets no answer and tries again later. */
    async flush(): Promise<void> {
        if (this.#sending) {
            return;
        }
        this.#sending = true;
        for (let fact = this.#outbox()[0]; fact !== undefined; fact = this.#outbox()[0]) {
            const answer = await ask<RunView>('POST', `/pours/${String(this.run.pour_id)}/events`, fact);
            if (!answer.ok && (answer.offline || answer.status === 419 || answer.status >= 500)) {
                this.trouble = answer.wrong.message;
                setTimeout(() => void this.flush(), RETRY_MS);
                break;
            }
            const sent = fact.key;
            this.#keep(this.#outbox().filter((kept) => kept.key !== sent));
            if (answer.ok) {
                this.take(answer.data);
                this.trouble = null;
            } else {
                // Two screens may both have seen A meet B: that is agreement, not trouble.
                this.trouble = fact.kind === 'met' && answer.status === 409 ? null : answer.wrong.message;
                const stands = (answer.data as { run?: RunView } | null)?.run;
                if (stands !== undefined) {
                    this.take(stands);
                }
            }
        }
        this.#sending = false;
    }

    take(run: RunView): void {
        const moved = run.last_event_id !== this.run.last_event_id;
        this.run = run;
        if (moved) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something. */
    async look(): Promise<void> {
        if (this.#sending || this.waitingToSend > 0) {
            return;
        }
        const answer = await ask<RunView>('GET', `/pours/${String(this.run.pour_id)}/state`);
        if (answer.ok && answer.data.last_event_id >= this.run.last_event_id) {
            this.take(answer.data);
        }
    }

    #outbox(): Fact[] {
        try {
            const kept: unknown = JSON.parse(localStorage.getItem(this.#store) ?? '[]');
            return Array.isArray(kept) ? (kept as Fact[]) : [];
        } catch {
            return [];
        }
    }

    #keep(facts: Fact[]): void {
        if (facts.length === 0) {
            localStorage.removeItem(this.#store);
        } else {
            localStorage.setItem(this.#store, JSON.stringify(facts));
        }
        this.waitingToSend = facts.length;
    }
}

import { router } from '@inertiajs/svelte';
import { begin, walked, type Told, type Walk } from '../away/walk';
import type { AheadView, RunView } from '../types/server';
import { ask } from './api';
import { away } from './away.svelte';
import { bench } from './bench.svelte';
import { Outbox, type Fact } from './outbox.svelte';
import { LiveScale } from './scale.svelte';

/** A run on this screen. The server derives where it stands; this only records facts and shows the answer. */
export class LiveRun {
    run = $state<RunView>() as RunView;
    scale: LiveScale;
    trouble = $state<string | null>(null);
    /** What was told and is far from what was to be expected: asked about before it is believed. */
    doubted = $state<{ fact: Fact; why: string } | null>(null);
    /** What is told next was at this moment; null where it is told as it happens. */
    was = $state<number | null>(null);
    outbox: Outbox<RunView>;

    /** Why it cannot go on by itself where nobody answers. */
    wants = $state<string | null>(null);
    /** As the bench computer said last, and what it sent ahead for it. */
    #base: RunView;
    #ahead: AheadView | null;
    #walk: Walk | null = null;

    /** `isKept`: as the tablet kept it, since nobody answers. */
    constructor(run: RunView, ahead: AheadView | null = null, isKept = false) {
        this.run = run;
        this.#base = run;
        this.#ahead = ahead;
        this.scale = new LiveScale(`run:${String(run.pour_id)}`);
        this.outbox = new Outbox<RunView>({
            store: `apalos.outbox.${String(run.pour_id)}`,
            url: `/pours/${String(run.pour_id)}/events`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            doubts: (fact, why) => (this.doubted = { fact, why }),
            // Two screens may both have seen A meet B: that is agreement, not trouble.
            agreed: (fact, status) => fact.kind === 'met' && status === 409,
        });
        if (isKept) {
            this.outbox.away = true;
            this.#walkOn();
        }
    }

    /** What waited goes out, and what it takes to go on without the bench computer is sent ahead. */
    begin(): void {
        void this.outbox.flush();
        if (!this.outbox.away) {
            void this.#lookAhead();
        }
    }

    /** By what was sent ahead, as far as that goes: what is told where nobody answers moves the run on here. */
    #walkOn(): void {
        const from = this.outbox.waiting > 0 ? begin(this.#base, this.#ahead) : null;
        if (from !== null) {
            this.#walk = walked(from, $state.snapshot(this.outbox.kept) as Told[]);
            this.run = this.#walk.view;
            this.wants = this.#walk.wants;
        }
    }

    /** Has sent ahead what it takes to go on without the bench computer, and the tablet keep it. */
    async #lookAhead(): Promise<void> {
        const { pour_id: pour, last_fact_id: last, step } = this.run;
        if (step.kind === 'done' || step.kind === 'given_up') {
            return;
        }
        const answer = await ask<AheadView>('GET', `/pours/${String(pour)}/ahead`);
        if (answer.ok && this.#base.last_fact_id === last) {
            this.#ahead = answer.data;
            void away.look({ run: $state.snapshot(this.#base), ahead: answer.data });
        }
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        const since = `${String(this.run.last_fact_id)}${this.#walk === null ? '' : `+${String(this.outbox.waiting)}`}`;
        return this.#told(this.outbox.add(`${this.run.step.key}/${kind}/${since}/${about}`, kind, payload));
    }

    /** Kept it is before anything else; where nobody answers it is walked on at once. */
    async #told(going: Promise<void>): Promise<void> {
        if (this.outbox.away) {
            this.#walkOn();
        }
        await going;
        if (this.outbox.away) {
            this.#walkOn();
        }
    }

    /** What was asked about is not so. */
    forgetDoubt(): void {
        this.doubted = null;
        void this.outbox.slip();
    }

    /** Tells something that may have been at another time than now. */
    async tell(kind: string, payload: Record<string, unknown> = {}): Promise<void> {
        await this.record(kind, this.was === null ? payload : { ...payload, done_ms: this.was }, String(this.was ?? ''));
        if (this.trouble === null) {
            this.was = null;
        }
    }

    /** Every note is a fact of its own, also when two screens note something at once or none of them is heard. */
    note(text: string, fault: string | null): Promise<void> {
        return this.record('noted', { text, fault }, `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`);
    }

    /** The display counts what is in the cup from this reading on. */
    count(reading: number, inLine: number): Promise<void> {
        return this.record('counted', { step: this.run.step.key, reading_g: reading, in_line_g: inLine });
    }

    confirm(): Promise<void> {
        return this.record('confirmed', { step: this.run.step.key });
    }

    async takeBack(): Promise<void> {
        const last = this.#walk?.stands.at(-1);
        if (last !== undefined && this.outbox.waiting > 0) {
            await this.record('undone', { of_key: last.key }, last.key.slice(-12));
        } else if (this.run.take_back !== null) {
            await this.record('undone', { of: this.run.take_back.of });
        }
    }

    take(run: RunView): void {
        const moved = run.last_fact_id !== this.#base.last_fact_id;
        this.#base = run;
        // What was walked ahead of it goes out fact by fact: it is shown where it got to, not once more from the start.
        if (this.#walk === null || this.outbox.waiting === 0) {
            this.#walk = null;
            this.wants = null;
            this.run = run;
        }
        if (moved) {
            void bench.refresh();
            if (this.outbox.waiting === 0) {
                void this.#lookAhead();
            }
        }
    }

    /** Looks whether another screen has done something. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<RunView>('GET', `/pours/${String(this.run.pour_id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.#base.last_fact_id) {
            this.take(answer.data);
        } else if (!answer.ok && answer.status === 409) {
            // Another screen went back to the plan.
            router.visit(`/pours/${String(this.run.pour_id)}`, { replace: true });
        }
    }
}

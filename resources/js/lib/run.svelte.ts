import { router } from '@inertiajs/svelte';
import { begin, walked, type Walk } from '../away/walk';
import type { AheadView, RunView } from '../types/server';
import { ask } from './api';
import { bench } from './bench.svelte';
import { Course } from './course.svelte';
import { Outbox, type Fact } from './outbox.svelte';
import { LiveScale } from './scale.svelte';

/** A run on this screen. The server derives where it stands; this only records facts and shows the answer. */
export class LiveRun {
    scale: LiveScale;
    trouble = $state<string | null>(null);
    /** What was told and is far from what was to be expected: asked about before it is believed. */
    doubted = $state<{ fact: Fact; why: string } | null>(null);
    /** What is told next was at this moment; null where it is told as it happens. */
    was = $state<number | null>(null);
    outbox: Outbox<RunView>;

    #course: Course<RunView, AheadView, Walk>;

    /** `isKept`: as the tablet kept it, since nobody answers. */
    constructor(run: RunView, ahead: AheadView | null = null, isKept = false) {
        this.#course = new Course<RunView, AheadView, Walk>(run, ahead, {
            url: `/pours/${String(run.pour_id)}`,
            prop: 'run',
            begin: begin,
            walked: walked,
            ended: ({ step }) => step.kind === 'done' || step.kind === 'given_up',
        });
        this.scale = new LiveScale(`run:${String(run.pour_id)}`);
        this.outbox = new Outbox<RunView>({
            store: `apalos.outbox.${String(run.pour_id)}`,
            url: `/pours/${String(run.pour_id)}/events`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            notes: true,
            doubts: (fact, why) => (this.doubted = { fact, why }),
            // Two screens may both have seen A meet B: that is agreement, not trouble.
            agreed: (fact, status) => fact.kind === 'met' && status === 409,
        });
        if (isKept) {
            this.outbox.away = true;
            this.#course.walkOn(this.outbox);
        }
    }

    /** What waited goes out, and what it takes to go on without the bench computer is sent ahead. */
    begin(): void {
        void this.outbox.flush();
        if (!this.outbox.away) {
            void this.#course.lookAhead();
        }
    }

    get run(): RunView {
        return this.#course.view;
    }

    /** Why it cannot go on by itself where nobody answers. */
    get wants(): string | null {
        return this.#course.wants;
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        const key = `${this.run.step.key}/${kind}/${this.#course.since(this.outbox.waiting)}/${about}`;
        return this.#course.told(this.outbox, this.outbox.add(key, kind, payload));
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
        const last = this.#course.last(this.outbox.waiting);
        if (last !== undefined) {
            await this.record('undone', { of_key: last.key }, last.key.slice(-12));
        } else if (this.run.take_back !== null) {
            await this.record('undone', { of: this.run.take_back.of });
        }
    }

    take(run: RunView): void {
        if (this.#course.take(run, this.outbox.waiting)) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<RunView>('GET', `/pours/${String(this.run.pour_id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.#course.known) {
            this.take(answer.data);
        } else if (!answer.ok && answer.status === 409) {
            // Another screen went back to the plan.
            router.visit(`/pours/${String(this.run.pour_id)}`, { replace: true });
        }
    }
}

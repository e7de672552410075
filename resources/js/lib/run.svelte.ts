import { router } from '@inertiajs/svelte';
import type { RunView } from '../types/server';
import { ask } from './api';
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

    constructor(run: RunView) {
        this.run = run;
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
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        return this.outbox.add(`${this.run.step.key}/${kind}/${String(this.run.last_fact_id)}/${about}`, kind, payload);
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
        if (this.run.take_back !== null) {
            await this.record('undone', { of: this.run.take_back.of });
        }
    }

    take(run: RunView): void {
        const moved = run.last_fact_id !== this.run.last_fact_id;
        this.run = run;
        if (moved) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<RunView>('GET', `/pours/${String(this.run.pour_id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.run.last_fact_id) {
            this.take(answer.data);
        } else if (!answer.ok && answer.status === 409) {
            // Another screen went back to the plan.
            router.visit(`/pours/${String(this.run.pour_id)}`, { replace: true });
        }
    }
}

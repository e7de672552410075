import { ask } from './api';
import { bench } from './bench.svelte';
import { Outbox, type Fact } from './outbox.svelte';
import type { BuildView } from '../types/server';

export type BuildOperation = BuildView['operations'][number];

/** A build on this screen. The server derives where it stands; this only records facts and shows the answer. */
export class LiveBuild {
    build = $state<BuildView>() as BuildView;
    trouble = $state<string | null>(null);
    /** What was told and is far from what was to be expected: asked about before it is believed. */
    doubted = $state<{ fact: Fact; why: string } | null>(null);
    outbox: Outbox<BuildView>;

    constructor(build: BuildView) {
        this.build = build;
        this.outbox = new Outbox<BuildView>({
            store: `apalos.outbox.build.${String(build.id)}`,
            url: `/builds/${String(build.id)}/facts`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            doubts: (fact, why) => (this.doubted = { fact, why }),
        });
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        return this.outbox.add(`${kind}/${String(payload.op ?? '')}/${String(this.build.last_fact_id)}/${about}`, kind, payload);
    }

    note(text: string): Promise<void> {
        return this.record('noted', { text }, `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`);
    }

    async takeBack(): Promise<void> {
        if (this.build.take_back !== null) {
            await this.record('undone', { of: this.build.take_back.of });
        }
    }

    take(build: BuildView): void {
        const moved = build.last_fact_id !== this.build.last_fact_id;
        this.build = build;
        if (moved) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something, or a window has moved with the room. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<BuildView>('GET', `/builds/${String(this.build.id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.build.last_fact_id) {
            this.take(answer.data);
        }
    }
}

/** Where it stands, in a word, as of now: a window opens and shuts between two looks at the server. */
export function standing(op: BuildOperation, now: number): string {
    if (op.state === 'waits' && op.waits_for.length === 0 && op.opens_ms !== null && now >= op.opens_ms) {
        return op.shuts_ms !== null && now > op.shuts_ms ? 'missed' : 'ready';
    }
    return (op.state === 'ready' || op.state === 'closing') && op.shuts_ms !== null && now > op.shuts_ms ? 'missed' : op.state;
}

export const standsIn: Record<string, string> = {
    waits: 'waits',
    ready: 'can begin',
    closing: 'window closing',
    missed: 'window shut',
    under_way: 'under way',
    failed: 'failed',
    done: 'done',
    left_out: 'left out',
};

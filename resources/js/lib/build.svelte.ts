import { beginBuild, walkedBuild, type BuildWalk } from '../away/buildWalk';
import { ask } from './api';
import { bench } from './bench.svelte';
import { Course } from './course.svelte';
import { Outbox, type Fact } from './outbox.svelte';
import type { BuildAheadView, BuildView } from '../types/server';

export type BuildOperation = BuildView['operations'][number];

/** A build on this screen. The server derives where it stands; this only records facts and shows the answer. */
export class LiveBuild {
    trouble = $state<string | null>(null);
    /** What was told and is far from what was to be expected: asked about before it is believed. */
    doubted = $state<{ fact: Fact; why: string } | null>(null);
    outbox: Outbox<BuildView>;
    #course: Course<BuildView, BuildAheadView, BuildWalk>;

    /** `isKept`: as the tablet kept it, since nobody answers. */
    constructor(build: BuildView, ahead: BuildAheadView | null = null, isKept = false) {
        this.#course = new Course<BuildView, BuildAheadView, BuildWalk>(build, ahead, {
            url: `/builds/${String(build.id)}`,
            prop: 'build',
            begin: beginBuild,
            walked: walkedBuild,
            ended: ({ grade, given_up: given }) => grade !== null || given !== null,
        });
        this.outbox = new Outbox<BuildView>({
            store: `apalos.outbox.build.${String(build.id)}`,
            url: `/builds/${String(build.id)}/facts`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            notes: true,
            doubts: (fact, why) => (this.doubted = { fact, why }),
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

    get build(): BuildView {
        return this.#course.view;
    }

    /** Why it cannot go on by itself where nobody answers. */
    get wants(): string | null {
        return this.#course.wants;
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        const key = `${kind}/${String(payload.op ?? '')}/${this.#course.since(this.outbox.waiting)}/${about}`;
        return this.#course.told(this.outbox, this.outbox.add(key, kind, payload));
    }

    /** What was asked about is not so. */
    forgetDoubt(): void {
        this.doubted = null;
        void this.outbox.slip();
    }

    /** Nothing of it is on its way, or what is waits here until somebody answers. */
    get ready(): boolean {
        return this.outbox.idle || this.outbox.away;
    }

    note(text: string): Promise<void> {
        return this.record('noted', { text }, `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`);
    }

    async takeBack(): Promise<void> {
        const last = this.#course.last(this.outbox.waiting);
        if (last !== undefined) {
            await this.record('undone', { of_key: last.key }, last.key.slice(-12));
        } else if (this.build.take_back !== null) {
            await this.record('undone', { of: this.build.take_back.of });
        }
    }

    take(build: BuildView): void {
        if (this.#course.take(build, this.outbox.waiting)) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something, or a window has moved with the room. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<BuildView>('GET', `/builds/${String(this.build.id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.#course.known) {
            this.take(answer.data);
        }
    }
}

/** Its operations as a change of plan hands them in. */
export function planOf(build: BuildView): Record<string, unknown>[] {
    return build.operations.map((op) => ({
        id: op.id,
        kind: op.kind,
        name: op.name,
        how: op.how,
        minutes: op.minutes,
        uses: op.uses,
        cautions: op.own_cautions,
        care: op.acts,
        weighed: op.weighed,
        mix: op.mix === null ? null : Object.fromEntries(Object.entries(op.mix).filter(([, v]) => v !== null)),
        after: op.after.map((wait) => Object.fromEntries(Object.entries(wait).filter(([, v]) => v !== null))),
    }));
}

/** The plan with a thin bonding coat put in before the one that comes too late: that one waits for it instead. */
export function withSavingCoat(build: BuildView, late: BuildOperation): Record<string, unknown>[] {
    const plan = planOf(build);
    const at = build.operations.findIndex((op) => op.id === late.id);
    let n = 1;
    while (build.operations.some((op) => op.id === `bonding-${String(n)}`)) {
        n++;
    }
    const id = `bonding-${String(n)}`;
    const area = late.mix?.area_mm2 ?? build.operations.map((op) => op.mix?.area_mm2).find((mm2) => typeof mm2 === 'number');
    const coat = {
        id,
        kind: 'coat',
        name: 'Thin bonding coat',
        how: late.save ?? '',
        minutes: 8,
        uses: ['hands'],
        cautions: [],
        care: [],
        after: late.late_on === null ? [] : [{ op: late.late_on }],
        mix: {
            against: 'last',
            intent: 'bond',
            thickness_mm: late.save_coat_mm ?? 0.5,
            ...(typeof area === 'number' ? { area_mm2: area } : {}),
            ...(typeof late.mix?.base === 'string' ? { base: late.mix.base } : {}),
        },
    };
    const waits = late.after.filter((wait) => wait.op !== late.late_on);
    const moved = {
        ...plan[at],
        after: [
            ...waits.map((wait) => Object.fromEntries(Object.entries(wait).filter(([, v]) => v !== null))),
            { op: id, from: 'recoat_open', until: 'recoat_close' },
        ],
    };
    return [...plan.slice(0, at), coat, moved, ...plan.slice(at + 1)];
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

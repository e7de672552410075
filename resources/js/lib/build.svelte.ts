import { beginBuild, walkedBuild, type BuildWalk } from '../away/buildWalk';
import type { Told } from '../away/walk';
import { ask } from './api';
import { away } from './away.svelte';
import { bench } from './bench.svelte';
import { Outbox, type Fact } from './outbox.svelte';
import type { BuildAheadView, BuildView } from '../types/server';

export type BuildOperation = BuildView['operations'][number];

/** A build on this screen. The server derives where it stands; this only records facts and shows the answer. */
export class LiveBuild {
    build = $state<BuildView>() as BuildView;
    trouble = $state<string | null>(null);
    /** What was told and is far from what was to be expected: asked about before it is believed. */
    doubted = $state<{ fact: Fact; why: string } | null>(null);
    /** Why it cannot go on by itself where nobody answers. */
    wants = $state<string | null>(null);
    outbox: Outbox<BuildView>;
    /** As the bench computer said last, and what it sent ahead for it. */
    #base: BuildView;
    #ahead: BuildAheadView | null;
    #walk: BuildWalk | null = null;

    /** `isKept`: as the tablet kept it, since nobody answers. */
    constructor(build: BuildView, ahead: BuildAheadView | null = null, isKept = false) {
        this.build = build;
        this.#base = build;
        this.#ahead = ahead;
        this.outbox = new Outbox<BuildView>({
            store: `apalos.outbox.build.${String(build.id)}`,
            url: `/builds/${String(build.id)}/facts`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            doubts: (fact, why) => (this.doubted = { fact, why }),
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

    #walkOn(): void {
        const from = this.outbox.waiting > 0 ? beginBuild(this.#base, this.#ahead) : null;
        if (from !== null) {
            this.#walk = walkedBuild(from, $state.snapshot(this.outbox.kept) as Told[]);
            this.build = this.#walk.view;
            this.wants = this.#walk.wants;
        }
    }

    async #lookAhead(): Promise<void> {
        const last = this.#base.last_fact_id;
        if (this.#base.grade !== null || this.#base.given_up !== null) {
            return;
        }
        const answer = await ask<BuildAheadView>('GET', `/builds/${String(this.#base.id)}/ahead`);
        if (answer.ok && this.#base.last_fact_id === last) {
            this.#ahead = answer.data;
            void away.look({ build: $state.snapshot(this.#base), ahead: answer.data });
        }
    }

    record(kind: string, payload: Record<string, unknown> = {}, about = ''): Promise<void> {
        const since = `${String(this.build.last_fact_id)}${this.#walk === null ? '' : `+${String(this.outbox.waiting)}`}`;
        return this.#told(this.outbox.add(`${kind}/${String(payload.op ?? '')}/${since}/${about}`, kind, payload));
    }

    /** Kept it is before anything else; where nobody answers the build goes on at once. */
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

    /** Nothing of it is on its way, or what is waits here until somebody answers. */
    get ready(): boolean {
        return this.outbox.idle || this.outbox.away;
    }

    note(text: string): Promise<void> {
        return this.record('noted', { text }, `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`);
    }

    async takeBack(): Promise<void> {
        const last = this.#walk?.stands.at(-1);
        if (last !== undefined && this.outbox.waiting > 0) {
            await this.record('undone', { of_key: last.key }, last.key.slice(-12));
        } else if (this.build.take_back !== null) {
            await this.record('undone', { of: this.build.take_back.of });
        }
    }

    take(build: BuildView): void {
        const moved = build.last_fact_id !== this.#base.last_fact_id;
        this.#base = build;
        if (this.#walk === null || this.outbox.waiting === 0) {
            this.#walk = null;
            this.wants = null;
            this.build = build;
        }
        if (moved) {
            void bench.refresh();
            if (this.outbox.waiting === 0) {
                void this.#lookAhead();
            }
        }
    }

    /** Looks whether another screen has done something, or a window has moved with the room. */
    async look(): Promise<void> {
        if (!this.outbox.idle) {
            return;
        }
        const answer = await ask<BuildView>('GET', `/builds/${String(this.build.id)}/state`);
        if (answer.ok && answer.data.last_fact_id >= this.#base.last_fact_id) {
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

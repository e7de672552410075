import type { SeriesRunView } from '../types/server';
import { ask } from './api';
import { bench } from './bench.svelte';
import { Outbox } from './outbox.svelte';
import { LiveScale } from './scale.svelte';
import type { Entry } from './units';

/** A series on this screen. What is in its cups the server reads off the facts; this records them and shows the answer. */
export class LiveSeries {
    run = $state<SeriesRunView>() as SeriesRunView;
    scale: LiveScale;
    trouble = $state<string | null>(null);
    outbox: Outbox<SeriesRunView>;

    constructor(run: SeriesRunView) {
        this.run = run;
        this.scale = new LiveScale(`series:${String(run.id)}`);
        this.outbox = new Outbox<SeriesRunView>({
            store: `apalos.series.${String(run.id)}`,
            url: `/swatches/series/${String(run.id)}/facts`,
            took: (stands) => this.take(stands),
            trouble: (says) => (this.trouble = says),
            agreed: (fact, status) => fact.kind === 'met' && status === 409,
        });
    }

    /** From the same state the same thing is one fact, however often it is pressed. */
    #record(kind: string, payload: Record<string, unknown>, about = ''): Promise<void> {
        return this.outbox.add(`${kind}/${String(this.run.last_fact_id)}/${about}`, kind, payload);
    }

    tared(vessel: string): Promise<void> {
        return this.#record('tared', { vessel });
    }

    /** The display counts what is in the vessel from this reading on. */
    count(reading: number, inLine: number): Promise<void> {
        return this.run.next === null
            ? Promise.resolve()
            : this.#record('counted', { vessel: this.run.next.vessel, reading_g: reading, in_line_g: inLine });
    }

    put(reading: number): Promise<void> {
        const next = this.run.next;
        return next === null ? Promise.resolve() : this.#record('put', { vessel: next.vessel, line: next.line, reading_g: reading });
    }

    /** Written over a line by hand; an emptied field is not in yet. Every writing is a fact of its own: the last one stands. */
    write(vessel: string, line: number, grams: Entry): Promise<void> {
        return this.#record('written', { vessel, line, grams }, `${vessel}/${String(line)}/${Date.now().toString(36)}`);
    }

    met(): Promise<void> {
        return this.run.met_ms === null ? this.#record('met', {}) : Promise.resolve();
    }

    unmet(): Promise<void> {
        return this.#record('unmet', {});
    }

    async takeBack(): Promise<void> {
        if (this.run.take_back !== null) {
            await this.#record('undone', { of: this.run.take_back.of });
        }
    }

    take(run: SeriesRunView): void {
        const moved = run.last_fact_id !== this.run.last_fact_id;
        this.run = run;
        if (moved) {
            void bench.refresh();
        }
    }

    /** Looks whether another screen has done something. */
    async look(): Promise<void> {
        if (this.outbox.idle) {
            const answer = await ask<SeriesRunView>('GET', `/swatches/series/${String(this.run.id)}/state`);
            if (answer.ok && answer.data.last_fact_id >= this.run.last_fact_id) {
                this.take(answer.data);
            }
        }
    }
}

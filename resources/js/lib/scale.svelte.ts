import type { ScaleView } from '../types/server';
import { ask } from './api';
import { bench } from './bench.svelte';

const EVERY_MS = 250;
const SILENT: ScaleView = { grams: null, stable: false, overload: false, lost: null, unit: 'g', held_by: null, trouble: null };

/** The shop's scale as one weigh-up hears it: its reading, who else has it, and what is wrong with its display. */
export class LiveScale {
    reading = $state<ScaleView>(SILENT);
    #for: string;

    /** @param weighUp `run:12` or `series:3` */
    constructor(weighUp: string) {
        this.#for = weighUp;
    }

    /** The live weight where it may be believed, else null. */
    get grams(): number | null {
        return this.speaks && !this.reading.overload ? this.reading.grams : null;
    }

    /** There is a scale, it answers, and it serves this weigh-up. */
    get speaks(): boolean {
        return bench.frame?.scale === true && this.reading.lost === null && this.reading.held_by === null;
    }

    /** Its display says what is in the cup. */
    get sound(): boolean {
        return this.speaks && this.reading.trouble === null;
    }

    async #post(what: string, more: Record<string, unknown> = {}): Promise<boolean> {
        const answer = await ask<ScaleView>('POST', `/devices/scale/${what}`, { for: this.#for, ...more });
        const held = answer.ok ? null : (answer.data as ScaleView | null);
        this.reading = answer.ok ? answer.data : answer.status === 409 && held !== null ? held : { ...SILENT, lost: answer.wrong.message };
        return answer.ok && this.reading.lost === null;
    }

    /** Tares it with what stands on it; false where it does not answer or serves another, and `reading` says why. */
    tare(take = false): Promise<boolean> {
        return this.#post('tare', { take });
    }

    /** From now on it serves this weigh-up. */
    takeOver(): Promise<boolean> {
        return this.#post('take-over');
    }

    /** All that is on it is in the cup. */
    accept(): Promise<boolean> {
        return this.#post('accept');
    }

    /** Listens while it is wanted and somebody looks; call what is returned to stop. */
    listen(wanted: () => boolean, heard: () => void): () => void {
        let asking = false;
        const timer = setInterval(() => {
            if (!asking && bench.frame?.scale === true && document.visibilityState === 'visible' && wanted()) {
                asking = true;
                void this.#post('watch').then(() => {
                    asking = false;
                    heard();
                });
            }
        }, EVERY_MS);
        return () => clearInterval(timer);
    }
}

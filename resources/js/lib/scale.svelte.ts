import type { ScaleView } from '../types/server';
import { ask } from './api';
import { bench } from './bench.svelte';
import { tabletScale } from './tabletScale.svelte';

const EVERY_MS = 250;
const SILENT: ScaleView = { grams: null, stable: false, overload: false, lost: null, unit: 'g', held_by: null, trouble: null };

/** It hangs at the bench computer. */
const GONE = 'With the bench computer the scale is gone: type what it reads.';

/** Its own scale says nothing just now. */
const QUIET: ScaleView = {
    ...SILENT,
    lost: 'The scale at this tablet says nothing. Look at its cable and whether it is on, or type the reading.',
};

/**
 * A scale as one weigh-up hears it, that at this tablet before the shop’s: its reading, who else has it, and what is wrong with its
 * display.
 */
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
        return this.#there && this.reading.lost === null && this.reading.held_by === null;
    }

    get #there(): boolean {
        return tabletScale.on || bench.frame?.scale === true;
    }

    /** Its display says what is in the cup. */
    get sound(): boolean {
        return this.speaks && this.reading.trouble === null;
    }

    async #post(what: string, more: Record<string, unknown> = {}): Promise<boolean> {
        const own = tabletScale.on ? tabletScale.said() : null;
        if (tabletScale.on && own === null) {
            this.reading = QUIET;
            return false;
        }
        const answer = await ask<ScaleView>('POST', `/devices/scale/${what}`, { for: this.#for, ...own, ...more });
        if (!answer.ok && answer.offline && own !== null) {
            // It hangs here, and goes on without the bench computer; what its display does is watched again when that is back.
            const { grams, rests, over } = tabletScale.reading ?? { grams: null, rests: false, over: false };
            this.reading = { ...SILENT, grams, stable: rests, overload: over };
            return true;
        }
        const held = answer.ok ? null : (answer.data as ScaleView | null);
        this.reading = answer.ok
            ? answer.data
            : answer.status === 409 && held !== null
              ? held
              : { ...SILENT, lost: !answer.ok && answer.offline ? GONE : answer.wrong.message };
        return answer.ok && this.reading.lost === null;
    }

    /** Tares it with what stands on it; false where it does not answer or serves another, and `reading` says why. */
    async tare(take = false): Promise<boolean> {
        return (!tabletScale.on || (await tabletScale.tare())) && this.#post('tare', { take });
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
            if (!asking && this.#there && document.visibilityState === 'visible' && wanted()) {
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

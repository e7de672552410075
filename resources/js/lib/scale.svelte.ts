import { ask } from './api';
import { bench } from './bench.svelte';

export type Reading = { grams: number | null; stable: boolean; overload: boolean; lost: string | null };

const EVERY_MS = 250;

/** The shop's scale as this screen hears it. */
export class LiveScale {
    reading = $state<Reading>({ grams: null, stable: false, overload: false, lost: null });

    /** The live weight where the scale answers, else null. */
    get grams(): number | null {
        return this.reading.lost === null && !this.reading.overload ? this.reading.grams : null;
    }

    /** There is a scale and it answers. */
    get speaks(): boolean {
        return bench.frame?.scale === true && this.reading.lost === null;
    }

    async #take(method: 'GET' | 'POST', url: string): Promise<boolean> {
        const answer = await ask<Reading>(method, url);
        this.reading = answer.ok ? answer.data : { grams: null, stable: false, overload: false, lost: answer.wrong.message };
        return this.reading.lost === null;
    }

    /** Tares it with what stands on it; false where it does not answer, and `reading.lost` says why. */
    tare(): Promise<boolean> {
        return this.#take('POST', '/devices/scale/tare');
    }

    /** Listens while it is wanted and somebody looks; call what is returned to stop. */
    listen(wanted: () => boolean, heard: () => void): () => void {
        let asking = false;
        const timer = setInterval(() => {
            if (!asking && bench.frame?.scale === true && document.visibilityState === 'visible' && wanted()) {
                asking = true;
                void this.#take('GET', '/devices/scale').then(() => {
                    asking = false;
                    heard();
                });
            }
        }, EVERY_MS);
        return () => clearInterval(timer);
    }
}

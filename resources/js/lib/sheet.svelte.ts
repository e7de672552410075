import type { ReckoningView } from '../types/server';
import { ask } from './api';

export type Entry = number | string | null;

export type Volume = { method: string; allowance_pct: Entry; correction_pct?: Entry; [field: string]: unknown };
export type Additive = { code: string; amount: Entry; basis: string; into: string };
export type Sheet = {
    volume: Volume | null;
    target: { mass_g?: Entry; waste_pct: Entry };
    formula: { base: string; additives: Additive[] };
    plan: {
        scale: { division_g: Entry; capacity_g: Entry };
        vessel: { capacity_ml: Entry; tare_g: Entry; degas: boolean; rise_factor: Entry } | null;
        mix_min: Entry;
        degas_min: Entry;
        pour_g_per_min: Entry;
    };
    formula_name: string;
};

/**
 * A pour sheet as it is typed. Every change is kept on the server and answered by it; an answer to an older state of the
 * sheet is thrown away, and until the newest is in, nothing on screen passes for its result.
 */
export class LiveSheet {
    sheet = $state<Sheet>() as Sheet;
    answer = $state<ReckoningView>() as ReckoningView;
    /** The answer on screen belongs to what is typed. */
    fresh = $state(true);
    trouble = $state<string | null>(null);
    #asked = 0;
    #busy = false;
    #url: string;
    #retry: ReturnType<typeof setTimeout> | undefined;

    constructor(url: string, sheet: Sheet, answer: ReckoningView) {
        this.#url = url;
        this.sheet = sheet;
        this.answer = answer;
    }

    changed(): void {
        this.#asked++;
        this.fresh = false;
        clearTimeout(this.#retry);
        void this.#send();
    }

    error(field: string): { message: string; missing: boolean } | null {
        return this.answer.errors.find((e) => e.field === field) ?? null;
    }

    // One question at a time: what is typed while one is under way goes out with the next.
    async #send(): Promise<void> {
        if (this.#busy) {
            return;
        }
        this.#busy = true;
        const mine = this.#asked;
        const answer = await ask<ReckoningView>('PUT', this.#url, $state.snapshot(this.sheet));
        this.#busy = false;
        if (mine !== this.#asked) {
            return this.#send();
        }
        if (answer.ok) {
            this.answer = answer.data;
            this.fresh = true;
            this.trouble = null;
        } else {
            this.trouble = answer.wrong.message;
            if (answer.offline) {
                this.#retry = setTimeout(() => void this.#send(), 2500);
            }
        }
    }

    /** Resolves when everything typed has been kept and answered; false when it cannot be just now. */
    async settled(): Promise<boolean> {
        for (let i = 0; i < 100 && !this.fresh && this.trouble === null; i++) {
            await new Promise((done) => setTimeout(done, 30));
        }
        return this.fresh;
    }
}

import type { Entry } from './units';
import type { ReckoningView } from '../types/server';
import { Asking } from './asking.svelte';

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
    /** The version it was taken from, so that what comes of it remembers. */
    formula_from?: number | null;
    /** Whose measurements these are, until they are said to be this one's. */
    carried?: string | null;
};

/**
 * A pour sheet as it is typed. Every change is kept on the server and answered by it; until the newest answer is in, nothing
 * on screen passes for its result.
 */
export class LiveSheet {
    sheet = $state<Sheet>() as Sheet;
    #asking: Asking<ReckoningView>;

    constructor(url: string, sheet: Sheet, answer: ReckoningView) {
        this.sheet = sheet;
        this.#asking = new Asking('PUT', url, () => $state.snapshot(this.sheet), answer);
    }

    get answer(): ReckoningView {
        return this.#asking.answer;
    }

    /** The answer on screen belongs to what is typed. */
    get fresh(): boolean {
        return this.#asking.fresh;
    }

    get trouble(): string | null {
        return this.#asking.trouble?.message ?? null;
    }

    changed(): void {
        this.#asking.changed();
    }

    error(field: string): { message: string; missing: boolean } | null {
        return this.answer.errors.find((e) => e.field === field) ?? null;
    }

    /** Resolves when everything typed has been kept and answered; false when it cannot be just now. */
    settled(): Promise<boolean> {
        return this.#asking.settled();
    }
}

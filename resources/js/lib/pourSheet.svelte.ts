import type { Entry } from './units';
import type { ReckoningView } from '../types/server';
import { type Answer, ask } from './api';
import { Asking } from './asking.svelte';
import { bench } from './bench.svelte';
import { differences, type Difference } from './clash';

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
        /** Only of what is cast hot. */
        thickest_mm?: Entry;
    };
    formula_name: string;
    /** The version it was taken from, so that what comes of it remembers. */
    formula_from?: number | null;
    /** `fits` until the maker chooses a cup: the smallest of the shop's that holds it all. */
    cup?: 'fits' | 'hand' | null;
    /** Whose measurements these are, until they are said to be this one's. */
    carried?: string | null;
};

/** What stands on the bench computer where another screen has changed, or begun, the same sheet. */
type Clashed = { begun: boolean; now: { sheet: Sheet; reckoning: ReckoningView } };

/**
 * A pour sheet as it is typed. Every change is kept on the server and answered by it, on the edition that is shown here; a change of the
 * room or of the units only asks. Where another screen was faster nothing is written: both stand side by side until somebody has
 * pressed which is right. Until the newest answer is in, nothing on screen passes for its result.
 */
export class LiveSheet {
    sheet = $state<Sheet>() as Sheet;
    edition = $state(0);
    /** The same pour was begun on another screen: its run is where it goes on. */
    begun = $state(false);
    #clash = $state<Clashed | null>(null);
    #url: string;
    #dirty = false;
    #sent = '';
    #asking: SheetAsking;

    constructor(url: string, sheet: Sheet, answer: ReckoningView) {
        this.sheet = sheet;
        this.edition = answer.edition;
        this.#url = url;
        this.#asking = new SheetAsking(() => this.#say(), answer);
    }

    get answer(): ReckoningView {
        return this.#asking.answer;
    }

    /** The answer on screen belongs to what is typed. */
    get fresh(): boolean {
        return this.#asking.fresh && this.#clash === null;
    }

    get trouble(): string | null {
        return this.#clash === null ? (this.#asking.trouble?.message ?? null) : null;
    }

    /** What differs where another screen has kept something else; null where none has. */
    get clash(): { says: string; differs: Difference[] } | null {
        return this.#clash === null
            ? null
            : {
                  says: this.#asking.trouble?.message ?? '',
                  differs: differences($state.snapshot(this.sheet), this.#clash.now.sheet, bench.units),
              };
    }

    changed(): void {
        this.#dirty = true;
        if (this.#clash === null) {
            this.#asking.changed();
        }
    }

    /** Asked once more and written by nobody: the room has changed, or somebody has come back to this page. */
    look(): void {
        if (this.#clash === null) {
            this.#asking.changed();
        }
    }

    takeTheirs(): void {
        if (this.#clash !== null) {
            const { sheet, reckoning } = this.#clash.now;
            this.#dirty = false;
            this.#stands(sheet, reckoning);
        }
    }

    keepMine(): void {
        if (this.#clash !== null) {
            this.edition = this.#clash.now.reckoning.edition;
            this.#clash = null;
            this.changed();
        }
    }

    error(field: string): { message: string; missing: boolean } | null {
        return this.answer.errors.find((e) => e.field === field) ?? null;
    }

    /** Resolves when everything typed has been kept and answered; false when it cannot be just now. */
    async settled(): Promise<boolean> {
        return (await this.#asking.settled()) && this.#clash === null;
    }

    #stands(sheet: Sheet, reckoning: ReckoningView): void {
        this.sheet = sheet;
        this.edition = reckoning.edition;
        this.#clash = null;
        this.#asking.stands(reckoning);
    }

    async #say(): Promise<Answer<ReckoningView>> {
        const writes = this.#dirty;
        const said = $state.snapshot(this.sheet);
        this.#sent = JSON.stringify(said);
        const answer = await ask<ReckoningView>(
            writes ? 'PUT' : 'POST',
            `${this.#url}${writes ? '' : '/ask'}?edition=${String(this.edition)}`,
            said,
        );
        if (answer.ok) {
            this.edition = answer.data.edition;
            this.#dirty = this.#dirty && JSON.stringify($state.snapshot(this.sheet)) !== this.#sent;
            this.#fit(answer.data);
            return answer;
        }
        return answer.status === 409 ? this.#met(answer, answer.data as Clashed) : answer;
    }

    /** Where nobody has chosen a cup, the smallest that holds it all stands there. */
    #fit(answer: ReckoningView): void {
        const vessel = this.sheet.plan.vessel;
        if (answer.cup !== null && vessel !== null && this.sheet.cup === 'fits') {
            [vessel.capacity_ml, vessel.tare_g] = [answer.cup.ml, answer.cup.tare_g ?? vessel.tare_g];
        }
    }

    #met(refused: Answer<ReckoningView>, clashed: Clashed): Answer<ReckoningView> {
        if (clashed.begun) {
            this.begun = true;
        } else if (!this.#dirty || differences($state.snapshot(this.sheet), clashed.now.sheet, bench.units).length === 0) {
            // Nothing was typed here, or just the same: what stands there is taken.
            this.#dirty = false;
            this.sheet = clashed.now.sheet;
            this.edition = clashed.now.reckoning.edition;
            return { ok: true, data: clashed.now.reckoning };
        } else {
            this.#clash = clashed;
        }
        return refused;
    }
}

class SheetAsking extends Asking<ReckoningView> {
    #how: () => Promise<Answer<ReckoningView>>;

    constructor(how: () => Promise<Answer<ReckoningView>>, answer: ReckoningView) {
        super('POST', '', () => null, answer);
        this.#how = how;
    }

    protected override say(): Promise<Answer<ReckoningView>> {
        return this.#how();
    }
}

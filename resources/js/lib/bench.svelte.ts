import { router } from '@inertiajs/svelte';
import type { FrameView } from '../types/server';
import { ask, type Wrong } from './api';
import { practice } from './practice.svelte';
import { type Entry, decimalsOf, type Units } from './units';
import { setZone } from './when';

/** What can be changed; what is no number is refused by the server, in a sentence. */
type Change = Partial<{
    name: string;
    units: Units;
    muted: boolean;
    room_c: Entry;
    room_source: 'hand' | 'thermometer';
    scale_division_g: Entry;
    scale_capacity_g: Entry;
    day_starts_min: Entry;
    day_ends_min: Entry;
    time_zone: string;
    currency: string;
    cups: { ml: Entry; tare_g: Entry }[];
    vacuum: boolean;
    hands: Entry;
}>;

/** By more than this no clock runs slow: somebody set it. */
const SET_BACK_MS = 5000;

/**
 * What every screen shares: the frame as the server last told it, and a clock that runs on the server's time, so that a
 * tablet with a wrong clock still counts down right.
 */
class Bench {
    frame = $state<FrameView | null>(null);
    now = $state(Date.now());
    /**
     * The clock of this tablet was set back while nobody could say what time it is: moments go on from what the bench computer last said.
     */
    clockOff = $state(false);
    #skew = 0;
    /** At a practice its time may run faster: since when, by how much. */
    #pace = { from: 0, times: 1 };
    #seen = { date: Date.now(), ran: performance.now() };
    /** Answers may overtake each other: only that to the last question counts. */
    #asked = 0;

    get units(): Units {
        return this.frame?.workshop.units === 'imperial' ? 'imperial' : 'metric';
    }

    /** The decimals grams are shown with here: those of the shop's scale. */
    get fine(): number {
        return decimalsOf(this.frame?.workshop.scale_division_g ?? 0.1, this.units);
    }

    /** What something costs, in the shop's money. */
    price(amount: number, fine = 2): string {
        const currency = this.frame?.workshop.currency ?? null;
        return currency === null
            ? amount.toFixed(fine)
            : new Intl.NumberFormat('en-GB', {
                  style: 'currency',
                  currency,
                  currencyDisplay: 'narrowSymbol',
                  minimumFractionDigits: fine,
                  maximumFractionDigits: fine,
              }).format(amount);
    }

    get muted(): boolean {
        return this.frame?.workshop.muted ?? false;
    }

    /** `keptAt`: by the tablet's own clock, where it is the tablet that kept it. */
    take(frame: FrameView, keptAt: number | null = null): void {
        const date = Date.now();
        // Kept later than it is now: the clock went back in between.
        this.clockOff = keptAt !== null && keptAt > date + SET_BACK_MS;
        this.#skew = frame.strip.now_ms - (keptAt === null || this.clockOff ? date : keptAt);
        this.#seen = { date, ran: performance.now() };
        this.#pace = { from: date, times: frame.practice?.rate ?? 1 };
        practice.id = frame.practice?.id ?? null;
        setZone(frame.workshop.time_zone);
        this.frame = frame;
        this.tick();
    }

    tick(): void {
        const [date, ran] = [Date.now(), performance.now()];
        const back = ran - this.#seen.ran - (date - this.#seen.date);
        if (back > SET_BACK_MS) {
            this.#skew += back;
            this.clockOff = true;
        }
        this.#seen = { date, ran };
        this.now = date + this.#skew + (this.#pace.times - 1) * (date - this.#pace.from);
    }

    /** The clock of a practice, as its bench says it. */
    paces(now: number, times: number): void {
        const date = Date.now();
        this.#skew = now - date;
        this.#pace = { from: date, times };
        this.tick();
    }

    async refresh(): Promise<void> {
        const mine = ++this.#asked;
        const answer = await ask<FrameView>('GET', '/frame');
        if (answer.ok && mine === this.#asked) {
            this.take(answer.data);
        }
    }

    /**
     * Changes what holds for the whole bench; what is wrong and where, or null. What is more than a touch, seeing what is, says on which
     * edition it was typed.
     */
    async change(what: Change, edition?: number): Promise<Wrong | null> {
        const mine = ++this.#asked;
        const answer = await ask<FrameView>('PUT', edition === undefined ? '/workshop' : `/workshop?edition=${String(edition)}`, what);
        if (!answer.ok) {
            return answer.wrong;
        }
        const units = this.units;
        if (mine === this.#asked) {
            this.take(answer.data);
        }
        if (units !== this.units) {
            router.reload();
        }
        return null;
    }
}

export const bench = new Bench();

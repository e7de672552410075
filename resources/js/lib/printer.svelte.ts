import type { PrintQueueView } from '../types/server';
import { ask, make, type Answer } from './api';
import { drawn, type LabelText } from './drawnLabel';

/** How often what waits is looked at while something does. */
const LOOKS_MS = 2000;

/** The label printer, as this screen knows it: what waits, and why. */
class Printer {
    queue = $state<PrintQueueView | null>(null);
    wrong = $state<string | null>(null);
    busy = $state(false);
    #looks: ReturnType<typeof setTimeout> | null = null;

    /** What stands in the way of the first that waits. */
    get why(): string | null {
        return this.queue?.labels.find((label) => label.why !== null)?.why ?? null;
    }

    async look(): Promise<void> {
        this.#heard(await ask<PrintQueueView>('GET', '/labels'));
    }

    /** All of them in one press. Those of a second parcel follow by themselves. */
    async print(labels: { what: string; text: LabelText }[]): Promise<boolean> {
        this.busy = true;
        this.wrong = null;
        try {
            await this.look();
            const queue = this.queue;
            if (queue === null || this.wrong !== null) {
                return false;
            }
            for (let at = 0; at < labels.length; at += queue.at_a_press) {
                const parcel = labels.slice(at, at + queue.at_a_press);
                const bits = await Promise.all(
                    parcel.map(async ({ what, text }) => ({ what, pbm: await drawn(text, queue.roll, location.origin) })),
                );
                if (!this.#heard(await make<PrintQueueView>('/labels', { labels: bits }))) {
                    return false;
                }
            }
            return true;
        } finally {
            this.busy = false;
        }
    }

    async again(): Promise<void> {
        this.#heard(await ask<PrintQueueView>('POST', '/labels/again', {}));
    }

    async takeOff(id: number): Promise<void> {
        this.#heard(await ask<PrintQueueView>('DELETE', `/labels/${String(id)}`));
    }

    async anew(id: number): Promise<void> {
        this.#heard(await ask<PrintQueueView>('POST', `/labels/${String(id)}`, {}));
    }

    async roll(roll: PrintQueueView['roll'] | Record<string, unknown>): Promise<boolean> {
        return this.#heard(await ask<PrintQueueView>('PUT', '/labels/roll', roll));
    }

    #heard(answer: Answer<PrintQueueView>): boolean {
        this.wrong = answer.ok ? null : answer.wrong.message;
        if (!answer.ok) {
            return false;
        }
        this.queue = answer.data;
        if (this.#looks !== null) {
            clearTimeout(this.#looks);
            this.#looks = null;
        }
        // What waits for somebody to do something is not asked after all day.
        if (answer.data.labels.some((label) => label.state === 'printing' || (label.state === 'waiting' && label.why === null))) {
            this.#looks = setTimeout(() => void this.look(), LOOKS_MS);
        }
        return true;
    }
}

export const printer = new Printer();

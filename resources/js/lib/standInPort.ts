import type { Port } from './tabletScale.svelte';

/**
 * A scale that is none, for trying and for tests: it settles like one, says what it shows four times a second, and goes to nought on `T`.
 */
export class StandInPort implements Port {
    readable: ReadableStream<Uint8Array> | null = null;
    writable: WritableStream<Uint8Array> | null = null;
    #on = 0;
    #tare = 0;
    #moved = 0;
    #timer: ReturnType<typeof setInterval> | undefined;
    #write: (grams: number, rests: boolean) => string;

    /** @param write how it writes down what it shows */
    constructor(
        write = (grams: number, rests: boolean): string =>
            `${rests ? 'ST' : 'US'},${grams < 0 ? '-' : '+'}${Math.abs(grams).toFixed(1).padStart(7, '0')},g`,
    ) {
        this.#write = write;
    }

    open(): Promise<void> {
        this.readable = new ReadableStream({
            start: (out) => {
                this.#timer = setInterval(() => {
                    const line = this.#write(this.#on - this.#tare, Date.now() - this.#moved > 700);
                    // A line comes in two pieces, as over a wire.
                    const bytes = new TextEncoder().encode(`${line}\r\n`);
                    out.enqueue(bytes.slice(0, 5));
                    out.enqueue(bytes.slice(5));
                }, 250);
            },
            cancel: () => clearInterval(this.#timer),
        });
        this.writable = new WritableStream({
            write: (bytes) => {
                if (new TextDecoder().decode(bytes).startsWith('T')) {
                    this.#tare = this.#on;
                }
            },
        });
        return Promise.resolve();
    }

    close(): Promise<void> {
        clearInterval(this.#timer);
        return Promise.resolve();
    }

    /** So much more, or less, on its pan. */
    put(grams: number): void {
        this.#on = Math.max(0, this.#on + grams);
        this.#moved = Date.now();
    }
}

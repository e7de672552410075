import { ask } from './api';
import { asLine, recognised, split, weighed, type Format, type Way, type Weighed } from './scaleLine';

const STORE = 'apalos.scale';
const SHOWN = 6;
/** Nothing came for so long: it is off, or its cable is. */
const SILENT_MS = 4000;
/** It shows the same for so long: it has come to rest. */
const RESTS_MS = 1000;

type Kept = { id: string; baud: number; format: Format | null };

/** What of a serial port is used, so that a stand-in can be one. */
export type Port = {
    open(options: { baudRate: number }): Promise<void>;
    close(): Promise<void>;
    readonly readable: ReadableStream<Uint8Array> | null;
    readonly writable: WritableStream<Uint8Array> | null;
};
type Serial = { requestPort(): Promise<Port>; getPorts(): Promise<Port[]> };

const serial = (): Serial | null => (navigator as unknown as { serial?: Serial }).serial ?? null;

/** A scale that hangs at this tablet: its browser reads it, line by line, and tells the bench computer what it shows. */
class TabletScale {
    /** It is open and read. */
    on = $state(false);
    lines = $state<string[]>([]);
    format = $state<Format | null>(null);
    trouble = $state<string | null>(null);
    ways = $state<Way[]>([]);
    /** What it shows, with whether it has come to rest. */
    reading = $state<(Weighed & { rests: boolean }) | null>(null);
    #id = '';
    #baud = 9600;
    #port: Port | null = null;
    #reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
    #heard = 0;
    #same = { grams: Number.NaN, since: 0 };

    get possible(): boolean {
        return serial() !== null;
    }

    /** It says something that is a weight, and said it just now. */
    get speaks(): boolean {
        return this.on && this.reading !== null && this.format !== null && Date.now() - this.#heard < SILENT_MS;
    }

    /** As the bench computer hears it; null where there is nothing to hear. */
    said(): { scale: string; line: string } | null {
        return this.speaks && this.reading !== null ? { scale: this.#id, line: asLine(this.reading, this.reading.rests) } : null;
    }

    /** That of before is opened by itself; another is picked. */
    async begin(): Promise<void> {
        const kept = this.#kept();
        const [port] = kept === null || kept.format === null ? [] : ((await serial()?.getPorts()) ?? []);
        if (port !== undefined && kept !== null && !this.on) {
            await this.#open(port, kept.baud, kept.format);
        }
    }

    async pick(baud = 9600): Promise<void> {
        try {
            const port = await serial()?.requestPort();
            if (port !== undefined) {
                await this.stop();
                await this.#open(port, baud, null);
            }
        } catch {
            this.trouble = 'No port was chosen. Plug the scale in, and choose its port in the list.';
        }
    }

    /** A stand-in for trying: none hangs here. */
    async pretend(port: Port): Promise<void> {
        await this.stop();
        await this.#open(port, 9600, null);
    }

    /** Which figure of its lines is the weight, and in what. */
    point(figure: number, unit: string): void {
        this.#take({ figure, unit });
    }

    /** Tares it, and waits for it to show nought. */
    async tare(): Promise<boolean> {
        const way =
            this.format !== null && 'way' in this.format
                ? this.ways.find((one) => one.id === (this.format as { way: string }).way)
                : undefined;
        const writer = this.#port?.writable?.getWriter();
        try {
            await writer?.write(new TextEncoder().encode(way?.tare ?? 'T\r\n'));
        } finally {
            writer?.releaseLock();
        }
        for (let i = 0; i < 30; i++) {
            if (this.reading !== null && this.reading.grams !== null && Math.abs(this.reading.grams) < 0.5 && this.reading.rests) {
                return true;
            }
            await new Promise((done) => setTimeout(done, 100));
        }
        this.trouble = 'It did not go to nought. Press its own tare key, then press once more here.';
        return false;
    }

    async stop(): Promise<void> {
        const port = this.#port;
        [this.on, this.reading, this.lines, this.#port] = [false, null, [], null];
        await this.#reader?.cancel().catch(() => undefined);
        await port?.close().catch(() => undefined);
    }

    /** It is used no more on this tablet. */
    async forget(): Promise<void> {
        await this.stop();
        this.format = null;
        localStorage.removeItem(STORE);
    }

    async #open(port: Port, baud: number, format: Format | null): Promise<void> {
        if (this.ways.length === 0) {
            const answer = await ask<{ lines: Way[] }>('GET', '/devices/lines');
            this.ways = answer.ok ? answer.data.lines : [];
        }
        const kept = this.#kept();
        this.#id = kept?.id ?? Array.from(crypto.getRandomValues(new Uint8Array(10)), (byte) => (byte % 36).toString(36)).join('');
        [this.#baud, this.format, this.trouble] = [baud, format, null];
        try {
            await port.open({ baudRate: baud });
        } catch {
            this.trouble = 'Its port does not open: another program may have it, or the cable is loose.';
            return;
        }
        [this.#port, this.on] = [port, true];
        void this.#read(port);
    }

    async #read(port: Port): Promise<void> {
        const decoder = new TextDecoder();
        let rest = '';
        this.#reader = port.readable?.getReader() ?? null;
        try {
            for (;;) {
                const got = await this.#reader?.read();
                if (got === undefined || got.done) {
                    break;
                }
                const now = split(rest + decoder.decode(got.value, { stream: true }));
                rest = now.rest;
                now.lines.forEach((line) => this.#line(line));
            }
        } catch {
            // Pulled out.
        }
        this.#reader?.releaseLock();
        if (this.#port === port) {
            [this.on, this.reading, this.#port] = [false, null, null];
            this.trouble = 'The scale at this tablet is gone. Plug it in again, and choose its port.';
        }
    }

    #line(line: string): void {
        this.lines = [...this.lines, line].slice(-SHOWN);
        if (this.format === null) {
            const way = recognised(this.lines, this.ways);
            if (way === null) {
                return;
            }
            this.#take({ way: way.id });
        }
        const read = this.format === null ? null : weighed(line, this.format, this.ways);
        if (read === null) {
            return;
        }
        const now = Date.now();
        this.#heard = now;
        if (read.grams !== this.#same.grams) {
            this.#same = { grams: read.grams ?? Number.NaN, since: now };
        }
        this.reading = { ...read, rests: read.stable ?? now - this.#same.since >= RESTS_MS };
    }

    #take(format: Format): void {
        this.format = format;
        localStorage.setItem(STORE, JSON.stringify({ id: this.#id, baud: this.#baud, format } satisfies Kept));
    }

    #kept(): Kept | null {
        try {
            const kept: unknown = JSON.parse(localStorage.getItem(STORE) ?? 'null');
            return typeof kept === 'object' && kept !== null && 'id' in kept ? (kept as Kept) : null;
        } catch {
            return null;
        }
    }
}

export const tabletScale = new TabletScale();

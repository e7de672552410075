const HALF_A_DAY_MS = 12 * 3_600_000;

/**
 * What was typed on a screen and is not handed in yet, kept in this browser so that a reload or a closed lid loses none of it.
 * Half a day later it is another day's work and is forgotten.
 */
export class Kept<T> {
    #key: string;

    constructor(screen: string) {
        this.#key = `apalos.typed.${screen}`;
    }

    read(now = Date.now()): T | null {
        try {
            const kept = JSON.parse(localStorage.getItem(this.#key) ?? 'null') as { at: number; what: T } | null;
            return kept !== null && now - kept.at < HALF_A_DAY_MS ? kept.what : null;
        } catch {
            return null;
        }
    }

    write(what: T, now = Date.now()): void {
        localStorage.setItem(this.#key, JSON.stringify({ at: now, what }));
    }

    forget(): void {
        localStorage.removeItem(this.#key);
    }
}

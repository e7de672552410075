/** The geometry of the day: what lies at the same time lies in rows of its own. */
export type Placed<T> = { item: T; row: number };

type Stretch = { id: string; from_ms: number; to_ms: number; name: string };

/** Pixels a letter of a name takes, near enough to keep names apart; a name may break into two lines. */
const LETTER = 4.4;
const LEAST = 48;

/** Each takes the first row that is free where it and its name stand. */
export function rows<T extends Stretch>(items: T[], length: number, width: number): { placed: Placed<T>[]; count: number } {
    const ends: number[] = [];
    const placed = [...items]
        .sort((a, b) => a.from_ms - b.from_ms || a.to_ms - b.to_ms)
        .map((item) => {
            const shown = Math.max(LEAST, Math.min(160, item.name.length * LETTER + 20));
            const to = Math.max(item.to_ms, item.from_ms + (shown / Math.max(1, width)) * length);
            let row = ends.findIndex((end) => end <= item.from_ms);
            if (row === -1) {
                row = ends.length;
            }
            ends[row] = to;
            return { item, row };
        });
    return { placed, count: ends.length };
}

/** The geometry of the day: what lies at the same time lies in rows of its own. */
export type Placed<T> = { item: T; row: number; before: boolean };

type Stretch = { id: string; from_ms: number; to_ms: number; name: string; title: string };

/** Pixels a letter of a name takes, near enough to keep names apart. */
const LETTER = 7.6;

/** Its name, and the job it is for below it, stand behind it and are not cut. */
export const nameRoom = (item: { name: string; title: string }): number =>
    Math.max(item.name.length, jobOf(item.title).length * 0.95) * LETTER + 18;

export const jobOf = (title: string): string => title.split(' · ')[0] ?? title;

/** Each takes the first row that is free where it and its name stand; at the end of the day the name stands before it. */
export function rows<T extends Stretch>(
    items: T[],
    length: number,
    width: number,
    ends: number = Infinity,
): { placed: Placed<T>[]; count: number } {
    const taken: { from: number; to: number }[][] = [];
    const placed = [...items]
        .sort((a, b) => a.from_ms - b.from_ms || a.to_ms - b.to_ms)
        .map((item) => {
            const room = (nameRoom(item) / Math.max(1, width)) * length;
            const before = item.to_ms + room > ends && item.from_ms - room > ends - length;
            const place = before ? { from: item.from_ms - room, to: item.to_ms } : { from: item.from_ms, to: item.to_ms + room };
            let row = taken.findIndex((others) => others.every((other) => other.to <= place.from || other.from >= place.to));
            if (row === -1) {
                row = taken.length;
                taken.push([]);
            }
            taken[row]?.push(place);
            return { item, row, before };
        });
    return { placed, count: taken.length };
}

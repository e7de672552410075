/** What a scale at a tablet writes, read: by the usual ways of writing it, which are data, or by which figure somebody pointed at. */

/** One way of writing it, as `library/scale-lines.yaml` has it. */
export type Way = { id: string; name: string; line: string; rests?: string; moves?: string; over?: string; tare?: string; baud?: number };

/** How this scale is read: a known way, or the figure that is the weight. */
export type Format = { way: string } | { figure: number; unit: string };

/** `stable` is null where the line does not say. */
export type Weighed = { grams: number | null; stable: boolean | null; over: boolean; unit: string };

const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237, ct: 0.2 };
const FIGURE = /[-+]?\s*\d+(?:[.,]\d+)?/g;
/** Longer no scale writes: what comes is no line of one. */
export const LONGEST = 64;

export const figuresOf = (line: string): string[] => line.match(FIGURE) ?? [];

const amount = (text: string): number => Number(text.replace(/\s+/g, '').replace(',', '.'));

/** What a line says; null where it says no weight. */
export function weighed(line: string, format: Format, ways: Way[]): Weighed | null {
    if (line.length > LONGEST) {
        return null;
    }
    if ('figure' in format) {
        const found = figuresOf(line)[format.figure];
        return found === undefined ? null : inGrams(amount(found), format.unit, null, false);
    }
    const way = ways.find((one) => one.id === format.way);
    if (way === undefined) {
        return null;
    }
    const over = way.over !== undefined && new RegExp(way.over).test(line);
    const groups = new RegExp(way.line, 'i').exec(line)?.groups;
    if (groups === undefined && !over) {
        return null;
    }
    const stable =
        way.rests !== undefined && new RegExp(way.rests).test(line)
            ? true
            : way.moves !== undefined && new RegExp(way.moves).test(line)
              ? false
              : null;
    return inGrams(over ? null : amount(groups?.weight ?? ''), (groups?.unit ?? 'g').toLowerCase(), stable, over);
}

function inGrams(read: number | null, unit: string, stable: boolean | null, over: boolean): Weighed | null {
    const factor = GRAMS[unit];
    if (factor === undefined || (read !== null && !Number.isFinite(read))) {
        return null;
    }
    return { grams: read === null ? null : read * factor, stable, over, unit };
}

/** The way these lines are written; null where none of the usual ones finds a weight in three of them. */
export function recognised(lines: string[], ways: Way[]): Way | null {
    return ways.find((way) => lines.filter((line) => weighed(line, { way: way.id }, ways) !== null).length >= 3) ?? null;
}

/** The lines in what came so far, and the half line that is left. */
export function split(text: string): { lines: string[]; rest: string } {
    const parts = text.split(/[\r\n]+/);
    const rest = parts.pop() ?? '';
    // Half a line that never ends is thrown away: it is no scale, or another speed.
    return { lines: parts.map((line) => line.trim()).filter((line) => line !== ''), rest: rest.length > 4 * LONGEST ? '' : rest };
}

/** As the bench computer reads a scale: at rest or moving, and the grams. */
export function asLine(weighed: Weighed, stable: boolean): string {
    if (weighed.over || weighed.grams === null) {
        return 'OL,+99999.9,g';
    }
    const [whole, parts] = Math.abs(weighed.grams).toFixed(3).split('.');
    return `${stable ? 'ST' : 'US'},${weighed.grams < 0 ? '-' : '+'}${(whole ?? '0').padStart(5, '0')}.${parts ?? '0'},g`;
}

import type { WeighingResult } from '../types/server';
import type { Entry } from './sheet.svelte';

/** What is in the cups and pucks of a series so far, and in which order the scale saw it go in. */
export type Weighed = {
    /** Grams by vessel and line; null where nothing is in yet. */
    grams: Record<string, Entry[]>;
    /** What was put in with the scale, last of all last. */
    order: { vessel: string; line: number; grams: number }[];
    /** The vessel that was set to nought on the scale. */
    on: string;
};

type Lines = { grams: number }[];

export const nothing = (): Weighed => ({ grams: {}, order: [], on: '' });

const row = (weighed: Weighed, vessel: string, lines: Lines): Entry[] => [...(weighed.grams[vessel] ?? lines.map(() => null))];

/** The display went from `before` to this reading: as much more is in that line. */
export function put(weighed: Weighed, next: WeighingResult, reading: number, lines: Lines): Weighed {
    const more = Number((reading - next.before).toFixed(4));
    const now = row(weighed, next.vessel, lines);
    const was = now[next.line];
    now[next.line] = Number(((typeof was === 'number' ? was : 0) + more).toFixed(4));
    return {
        ...weighed,
        grams: { ...weighed.grams, [next.vessel]: now },
        order: [...weighed.order, { vessel: next.vessel, line: next.line, grams: more }],
    };
}

/** Typed over a line; an emptied field is not in yet. What the scale saw there before is no longer taken back by itself. */
export function write(weighed: Weighed, vessel: string, lines: Lines, line: number, grams: Entry): Weighed {
    const now = row(weighed, vessel, lines);
    now[line] = grams;
    return {
        ...weighed,
        grams: { ...weighed.grams, [vessel]: now },
        order: weighed.order.filter((put) => put.vessel !== vessel || put.line !== line),
    };
}

/** The last thing the scale saw is taken back. */
export function back(weighed: Weighed): Weighed {
    const last = weighed.order.at(-1);
    if (last === undefined) {
        return weighed;
    }
    const now = [...(weighed.grams[last.vessel] ?? [])];
    const was = now[last.line];
    const left = typeof was === 'number' ? Number((was - last.grams).toFixed(4)) : 0;
    now[last.line] = left > 0 ? left : null;
    return { ...weighed, grams: { ...weighed.grams, [last.vessel]: now }, order: weighed.order.slice(0, -1), on: last.vessel };
}

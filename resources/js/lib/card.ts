import type { CardView, RunView } from '../types/server';
import type { Grading } from '../pages/run/GradeStep.svelte';
import type { Entry } from './units';

/** One cup of a card as it is typed: what the display read, when it met and went in; how warm it came off the heat. */
export type TypedCup = { read: Entry[]; met_ms: number | null; filled_ms: number | null; heated_c: Entry };

/** A card as it is typed, until it is handed in. */
export type TypedCard = {
    key: string;
    ticked: string[];
    cups: TypedCup[];
    gelled_ms: number | null;
    opened_ms: number | null;
    left_g: Entry;
    note: string;
    sure: string[];
    grading: Grading;
};

export const emptyCard = (card: CardView, key: string): TypedCard => ({
    key,
    ticked: [],
    cups: card.cups.map((cup) => ({ read: cup.lines.map(() => null), met_ms: null, filled_ms: null, heated_c: null })),
    gelled_ms: null,
    opened_ms: null,
    left_g: null,
    note: '',
    sure: [],
    grading: { grade: '', faults: [], left_g: null, pieces: 1, note: '', each: [] },
});

/** What was read of it in all, grams: of lines that are told already, and of those that are typed. */
export function readInAll(card: CardView, typed: TypedCard): number {
    return card.cups.reduce((sum, cup, i) => {
        const reads = cup.lines.map((line, l) => line.read ?? typed.cups[i]?.read[l] ?? null);
        const last = reads.filter((one): one is number => typeof one === 'number').at(-1);
        return sum + (last ?? 0);
    }, 0);
}

/** As the bench computer takes it: lines that are told already go along, so that the next is read against them. */
export function handedIn(card: CardView, typed: TypedCard, run: Pick<RunView, 'last_fact_id' | 'scrap'>): Record<string, unknown> {
    const { grading, cups, key, ticked, gelled_ms, opened_ms, left_g, note, sure } = typed;
    const each = grading.each.length === grading.pieces ? grading.each.map((one) => ({ ...one, fault: one.fault || null })) : [];
    return {
        key,
        after: run.last_fact_id,
        ticked,
        gelled_ms,
        opened_ms,
        left_g,
        note,
        sure,
        cups: card.cups.map((cup, i) => ({
            read: cup.lines.map((line, l) => line.read ?? cups[i]?.read[l] ?? null),
            met_ms: cups[i]?.met_ms ?? null,
            filled_ms: cups[i]?.filled_ms ?? null,
            heated_c: cups[i]?.heated_c ?? null,
        })),
        grade:
            grading.grade === ''
                ? null
                : {
                      grade: grading.grade,
                      faults: grading.faults,
                      pieces: grading.pieces,
                      note: grading.note,
                      ...(each.length === 0 ? {} : { each }),
                      ...(run.scrap === null ? {} : { scrap: grading.scrap ?? run.scrap.worth }),
                  },
    };
}

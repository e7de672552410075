/**
 * One cup as it is filled where nobody answers: what the display must read, whether A meets B, and what an over-pour asks for, by the table
 * sent ahead.
 */
import type { AheadView, RunView } from '../types/server';
import type { Walk } from './walk';

export type Cup = AheadView['cups'][number] & {
    filled_ms: number | null;
    rescued: boolean;
    /** Something in it is not what the sums made ahead rest on. */
    off: boolean;
};
export type Line = Cup['queue'][number];
const NOTHING = 1e-9;

type Rescue = NonNullable<RunView['rescue']>;

/** What the display shows of so many grams. */
export const shown = (grams: number, division: number): number =>
    division > 0 ? Number((Math.round(Number((grams / division).toPrecision(15))) * division).toFixed(6)) : grams;

export const sum = (all: number[]): number => all.reduce((so, one) => so + one, 0);

/** How far either way a weighing of this much may be off. */
export const slack = (walk: Walk, grams: number): number => Math.max((grams * walk.ahead.tolerance_pct) / 100, walk.view.division_g);

export function lineOf(walk: Walk, cup: Cup): RunView['line'] {
    const line = cup.queue[0];
    if (line === undefined) {
        return null;
    }
    const step = (grams: number): number => shown(Math.max(0, grams), walk.view.division_g);
    const running = step(cup.display_g + line.grams);
    const off = slack(walk, line.grams);
    return {
        add: line.add,
        label: walk.ahead.names[line.add] ?? line.add,
        grams: line.grams,
        running,
        from: step(running - off),
        to: step(running + off),
    };
}

/** Whether what is poured now makes A meet B. */
export const meets = (walk: Walk, cup: Cup): boolean => {
    const add = cup.queue[0]?.add;
    return (
        cup.met_ms === null &&
        !walk.ahead.heated &&
        ((add === 'A' && (walk.view.one_part || cup.poured.B !== undefined)) || (add === 'B' && cup.poured.A !== undefined))
    );
};

/** What the table says of it, in this cup. */
export function rescueOf(walk: Walk, cup: Cup, row: Line['over'][number]): Rescue {
    const { division_g: division } = walk.view;
    // What lies a little over its line counts as what was planned; what lies short is made up for.
    const inside: Record<string, number> = Object.fromEntries(
        Object.entries(cup.poured).map(([code, grams]) => {
            const wanted = cup.planned[code] ?? 0;
            return [code, code !== row.over && grams > wanted && grams <= wanted + slack(walk, wanted) + NOTHING ? wanted : grams];
        }),
    );
    const k = (inside[row.over] ?? 0) / (cup.planned[row.over] ?? 1);
    const planned = Object.fromEntries(Object.entries(cup.planned).map(([code, grams]) => [code, grams * k]));
    const shift = cup.display_g - sum(Object.values(cup.poured));
    let running = shown(sum(Object.values(inside)), division);
    const missing = (code: string): number => (planned[code] ?? 0) - (inside[code] ?? 0);
    const codes = Object.keys(planned).filter((code) => missing(code) > Math.max(NOTHING, division / 2 - NOTHING));
    const lines = codes.map((code) => {
        const grams = shown(missing(code), division);
        running = shown(running + grams, division);
        return { add: walk.ahead.names[code] ?? code, grams, running: Number((running + shift).toFixed(4)) };
    });
    return {
        needed: true,
        k,
        planned,
        lines,
        extra_g: (k - 1) * sum(Object.values(cup.planned)),
        fits: true,
        ratio_error_if_ignored_pct: Object.keys(cup.planned).length < 2 ? 0 : (k / row.least - 1) * 100,
        warnings: [],
    };
}

/** The over-pour is taken as the measure. */
export function raised(cup: Cup, rescue: Rescue, ahead: AheadView): Cup {
    const codeOf = new Map(Object.entries(ahead.names).map(([code, name]) => [name, code]));
    return {
        ...cup,
        planned: rescue.planned,
        queue: rescue.lines.map((line) => ({ add: codeOf.get(line.add) ?? line.add, grams: line.grams, over: [] })),
        k: cup.k * rescue.k,
        rescued: true,
    };
}

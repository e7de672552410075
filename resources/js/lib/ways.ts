import type { WaysView } from '../types/server';

export type Way = WaysView['ways'][number];

/** What somebody minds most, each from 0 to 10. */
export type Wishes = { sooner: number; cheaper: number; surer: number; easier: number };

/** What one way can be best at, in the order in which it is said. */
export type Best = 'money' | 'done' | 'chance' | 'hands';

const measures = (way: Way): Record<Best, number> => ({
    money: Number(way.per_piece),
    done: way.done_ms,
    chance: -way.chance,
    hands: way.hands_min,
});

/** Each measure of each way from 0, the best of all that are shown, to 1, the worst. */
function scaled(ways: Way[]): Record<Best, number>[] {
    const all = ways.map(measures);
    const keys: Best[] = ['money', 'done', 'chance', 'hands'];
    const span = Object.fromEntries(
        keys.map((key) => {
            const column = all.map((one) => one[key]);
            return [key, { least: Math.min(...column), most: Math.max(...column) }];
        }),
    ) as Record<Best, { least: number; most: number }>;
    return all.map(
        (one) =>
            Object.fromEntries(
                keys.map((key) => [
                    key,
                    span[key].most > span[key].least ? (one[key] - span[key].least) / (span[key].most - span[key].least) : 0,
                ]),
            ) as Record<Best, number>,
    );
}

/** In the order somebody would look at them who minds these things so much. */
export function ordered(ways: Way[], wishes: Wishes): Way[] {
    const places = scaled(ways);
    const weight: Record<Best, number> = { money: wishes.cheaper, done: wishes.sooner, chance: wishes.surer, hands: wishes.easier };
    const cost = (i: number): number =>
        (Object.keys(weight) as Best[]).reduce((sum, key) => sum + weight[key] * (places[i]?.[key] ?? 0), 0) +
        // What comes too late comes behind, whatever else it is.
        ((ways[i]?.late_min ?? 0) > 0 ? 3 : 0);
    return ways
        .map((way, i) => ({ way, i }))
        .sort((a, b) => cost(a.i) - cost(b.i) || a.i - b.i)
        .map(({ way }) => way);
}

/** The one thing each is best at: each thing is said of one way first, and a way that is best at nothing says what it is nearest to. */
export function bestAt(ways: Way[]): Best[] {
    const places = scaled(ways);
    const taken = new Set<number>();
    const best: Best[] = ways.map((_, i) => {
        const its = places[i];
        return its === undefined ? 'money' : (Object.keys(its) as Best[]).reduce((a, b) => (its[b] < its[a] ? b : a), 'money');
    });
    for (const key of ['money', 'done', 'chance', 'hands'] as const) {
        const at = places
            .map((its, i) => ({ i, value: its[key] }))
            .filter(({ i }) => !taken.has(i))
            .sort((a, b) => a.value - b.value)[0];
        if (at !== undefined && at.value === 0) {
            taken.add(at.i);
            best[at.i] = key;
        }
    }
    return best;
}

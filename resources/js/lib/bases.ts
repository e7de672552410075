import type { Units } from './units';

/** What an amount of an additive counts on, as it is read and chosen. Drops to 100 g are drops to 3.5 oz: a drop is no finer than that. */
export const basesIn = (units: Units): Record<string, string> => ({
    pct_of_ab: '% of A+B',
    pct_of_a: '% of A',
    pct_of_b: '% of B',
    pct_of_total: '% of all',
    drops_per_100g: units === 'metric' ? 'drops / 100 g' : 'drops / 3.5 oz',
});

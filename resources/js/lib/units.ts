import { amount, GRAMS_PER_OUNCE, ML_PER_CUBIC_INCH, ML_PER_FLUID_OUNCE, MM_PER_INCH } from './entry';

/** Everything is stored and computed in metric; this is the only place where it is turned into what is read and typed. */
export type Units = 'metric' | 'imperial';

export type Quantity =
    | 'mass'
    | 'volume'
    | 'fluid'
    | 'length'
    | 'film'
    | 'area'
    | 'temperature'
    | 'rate'
    | 'viscosity'
    | 'tear'
    | 'yield'
    | 'density'
    | 'minutes'
    | 'percent'
    | 'plain';

/** `finer` is how many more decimals it takes to be read as finely as the metric unit. */
type Unit = { sign: string; of: (metric: number) => number; back: (shown: number) => number; decimals: number; finer: number };

const same = (sign: string, decimals: number): Unit => ({ sign, decimals, finer: 0, of: (x) => x, back: (x) => x });
const scaled = (sign: string, factor: number, decimals: number, finer = 0): Unit => ({
    sign,
    decimals,
    finer,
    of: (x) => x / factor,
    back: (x) => x * factor,
});

/** Newtons a millimetre to one pound an inch of width. */
const N_MM_PER_PLI = 0.1751268369864;

const table: Record<Units, Record<Quantity, Unit>> = {
    metric: {
        mass: same('g', 1),
        volume: same('ml', 0),
        fluid: same('ml', 0),
        length: same('mm', 1),
        film: scaled('µm', 0.001, 0),
        area: scaled('cm²', 100, 1),
        temperature: same('°C', 1),
        rate: same('g/min', 0),
        viscosity: same('Pa·s', 3),
        tear: same('N/mm', 1),
        yield: same('ml/kg', 0),
        density: same('g/ml', 3),
        minutes: same('min', 1),
        percent: same('%', 2),
        plain: same('', 3),
    },
    imperial: {
        mass: scaled('oz', GRAMS_PER_OUNCE, 3, 2),
        volume: scaled('in³', ML_PER_CUBIC_INCH, 1, 1),
        fluid: scaled('fl oz', ML_PER_FLUID_OUNCE, 2, 1),
        length: scaled('in', MM_PER_INCH, 3, 2),
        film: scaled('mil', 0.0254, 1),
        area: scaled('in²', 645.16, 2, 1),
        temperature: { sign: '°F', decimals: 1, finer: 0, of: (c) => c * 1.8 + 32, back: (f) => (f - 32) / 1.8 },
        rate: scaled('oz/min', GRAMS_PER_OUNCE, 1, 1),
        viscosity: scaled('cP', 0.001, 0),
        tear: scaled('pli', N_MM_PER_PLI, 0),
        // Against water, as it is said there.
        density: same('sg', 3),
        // Cubic inches out of a pound.
        yield: scaled('in³/lb', ML_PER_CUBIC_INCH / (0.016 * GRAMS_PER_OUNCE), 1),
        minutes: same('min', 1),
        percent: same('%', 2),
        plain: same('', 3),
    },
};

export const sign = (quantity: Quantity, units: Units): string => table[units][quantity].sign;

const MOST_DECIMALS = 5;

/** So many decimals that a small number keeps two digits that count: a pinch of 0.0138 oz is not “0.01”, and none is “0”. */
const digits = (shown: number, usual: number): number =>
    shown === 0 || Math.abs(shown) >= 10 ** (1 - usual) ? usual : Math.min(MOST_DECIMALS, 1 - Math.floor(Math.log10(Math.abs(shown))));

/**
 * The number as it is read, without its unit. `decimals`, said for metric, are kept exactly, with as many more in imperial as are
 * as fine; where nothing is said trailing zeros go.
 */
export function figure(metric: number | null | undefined, quantity: Quantity, units: Units, decimals?: number): string {
    if (metric === null || metric === undefined || !Number.isFinite(metric)) {
        return '–';
    }
    const unit = table[units][quantity];
    const shown = unit.of(metric);
    const text = shown.toFixed(decimals === undefined ? digits(shown, unit.decimals) : Math.max(0, decimals + unit.finer));
    const short = decimals === undefined && text.includes('.') ? text.replace(/\.?0+$/, '') : text;
    return short === '-0' ? '0' : short.replace('-', '−');
}

export const measure = (metric: number | null | undefined, quantity: Quantity, units: Units, decimals?: number): string =>
    `${figure(metric, quantity, units, decimals)} ${sign(quantity, units)}`.trim();

/** What stands in a field, in metric: a number, nothing, or the text as it was typed where it is no number. */
export type Entry = number | string | null;

/** What was typed, in metric: a number, null when empty, or the text itself when it is no number, so that nothing is lost. */
export function typed(text: string, quantity: Quantity, units: Units): Entry {
    if (text.trim() === '') {
        return null;
    }
    const metric = amount(text, quantity, table[units][quantity].back);
    return metric === null ? text : Number(metric.toPrecision(12));
}

/**
 * The decimals a scale of this step shows, as {@link figure} takes them: one for 0.1 or 0.2 g, two for 0.05 g, none for 1 g. In ounces
 * those of
 * a scale that steps in ounces (two for 0.01 oz), else as many as tell one of its steps from the next (three for 0.1 g).
 */
export const decimalsOf = (step: number, units: Units = 'metric'): number => {
    if (units === 'metric') {
        for (let decimals = 0; decimals < 3; decimals++) {
            if (Math.abs(step * 10 ** decimals - Math.round(step * 10 ** decimals)) < 1e-9) {
                return decimals;
            }
        }
        return 3;
    }
    const { of, finer } = table.imperial.mass;
    const power = Math.log10(of(step));
    // A scale that steps in ounces steps by one, two or five.
    const steps = [1, 2, 5].find((n) => Math.abs(10 ** (power - Math.floor(power + 1e-6)) / n - 1) < 5e-3);
    const decimals = steps === undefined ? Math.ceil(-power) : -Math.floor(power + 1e-6);
    return Math.min(MOST_DECIMALS, Math.max(0, decimals)) - finer;
};

/** A length of time as one reads it at a bench: 4:05, 1 h 20, 2 d 3 h. */
export function span(ms: number): string {
    const seconds = Math.max(0, Math.floor(ms / 1000));
    const minutes = Math.floor(seconds / 60);
    if (minutes < 60) {
        return `${String(minutes)}:${String(seconds % 60).padStart(2, '0')}`;
    }
    const hours = Math.floor(minutes / 60);
    return hours < 48
        ? `${String(hours)} h ${String(minutes % 60).padStart(2, '0')}`
        : `${String(Math.floor(hours / 24))} d ${String(hours % 24)} h`;
}

export const minutes = (min: number | null | undefined): string =>
    min === null || min === undefined
        ? '–'
        : min < 90
          ? `${String(Math.round(min * 10) / 10)} min`
          : min < 2880
            ? `${String(Math.round(min / 6) / 10)} h`
            : `${String(Math.round(min / 144) / 10)} days`;

/** A share of what is mixed on both bases that schools count on; a base of one part has only the one. */
export const bothWays = (share: { pct_of_ab: number; pct_of_one_part: number }, onePart: string | null): string =>
    onePart === null
        ? `${figure(share.pct_of_ab, 'percent', 'metric')} % of A+B = ${figure(share.pct_of_one_part, 'percent', 'metric')} % of A alone`
        : `${figure(share.pct_of_ab, 'percent', 'metric')} % of the ${onePart}`;

/** Sides that belong together, with their unit once: 81 × 67 × 18 mm. */
export const sizes = (mm: readonly number[], units: Units): string =>
    `${mm.map((side) => figure(side, 'length', units, 0)).join(' × ')} ${sign('length', units)}`;

/** Everything is stored and computed in metric; this is the only place where it is turned into what is read and typed. */
export type Units = 'metric' | 'imperial';

export type Quantity = 'mass' | 'volume' | 'length' | 'area' | 'temperature' | 'rate' | 'minutes' | 'percent' | 'plain';

type Unit = { sign: string; of: (metric: number) => number; back: (shown: number) => number; decimals: number };

const same = (sign: string, decimals: number): Unit => ({ sign, decimals, of: (x) => x, back: (x) => x });
const scaled = (sign: string, factor: number, decimals: number): Unit => ({
    sign,
    decimals,
    of: (x) => x / factor,
    back: (x) => x * factor,
});

const GRAMS_PER_OUNCE = 28.349523125;
const ML_PER_CUBIC_INCH = 16.387064;

const table: Record<Units, Record<Quantity, Unit>> = {
    metric: {
        mass: same('g', 1),
        volume: same('ml', 0),
        length: same('mm', 1),
        area: scaled('cm²', 100, 1),
        temperature: same('°C', 1),
        rate: same('g/min', 0),
        minutes: same('min', 1),
        percent: same('%', 2),
        plain: same('', 3),
    },
    imperial: {
        mass: scaled('oz', GRAMS_PER_OUNCE, 2),
        volume: scaled('in³', ML_PER_CUBIC_INCH, 1),
        length: scaled('in', 25.4, 3),
        area: scaled('in²', 645.16, 2),
        temperature: { sign: '°F', decimals: 1, of: (c) => c * 1.8 + 32, back: (f) => (f - 32) / 1.8 },
        rate: scaled('oz/min', GRAMS_PER_OUNCE, 1),
        minutes: same('min', 1),
        percent: same('%', 2),
        plain: same('', 3),
    },
};

export const sign = (quantity: Quantity, units: Units): string => table[units][quantity].sign;

/** The number as it is read, without its unit. `decimals` is kept exactly where given, else trailing noughts go. */
export function figure(metric: number | null | undefined, quantity: Quantity, units: Units, decimals?: number): string {
    if (metric === null || metric === undefined || !Number.isFinite(metric)) {
        return '–';
    }
    const unit = table[units][quantity];
    const text = unit.of(metric).toFixed(decimals ?? unit.decimals);
    const short = decimals === undefined && text.includes('.') ? text.replace(/\.?0+$/, '') : text;
    return short === '-0' ? '0' : short.replace('-', '−');
}

export const measure = (metric: number | null | undefined, quantity: Quantity, units: Units, decimals?: number): string =>
    `${figure(metric, quantity, units, decimals)} ${sign(quantity, units)}`.trim();

/** What was typed, in metric: a number, null when empty, or the text itself when it is no number, so that nothing is lost. */
export function typed(text: string, quantity: Quantity, units: Units): number | string | null {
    const plain = text.trim().replace(/\s+/g, '').replace('−', '-');
    if (plain === '') {
        return null;
    }
    const point = /^-?\d*,\d+$/.test(plain) ? plain.replace(',', '.') : plain;
    if (!/^-?(\d+\.?\d*|\.\d+)$/.test(point)) {
        return text;
    }
    const metric = table[units][quantity].back(Number(point));
    return Number(metric.toPrecision(12));
}

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

export const clockTime = (ms: number): string => new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

export const dayAndTime = (ms: number): string =>
    new Date(ms).toLocaleString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

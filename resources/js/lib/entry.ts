/**
 * Reading of what people type into a field: decimals with a point or a comma, fractions (4 3/4, ½), and amounts that say their own
 * unit, alone or together (1 lb 4 oz, 2 h 30 min, 4 fl oz), whatever unit the field stands in.
 */
export const GRAMS_PER_OUNCE = 28.349523125;
export const ML_PER_CUBIC_INCH = 16.387064;
export const MM_PER_INCH = 25.4;
/** The customary fluid ounce that cups are marked in. */
export const ML_PER_FLUID_OUNCE = 29.5735295625;

type Units = Record<string, number>;

const mass: Units = { g: 1, kg: 1000, oz: GRAMS_PER_OUNCE, lb: 16 * GRAMS_PER_OUNCE, lbs: 16 * GRAMS_PER_OUNCE, '#': 16 * GRAMS_PER_OUNCE };
const volume: Units = {
    ml: 1,
    cl: 10,
    l: 1000,
    cc: 1,
    'cm³': 1,
    cm3: 1,
    'in³': ML_PER_CUBIC_INCH,
    in3: ML_PER_CUBIC_INCH,
    floz: ML_PER_FLUID_OUNCE,
    oz: ML_PER_FLUID_OUNCE,
    qt: 32 * ML_PER_FLUID_OUNCE,
    pt: 16 * ML_PER_FLUID_OUNCE,
    c: 8 * ML_PER_FLUID_OUNCE,
    cup: 8 * ML_PER_FLUID_OUNCE,
    cups: 8 * ML_PER_FLUID_OUNCE,
    gal: 128 * ML_PER_FLUID_OUNCE,
    tbsp: ML_PER_FLUID_OUNCE / 2,
    tsp: ML_PER_FLUID_OUNCE / 6,
};
const length: Units = { mm: 1, cm: 10, m: 1000, in: MM_PER_INCH, '"': MM_PER_INCH, '″': MM_PER_INCH, ft: 12 * MM_PER_INCH };
const minutes: Units = {
    s: 1 / 60,
    sec: 1 / 60,
    min: 1,
    mins: 1,
    h: 60,
    hr: 60,
    hrs: 60,
    hour: 60,
    hours: 60,
    d: 1440,
    day: 1440,
    days: 1440,
    week: 10080,
    weeks: 10080,
};

/** What one of each unit is in metric, by what is asked for. */
export const written: Record<string, Units> = {
    mass,
    volume,
    fluid: volume,
    length,
    film: { µm: 0.001, um: 0.001, mm: 1, mil: 0.0254, mils: 0.0254 },
    minutes,
    rate: { 'g/min': 1, 'kg/min': 1000, 'oz/min': GRAMS_PER_OUNCE, 'lb/min': 16 * GRAMS_PER_OUNCE },
    viscosity: { 'pa·s': 1, 'pa.s': 1, pas: 1, 'mpa·s': 0.001, 'mpa.s': 0.001, mpas: 0.001, cp: 0.001, cps: 0.001, p: 0.1 },
    tear: { 'n/mm': 1, 'kn/m': 1, pli: 0.1751268369864, ppi: 0.1751268369864, 'lb/in': 0.1751268369864 },
    yield: {
        'ml/kg': 1,
        'cc/kg': 1,
        'l/kg': 1000,
        'in³/lb': ML_PER_CUBIC_INCH / (0.016 * GRAMS_PER_OUNCE),
        'in3/lb': ML_PER_CUBIC_INCH / (0.016 * GRAMS_PER_OUNCE),
    },
    percent: { '%': 1 },
};

const halves: Record<string, string> = {
    '½': '1/2',
    '¼': '1/4',
    '¾': '3/4',
    '⅓': '1/3',
    '⅔': '2/3',
    '⅛': '1/8',
    '⅜': '3/8',
    '⅝': '5/8',
    '⅞': '7/8',
};

const NUMBER = String.raw`\d+\s+\d+\/\d+|\d+\/\d+|\d+[.,]?\d*|[.,]\d+`;

/** 4.5, 4,5, 4 3/4, 3/4. */
function number(text: string): number | null {
    const mixed = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(text);
    if (mixed !== null) {
        const under = Number(mixed[3]);
        return under === 0 ? null : Number(mixed[1] ?? 0) + Number(mixed[2]) / under;
    }
    const plain = text.replace(',', '.');
    return /^(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/**
 * The amount in metric; null where it is none. `bare` turns a number without a unit into metric.
 */
export function amount(text: string, quantity: string, bare: (shown: number) => number): number | null {
    const plain = text
        .trim()
        .toLowerCase()
        .replaceAll('−', '-')
        .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (sign) => ` ${halves[sign] ?? ''}`)
        .replaceAll('fl. oz', 'floz')
        .replaceAll('fl oz', 'floz')
        .replace(/cu\.? ?in\.?|cubic inch(?:es)?/g, 'in3')
        .replace(/fluid ounces?/g, 'floz')
        .replace(/\bounces?\b/g, 'oz')
        .replace(/\bpounds?\b/g, 'lb')
        .replace(/\bquarts?\b/g, 'qt')
        .replace(/\bpints?\b/g, 'pt')
        .replace(/\bgallons?\b/g, 'gal')
        .replace(/\binch(?:es)?\b/g, 'in')
        .replace(/\b(?:per|a) (?=lb|min|kg|in\b)/g, '/')
        .replace(/\s*\/\s*(?=[a-z])/g, '/')
        .replace(/(\d)[\s\u202f\u00a0]+(?=\d{3}(\D|$))(?!\d+\s*\/)/g, '$1')
        .trim();
    const negative = plain.startsWith('-');
    const rest = (negative ? plain.slice(1) : plain).trim();
    const alone = number(rest);
    if (alone !== null) {
        return bare(negative ? -alone : alone);
    }
    const degrees = quantity === 'temperature' ? new RegExp(`^(${NUMBER})\\s*°?\\s*([cf])$`).exec(rest) : null;
    if (degrees !== null) {
        const read = number(degrees[1] ?? '') ?? 0;
        const signed = negative ? -read : read;
        return degrees[2] === 'f' ? (signed - 32) / 1.8 : signed;
    }
    const units = written[quantity];
    const piece = new RegExp(String.raw`^(${NUMBER})\s*([a-zµ³·."″%#]+\d?(?:/[a-z]+)?)[\s,]*`);
    let [left, sum] = [rest, 0];
    while (left !== '') {
        const found = piece.exec(left);
        const each = units?.[found?.[2] ?? ''];
        const much = number((found?.[1] ?? '').trim());
        if (found === null || each === undefined || much === null) {
            return null;
        }
        sum += much * each;
        left = left.slice(found[0].length);
    }
    return negative ? -sum : sum;
}

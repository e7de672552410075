import { describe, expect, it } from 'vitest';
import { typed } from '../../resources/js/lib/units';

/** Worked out by hand: 1 oz = 28.3495 g, 1 lb = 453.592 g, 1 fl oz = 29.5735 ml, 1 in = 25.4 mm. */
const cases: [string, Parameters<typeof typed>[1], 'metric' | 'imperial', number][] = [
    ['4 3/4', 'mass', 'imperial', 134.6602],
    ['3/4', 'length', 'imperial', 19.05],
    ['½', 'length', 'imperial', 12.7],
    ['1½', 'length', 'imperial', 38.1],
    ['1 lb 4 oz', 'mass', 'imperial', 566.9905],
    ['1lb 4 1/2oz', 'mass', 'imperial', 581.1652],
    ['2 lb', 'mass', 'metric', 907.1847],
    ['120 g', 'mass', 'imperial', 120],
    ['1.2 kg', 'mass', 'metric', 1200],
    ['4 fl oz', 'fluid', 'metric', 118.2941],
    ['4', 'fluid', 'imperial', 118.2941],
    ['12 fl. oz', 'volume', 'imperial', 354.8824],
    ['20 in³', 'volume', 'metric', 327.7413],
    ['2 h 30 min', 'minutes', 'metric', 150],
    ['16h', 'minutes', 'imperial', 960],
    ['1 day', 'minutes', 'metric', 1440],
    ['12,5', 'length', 'metric', 12.5],
    ['1 500', 'mass', 'metric', 1500],
    ['−5', 'temperature', 'metric', -5],
    ['70 F', 'temperature', 'metric', 21.1111],
    ['70', 'temperature', 'imperial', 21.1111],
    ['20 °C', 'temperature', 'imperial', 20],
    ['5"', 'length', 'metric', 127],
    ['2 pounds 3 ounces', 'mass', 'imperial', 992.2333],
    ['1 quart', 'fluid', 'metric', 946.3529],
    ['1 pint', 'fluid', 'imperial', 473.1765],
    ['2 cups', 'volume', 'imperial', 473.1765],
    ['1 1/2 cup', 'fluid', 'metric', 354.8824],
    ['20 cu in', 'volume', 'imperial', 327.7413],
    ['20 cubic inches', 'volume', 'metric', 327.7413],
    ['16 fluid ounces', 'fluid', 'metric', 473.1765],
    ['12 oz/min', 'rate', 'metric', 340.1943],
    ['21000 cP', 'viscosity', 'metric', 21],
    ['21 000', 'viscosity', 'imperial', 21],
    ['21 Pa·s', 'viscosity', 'imperial', 21],
    ['90 pli', 'tear', 'metric', 15.7614],
    ['90', 'tear', 'imperial', 15.7614],
    ['26 in³/lb', 'yield', 'metric', 939.3096],
    ['26 cu. in. per lb', 'yield', 'imperial', 939.3096],
    ['935 ml/kg', 'yield', 'imperial', 935],
];

describe('what is typed into a field', () => {
    it.each(cases)('%s as %s in %s', (text, quantity, units, metric) => {
        expect(typed(text, quantity, units)).toBeCloseTo(metric, 3);
    });

    it.each(['4 3/0', '1 lb 4', 'about 5', '4 oz of it', '3/', '5 stone', '1/2/3', '12.000.5'])(
        '%s is no amount and stays as it was typed',
        (text) => {
            expect(typed(text, 'mass', 'imperial')).toBe(text);
        },
    );

    it('nothing is nothing, not zero', () => {
        expect(typed('  ', 'mass', 'metric')).toBeNull();
    });
});

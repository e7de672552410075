import { describe, expect, it } from 'vitest';
import { decimalsOf, figure, measure } from '../../resources/js/lib/units';

const OZ = 28.349523125;

describe('a scale is read as it shows', () => {
    /** Step in grams, what is read in grams, and how it stands on the screen of an ounce shop. */
    it.each([
        [0.01 * OZ, 11.05 * OZ, '11.05'],
        [0.005 * OZ, 11.05 * OZ, '11.050'],
        [0.1 * OZ, 11.1 * OZ, '11.1'],
        [1 * OZ, 11 * OZ, '11'],
        [0.1, 313.2622, '11.050'],
        [0.01, 313.2622, '11.0500'],
        [1, 313.2622, '11.05'],
    ])('a step of %d g shows %d g as %s oz', (step, grams, shown) => {
        expect(figure(grams, 'mass', 'imperial', decimalsOf(step, 'imperial'))).toBe(shown);
    });

    it.each([
        [0.1, '313.3'],
        [0.05, '313.26'],
        [1, '313'],
        [0.001, '313.262'],
    ])('a step of %d g in grams', (step, shown) => {
        expect(figure(313.2622, 'mass', 'metric', decimalsOf(step))).toBe(shown);
    });
});

describe('what a sheet says is said in the measures of the shop', () => {
    it.each([
        [21, 'viscosity', '21 Pa·s', '21000 cP'],
        [16, 'tear', '16 N/mm', '91 pli'],
        [935, 'yield', '935 ml/kg', '25.9 in³/lb'],
        [1.07, 'density', '1.07 g/ml', '1.07 sg'],
    ] as const)('%d %s', (value, quantity, metric, imperial) => {
        expect([measure(value, quantity, 'metric'), measure(value, quantity, 'imperial')]).toEqual([metric, imperial]);
    });
});

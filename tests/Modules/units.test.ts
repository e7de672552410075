import { expect, test } from 'vitest';
import { bothWays, decimalsOf, figure, measure, minutes, span, typed } from '../../resources/js/lib/units';

// Figures as they are read and typed.

test('small figures keep two digits that count, and imperial is as fine as metric', () => {
    expect(measure(0.1, 'mass', 'metric')).toBe('0.1 g');
    expect(measure(0.1, 'mass', 'imperial')).toBe('0.0035 oz');
    expect(measure(0.04, 'length', 'metric')).toBe('0.04 mm');
    expect(measure(0.8, 'volume', 'metric')).toBe('0.8 ml');
    expect(measure(640, 'volume', 'metric')).toBe('640 ml');
    expect(measure(0, 'mass', 'metric')).toBe('0 g');
    expect(measure(33.2, 'mass', 'metric', 1)).toBe('33.2 g');
    expect(measure(33.2, 'mass', 'imperial', 1)).toBe('1.171 oz');
    // What is typed back is what was shown, to the last digit that was shown.
    for (const grams of [0.39, 12.5, 710.9]) {
        const shown = figure(grams, 'mass', 'imperial');
        expect(figure(Number(typed(shown, 'mass', 'imperial')), 'mass', 'imperial')).toBe(shown);
    }
});

test('what is typed is stored in metric, and what is no number is kept as it stands', () => {
    const cases = [
        ['12,5', 'mass', 'metric', 12.5],
        [' 1 200 ', 'mass', 'metric', 1200],
        ['.5', 'length', 'metric', 0.5],
        ['1', 'mass', 'imperial', 28.349523125],
        ['2', 'length', 'imperial', 50.8],
        ['10', 'volume', 'imperial', 163.87064],
        ['−4', 'temperature', 'metric', -4],
        ['14', 'temperature', 'imperial', -10],
        ['5', 'area', 'metric', 500],
        ['50', 'film', 'metric', 0.05],
        ['', 'mass', 'metric', null],
        ['a cup', 'mass', 'metric', 'a cup'],
        ['1.2.3', 'mass', 'metric', '1.2.3'],
        ['1,234.5', 'mass', 'metric', '1,234.5'],
    ] as const;
    for (const [text, quantity, units, stored] of cases) {
        expect(typed(text, quantity, units), text).toBe(stored);
    }
});

test('lengths of time are said as one reads them at a bench', () => {
    const MINUTE = 60_000;
    expect(span(4 * MINUTE + 5_000)).toBe('4:05');
    expect(span(59 * MINUTE + 59_999)).toBe('59:59');
    expect(span(80 * MINUTE)).toBe('1 h 20');
    expect(span(51 * 60 * MINUTE)).toBe('2 d 3 h');
    expect(span(-MINUTE)).toBe('0:00');
    expect(minutes(31.13)).toBe('31.1 min');
    expect(minutes(240)).toBe('4 h');
    expect(minutes(10_080)).toBe('7 days');
    expect(minutes(null)).toBe('–');
});

test('softener is told on both bases, and on the only one where there is one part', () => {
    expect(bothWays({ pct_of_ab: 60, pct_of_one_part: 120 }, null)).toBe('60 % of A+B = 120 % of A alone');
    expect(bothWays({ pct_of_ab: 12, pct_of_one_part: 12 }, 'vinyl')).toBe('12 % of the vinyl');
});

test('grams are shown as finely as the scale steps', () => {
    for (const [step, decimals] of [
        [1, 0],
        [2, 0],
        [0.5, 1],
        [0.2, 1],
        [0.1, 1],
        [0.05, 2],
        [0.01, 2],
        [0.001, 3],
        [0.0003, 3],
    ] as const) {
        expect(decimalsOf(step), String(step)).toBe(decimals);
    }
});

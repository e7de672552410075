import { expect, test } from '@playwright/test';
import { lay, type Lozenge } from '../../resources/js/lib/strip';
import { figure, measure, minutes, span, typed, type Quantity } from '../../resources/js/lib/units';

test('what is typed becomes metric, and what is no number stays as typed', () => {
    const cases: [string, Quantity, 'metric' | 'imperial', number | string | null][] = [
        ['12.5', 'mass', 'metric', 12.5],
        ['12,5', 'mass', 'metric', 12.5],
        [' 1 200 ', 'mass', 'metric', 1200],
        ['', 'mass', 'metric', null],
        ['.5', 'percent', 'metric', 0.5],
        ['5.', 'percent', 'metric', 5],
        ['−4', 'temperature', 'metric', -4],
        ['twelve', 'mass', 'metric', 'twelve'],
        ['1.2.3', 'mass', 'metric', '1.2.3'],
        ['1,200,5', 'mass', 'metric', '1,200,5'],
        ['NaN', 'mass', 'metric', 'NaN'],
        ['1e5', 'mass', 'metric', '1e5'],
        ['1', 'mass', 'imperial', 28.349523125],
        ['10', 'volume', 'imperial', 163.87064],
        ['2', 'length', 'imperial', 50.8],
        ['68', 'temperature', 'imperial', 20],
        ['3', 'area', 'metric', 300],
    ];
    for (const [text, quantity, units, value] of cases) {
        const found = typed(text, quantity, units);
        if (typeof value === 'number') {
            expect(found, text).toBeCloseTo(value, 9);
        } else {
            expect(found, text).toBe(value);
        }
    }
});

test('what is read back is what was typed, in either system', () => {
    for (const units of ['metric', 'imperial'] as const) {
        for (const quantity of ['mass', 'volume', 'length', 'temperature', 'area', 'minutes'] as const) {
            for (const text of ['1', '12.5', '640']) {
                const metric = typed(text, quantity, units) as number;
                expect(Number(figure(metric, quantity, units, 6))).toBeCloseTo(Number(text), 6);
            }
        }
    }
});

test('numbers are written as one reads them at a bench', () => {
    expect(figure(109.5, 'mass', 'metric')).toBe('109.5');
    expect(figure(110, 'mass', 'metric')).toBe('110');
    expect(figure(110, 'mass', 'metric', 1)).toBe('110.0');
    expect(figure(null, 'mass', 'metric')).toBe('–');
    expect(figure(Number.NaN, 'mass', 'metric')).toBe('–');
    expect(figure(-3, 'percent', 'metric')).toBe('−3');
    expect(measure(20, 'temperature', 'imperial')).toBe('68 °F');
    expect([span(65_000), span(3_600_000), span(200 * 3_600_000), span(-5)]).toEqual(['1:05', '1 h 00', '8 d 8 h', '0:00']);
    expect([minutes(4), minutes(29.14), minutes(240), minutes(10_080), minutes(null)]).toEqual(['4 min', '29.1 min', '4 h', '7 days', '–']);
});

test('on the strip what needs hands keeps its lane, and what finds none is counted', () => {
    const hour = 3_600_000;
    const pour = (id: number, state: string, from: number, to: number): Lozenge => ({
        pour_id: id,
        job: 'x',
        title: `Pour ${String(id)}`,
        state,
        hands: [{ from_ms: from * hour, to_ms: (from + 0.2) * hour }],
        waits: [{ from_ms: (from + 0.2) * hour, to_ms: to * hour }],
        windows: [],
    });
    const lozenges = [
        pour(1, 'waiting', 0, 9),
        pour(2, 'waiting', 0, 8),
        pour(3, 'waiting', 0, 7),
        pour(4, 'waiting', 0, 6),
        pour(5, 'running', 3, 4),
        pour(6, 'waiting', 20, 30),
    ];
    const laid = lay({ now_ms: 3 * hour, lozenges, calls: [], startable: [] }, 0, 11 * hour, 1100);

    expect(laid.lanes.map(({ l }) => l.pour_id)).toEqual([5, 4, 3, 2]);
    expect(new Set(laid.lanes.map(({ lane }) => lane)).size).toBe(4);
    expect(laid.more).toBe(1);
});

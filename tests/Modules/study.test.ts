import { describe, expect, it } from 'vitest';
import { axes, leaning, leant, read, written } from '../../resources/js/lib/study.svelte';
import { sizes } from '../../resources/js/lib/units';

describe('ways a piece is turned', () => {
    it('leans from each side to each other and is found again', () => {
        axes.forEach((_, axis) => {
            for (const [first, second] of [
                [0, 0],
                [15, 0],
                [-30, 20],
                [44, -44],
            ] as const) {
                const way = leant(axis, first, second);
                expect(Math.hypot(...way)).toBeCloseTo(1, 9);
                expect(leaning(way)).toEqual({ axis, first, second });
            }
        });
    });

    it('is written as the core reads it, and read back', () => {
        const way = leant(0, 15, -10);
        const back = read(written(way));
        expect(back).not.toBeNull();
        back?.forEach((part, i) => expect(part).toBeCloseTo(way[i] ?? 9, 4));
        expect(written(undefined)).toBeNull();
        for (const nonsense of [null, '', '1,2', 'a,b,c', '1,2,x']) {
            expect(read(nonsense)).toBeNull();
        }
    });

    it('names the unit of sides once', () => {
        expect(sizes([81.4, 66.7, 18.3], 'metric')).toBe('81 × 67 × 18 mm');
        expect(sizes([254, 25.4, 12.7], 'imperial')).toBe('10.00 × 1.00 × 0.50 in');
    });
});

import { describe, expect, test } from 'vitest';
import { pixels } from '../../resources/js/lib/photo';

/** A canvas whose every pixel says where it lies. */
function canvas(width: number, height: number): { canvas: HTMLCanvasElement; asked: number[][] } {
    const asked: number[][] = [];
    const getImageData = (left: number, top: number, wide: number, high: number): { data: Uint8ClampedArray } => {
        asked.push([left, top, wide, high]);
        const data = new Uint8ClampedArray(4 * wide * high);
        for (let i = 0; i < wide * high; i++) {
            data.set([(left + (i % wide)) % 256, (top + Math.floor(i / wide)) % 256, 7, 255], 4 * i);
        }
        return { data };
    };
    return { canvas: { width, height, getContext: () => ({ getImageData }) } as unknown as HTMLCanvasElement, asked };
}

describe('the pixels of a patch on a photo', () => {
    test('lie around the spot, in a square as wide as was asked', () => {
        const { canvas: of, asked } = canvas(200, 100);
        const taken = pixels(of, { x: 0.5, y: 0.5 }, 0.1);
        expect(asked).toEqual([[90, 40, 20, 20]]);
        expect(taken).toHaveLength(400);
        expect(taken[0]).toEqual([90, 40, 7]);
        expect(taken.at(-1)).toEqual([109, 59, 7]);
    });

    test.each([
        ['left and above', { x: 0, y: 0 }, [0, 0]],
        ['right and below', { x: 1, y: 1 }, [180, 80]],
    ] as const)('at the edge %s the square stays on the picture', (_, spot, [left, top]) => {
        const { canvas: of, asked } = canvas(200, 100);
        pixels(of, spot, 0.1);
        expect(asked[0]).toEqual([left, top, 20, 20]);
    });

    test('a spot of nothing is still six pixels wide, and a large one sends no more than it takes to be sure', () => {
        const { canvas: of, asked } = canvas(1600, 1200);
        expect(pixels(of, { x: 0.5, y: 0.5 }, 0)).toHaveLength(36);
        const many = pixels(of, { x: 0.5, y: 0.5 }, 0.5);
        expect(asked[1]?.[2]).toBe(800);
        expect(many.length).toBeGreaterThan(800);
        expect(many.length).toBeLessThan(1000);
        // From all over the square, not from its first lines.
        expect(new Set(many.map(([, y]) => y)).size).toBeGreaterThan(200);
    });
});

import { describe, expect, it } from 'vitest';
import { bitmap, broken, dots, fromBase64, toBase64 } from '../../resources/js/lib/drawnLabel';

describe('a label is a bitmap any printer can be told', () => {
    it('fills each row up to a byte, and reads back dot by dot', () => {
        const black = (x: number, y: number): boolean => (x * 7 + y * 3) % 5 < 2;
        const pbm = bitmap(21, 5, black);
        expect(pbm.length).toBe('P4\n21 5\n'.length + 3 * 5);
        const read = dots(fromBase64(toBase64(pbm)));
        expect([read?.width, read?.height]).toEqual([21, 5]);
        for (let y = 0; y < 5; y++) {
            for (let x = 0; x < 21; x++) {
                expect(read?.black(x, y)).toBe(black(x, y));
            }
        }
        expect([...bitmap(3, 1, (x) => x === 0)].at(-1)).toBe(0x80);
        expect(dots(new TextEncoder().encode('P1\n1 1\n1'))).toBeNull();
    });
});

describe('words are broken into lines', () => {
    const wide = (text: string): number => text.length;
    it.each([
        ['the outer thigh mould', 10, ['the outer', 'thigh', 'mould']],
        ['M-12', 10, ['M-12']],
        ['polyetheramine', 5, ['polye', 'thera', 'mine']],
        ['a polyetheramine b', 5, ['a', 'polye', 'thera', 'mine', 'b']],
        ['   ', 5, []],
    ])('“%s” in %i', (text, width, lines) => {
        expect(broken(text, width, wide)).toEqual(lines);
        expect(lines.every((line) => line.length <= width)).toBe(true);
    });
});

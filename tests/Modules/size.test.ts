import { expect, test } from 'vitest';
import { tooLarge } from '../../resources/js/lib/size';

const file = (bytes: number): File => new File([new Uint8Array(bytes)], 'photo.jpg');

test('what fits is let through, to the byte', () => {
    expect(tooLarge(undefined, 8, 'A photo')).toBeNull();
    expect(tooLarge(file(0), 8, 'A photo')).toBeNull();
    expect(tooLarge(file(2 * 1024 * 1024), 2, 'A photo')).toBeNull();
});

test('what does not fit is told with both figures', () => {
    expect(tooLarge(file(2 * 1024 * 1024 + 1), 2, 'A photo')).toBe('A photo may have 2 MB; this has 2.0. Choose a smaller one.');
    expect(tooLarge(file(6_500_000), 5, 'A file')).toBe('A file may have 5 MB; this has 6.2. Choose a smaller one.');
});

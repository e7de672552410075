import { expect, test } from 'vitest';
import { type Contact, markOf, wordsOf } from '../../resources/js/lib/contacts';
import { qr } from '../../resources/js/lib/qr';

const contact = (blocks: boolean, overruled: string | null, verdict: string): Contact =>
    ({ blocks, overruled, result: { verdict, in_short: 'will not cure' } }) as unknown as Contact;

test.each([
    [true, null, 'stop', 'stop', 'will not cure'],
    // An overruling that has lapsed blocks again, and is not said any more.
    [true, 'varnished', 'stop', 'stop', 'will not cure'],
    [false, 'varnished', 'stop', 'mind', 'overruled: will not cure'],
    [false, null, 'test-first', 'ask', 'will not cure'],
    [false, null, 'release', 'good', 'will not cure'],
    [false, null, 'clear', 'good', 'will not cure'],
] as const)('blocks %s, overruled %s, %s: %s', (blocks, overruled, verdict, mark, words) => {
    expect([markOf(contact(blocks, overruled, verdict)), wordsOf(contact(blocks, overruled, verdict))]).toEqual([mark, words]);
});

test('a code keeps its quiet rim and its three corners', () => {
    const { path, size } = qr('http://192.168.1.20:8000/swatches/drawer#swatch-17');
    const dark = new Set([...path.matchAll(/M(\d+) (\d+)h1v1h-1z/g)].map(([, x, y]) => `${String(x)},${String(y)}`));
    const is = (x: number, y: number): boolean => dark.has(`${String(x)},${String(y)}`);
    for (let i = 0; i < size; i++) {
        expect(is(0, i) || is(1, i) || is(i, 0) || is(i, 1) || is(size - 1, i) || is(i, size - 2)).toBe(false);
    }
    // The outer ring of a finder pattern is seven dark squares, with a light ring inside.
    for (const [left, top] of [
        [2, 2],
        [size - 9, 2],
        [2, size - 9],
    ] as const) {
        for (let i = 0; i < 7; i++) {
            expect(is(left + i, top) && is(left, top + i)).toBe(true);
        }
        expect(is(left + 1, top + 1)).toBe(false);
        expect(is(left + 3, top + 3)).toBe(true);
    }
});

import { Kept } from '../../resources/js/lib/kept';
import { expect, test } from './shop';

// What was typed and not handed in yet, kept in the browser. No page is opened; a map stands in for the browser's own store.

const HOUR = 3_600_000;
const store = new Map<string, string>();

test.beforeAll(() => {
    Object.assign(globalThis, {
        localStorage: {
            getItem: (key: string) => store.get(key) ?? null,
            setItem: (key: string, value: string) => void store.set(key, value),
            removeItem: (key: string) => void store.delete(key),
        },
    });
});
test.beforeEach(() => store.clear());

test('what was typed comes back on the same screen, and on no other', () => {
    new Kept<{ steps: string }>('series?base=pr-10').write({ steps: '0 45' }, 9 * HOUR);
    expect(new Kept('series?base=pr-10').read(10 * HOUR)).toEqual({ steps: '0 45' });
    expect(new Kept('series?base=pr-25').read(10 * HOUR)).toBeNull();
});

test('half a day later it is another day’s work', () => {
    const kept = new Kept<string>('note');
    kept.write('streaks on the left', 8 * HOUR);
    expect(kept.read(20 * HOUR - 1)).toBe('streaks on the left');
    expect(kept.read(20 * HOUR)).toBeNull();
});

test('what was handed in is forgotten, and what cannot be read is nothing', () => {
    const kept = new Kept<string>('note');
    kept.write('streaks', 8 * HOUR);
    kept.forget();
    expect(kept.read(8 * HOUR)).toBeNull();
    store.set('apalos.typed.note', '{"at": 1, "wh');
    expect(kept.read(8 * HOUR)).toBeNull();
});

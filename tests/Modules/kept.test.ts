import { beforeEach, expect, test } from 'vitest';
import { Kept } from '../../resources/js/lib/kept';

const HOUR = 3_600_000;
beforeEach(() => localStorage.clear());

test('what was typed is there after a reload, and forgotten half a day later or when it was handed in', () => {
    new Kept<{ name: string }>('new-job').write({ name: 'Jaw, left' }, 0);
    expect(new Kept('new-job').read(11 * HOUR)).toEqual({ name: 'Jaw, left' });
    expect(new Kept('another').read(11 * HOUR)).toBeNull();
    expect(new Kept('new-job').read(12 * HOUR)).toBeNull();
    new Kept('new-job').forget();
    expect(new Kept('new-job').read(0)).toBeNull();
});

test('a broken store is an empty one', () => {
    localStorage.setItem('apalos.typed.new-job', 'not JSON');
    expect(new Kept('new-job').read()).toBeNull();
});

import { expect, test, vi } from 'vitest';
import { refused } from '../../resources/js/lib/refused';

const props = vi.hoisted(() => ({ errors: undefined as Record<string, string> | undefined }));
vi.mock('@inertiajs/svelte', () => ({ page: { props } }));

test('why a field was not taken is said at that field, and nowhere else', () => {
    expect(refused('name')).toBeNull();
    props.errors = { name: 'Give the piece a name you will know it by.' };
    expect(refused('name')).toBe('Give the piece a name you will know it by.');
    expect(refused('quantity')).toBeNull();
    props.errors = {};
    expect(refused('name')).toBeNull();
});

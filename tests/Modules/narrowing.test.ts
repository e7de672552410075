import { router } from '@inertiajs/svelte';
import { afterEach, expect, test, vi } from 'vitest';
import { Narrowing } from '../../resources/js/lib/narrowing';

const { heard } = vi.hoisted(() => ({ heard: [] as (() => void)[] }));
vi.mock('@inertiajs/svelte', () => ({ router: { get: vi.fn(), on: (_: string, hear: () => void) => heard.push(hear) } }));

afterEach(() => {
    vi.useRealTimers();
    vi.mocked(router.get).mockClear();
});

test('the address says what is asked for and leaves out what is not', () => {
    const list = new Narrowing('/log', { q: 'owl & moth', grade: '', base: 'pr-10' }, ['log']);
    expect(list.href(1)).toBe('/log?q=owl+%26+moth&base=pr-10');
    expect(list.href(3)).toBe('/log?q=owl+%26+moth&base=pr-10&page=3');
    expect(new Narrowing('/jobs', { q: '' }, ['list']).href(1)).toBe('/jobs');
});

test('whoever types is asked for once, when they rest, from the first page on', () => {
    vi.useFakeTimers();
    const filter = { q: '' };
    const list = new Narrowing('/jobs', filter, ['list']);
    for (const q of ['o', 'ow', 'owl']) {
        filter.q = q;
        list.go(200);
        vi.advanceTimersByTime(100);
    }
    expect(router.get).not.toHaveBeenCalled();
    vi.advanceTimersByTime(200);
    expect(router.get).toHaveBeenCalledExactlyOnceWith('/jobs?q=owl', {}, expect.objectContaining({ only: ['list'], replace: true }));
});

test('who follows a link while a search still waits is not called back', () => {
    vi.useFakeTimers();
    new Narrowing('/rack', { q: 'tray' }, ['rack']).go(200);
    vi.advanceTimersByTime(100);
    heard.forEach((hear) => hear());
    vi.advanceTimersByTime(500);
    expect(router.get).not.toHaveBeenCalled();
});

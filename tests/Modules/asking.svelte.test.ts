import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ask, type Answer } from '../../resources/js/lib/api';
import { Asking } from '../../resources/js/lib/asking.svelte';
import { bench } from '../../resources/js/lib/bench.svelte';
import type { FrameView } from '../../resources/js/types/server';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

type Mass = { grams: number };
const frame = (units: string): FrameView => ({ workshop: { units } }) as unknown as FrameView;

/** Every question waits until the test answers it. */
let open: ((answer: Answer<unknown>) => void)[] = [];
const answer = async (said: Answer<unknown>): Promise<void> => {
    open.shift()?.(said);
    await vi.advanceTimersByTimeAsync(0);
};
const grams = (g: number): Answer<Mass> => ({ ok: true, data: { grams: g } });
const questions = (): unknown[] => vi.mocked(ask).mock.calls.map(([, , body]) => body);

let stop: () => void = () => undefined;
let typed = 1;
function asking(): Asking<Mass> {
    let made: Asking<Mass> | undefined;
    stop = $effect.root(() => {
        made = new Asking<Mass>('POST', '/formulas/reckon', () => ({ typed }), { grams: 0 });
    });
    flushSync();
    return made as Asking<Mass>;
}

beforeEach(() => {
    vi.useFakeTimers();
    [open, typed] = [[], 1];
    bench.frame = frame('metric');
    vi.mocked(ask).mockReset();
    vi.mocked(ask).mockImplementation(() => new Promise((done) => open.push(done as (answer: Answer<unknown>) => void)));
});
afterEach(() => {
    stop();
    vi.useRealTimers();
});

describe('asked again and again while one types', () => {
    test('one question at a time; what changed meanwhile goes out with the next, and the old answer is thrown away', async () => {
        const it = asking();
        it.changed();
        typed = 2;
        it.changed();
        typed = 3;
        it.changed();
        expect([questions(), it.fresh]).toEqual([[{ typed: 1 }], false]);
        await answer(grams(1));
        expect([questions(), it.answer.grams, it.fresh]).toEqual([[{ typed: 1 }, { typed: 3 }], 0, false]);
        await answer(grams(3));
        expect([it.answer.grams, it.fresh, it.trouble]).toEqual([3, true, null]);
    });

    test('a refusal leaves the last answer standing, and says what is wrong', async () => {
        const it = asking();
        it.changed();
        await answer({ ok: false, offline: false, status: 422, wrong: { field: 'mass_g', message: 'More than 0.' }, data: null });
        expect([it.answer.grams, it.fresh, it.trouble]).toEqual([0, false, { field: 'mass_g', message: 'More than 0.' }]);
        it.changed();
        await answer(grams(5));
        expect([it.answer.grams, it.trouble]).toEqual([5, null]);
    });

    test('without a network it asks again by itself', async () => {
        const it = asking();
        it.changed();
        await answer({ ok: false, offline: true, status: 0, wrong: { field: '', message: 'No answer.' }, data: null });
        expect(it.trouble?.message).toBe('No answer.');
        await vi.advanceTimersByTimeAsync(2500);
        await answer(grams(7));
        expect([it.answer.grams, it.fresh]).toEqual([7, true]);
    });

    test('settled is when everything typed has been answered', async () => {
        const it = asking();
        it.changed();
        const settled = it.settled();
        await answer(grams(1));
        await vi.advanceTimersByTimeAsync(60);
        expect(await settled).toBe(true);
    });
});

describe('what is said is said in the units of the bench', () => {
    test('it is asked once more when they change, and only then', async () => {
        asking();
        bench.frame = frame('imperial');
        flushSync();
        expect(questions()).toHaveLength(1);
        await answer(grams(1));
        bench.frame = frame('imperial');
        flushSync();
        expect(questions()).toHaveLength(1);
    });

    test('a screen that is gone asks no more', () => {
        asking();
        stop();
        bench.frame = frame('imperial');
        flushSync();
        expect(ask).not.toHaveBeenCalled();
    });
});

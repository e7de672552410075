import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ask, type Answer } from '../../resources/js/lib/api';
import { bench } from '../../resources/js/lib/bench.svelte';
import { LiveSheet, type Sheet } from '../../resources/js/lib/pourSheet.svelte';
import type { FrameView, ReckoningView } from '../../resources/js/types/server';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

/** Every question waits until the test answers it. */
let open: ((answer: Answer<unknown>) => void)[] = [];
const answer = async (said: Answer<unknown>): Promise<void> => {
    open.shift()?.(said);
    await vi.advanceTimersByTimeAsync(0);
};
const asked = (): string[] => vi.mocked(ask).mock.calls.map(([method, url]) => `${method} ${url}`);
const view = (edition: number, more: Partial<ReckoningView> = {}): ReckoningView =>
    ({ errors: [], pourable: true, edition, stamp: '', cup: null, ...more }) as unknown as ReckoningView;
const sheet = (ml = 100): Sheet =>
    ({
        volume: { method: 'mesh', volume_ml: ml, allowance_pct: 5 },
        target: { waste_pct: 0 },
        formula: { base: 'pr-10', additives: [] },
        plan: { vessel: { capacity_ml: 500, tare_g: 12 } },
    }) as unknown as Sheet;
const elsewhere = (edition: number, ml: number): Answer<unknown> => ({
    ok: false,
    offline: false,
    status: 409,
    wrong: { field: 'edition', message: 'This sheet was changed on another screen.' },
    data: { begun: false, now: { sheet: sheet(ml), reckoning: view(edition) } },
});

let stop: () => void = () => undefined;
function live(edition = 1, first = sheet()): LiveSheet {
    let made: LiveSheet | undefined;
    stop = $effect.root(() => {
        made = new LiveSheet('/pours/9/sheet', first, view(edition));
    });
    flushSync();
    return made as LiveSheet;
}
function type(it: LiveSheet, ml: unknown): void {
    if (it.sheet.volume !== null) {
        it.sheet.volume.volume_ml = ml;
    }
    it.changed();
}

beforeEach(() => {
    vi.useFakeTimers();
    open = [];
    bench.frame = { workshop: { units: 'metric' } } as unknown as FrameView;
    vi.mocked(ask).mockReset();
    vi.mocked(ask).mockImplementation(() => new Promise((done) => open.push(done as (answer: Answer<unknown>) => void)));
});
afterEach(() => {
    stop();
    vi.useRealTimers();
});

describe('what is typed', () => {
    test('is kept as it stands, also what is no number, on the edition it was typed on', async () => {
        const it = live(4);
        type(it, 'lots');
        expect(asked()).toEqual(['PUT /pours/9/sheet?edition=4']);
        await answer({
            ok: true,
            data: view(5, { errors: [{ field: 'volume.volume_ml', message: 'This needs a number.', missing: false }] }),
        });
        expect([it.error('volume.volume_ml')?.message, it.edition, it.fresh]).toEqual(['This needs a number.', 5, true]);
    });

    test('goes out on the edition the word before it made', async () => {
        const it = live();
        type(it, 110);
        type(it, 120);
        await answer({ ok: true, data: view(2) });
        expect(asked()).toEqual(['PUT /pours/9/sheet?edition=1', 'PUT /pours/9/sheet?edition=2']);
    });

    test('lies beside what another screen has kept, and is sent only when somebody says so', async () => {
        const it = live();
        type(it, 120);
        await answer(elsewhere(2, 300));
        expect(it.clash?.differs).toEqual([{ what: 'Volume', mine: '120 ml', theirs: '300 ml' }]);
        expect([it.fresh, await it.settled()]).toEqual([false, false]);
        type(it, 125);
        expect(asked()).toHaveLength(1);
        it.keepMine();
        expect(asked().at(-1)).toBe('PUT /pours/9/sheet?edition=2');
        await answer({ ok: true, data: view(3) });
        expect([it.clash, it.sheet.volume?.volume_ml, it.fresh]).toEqual([null, 125, true]);
    });

    test('gives way where one takes what stands there', async () => {
        const it = live();
        type(it, 120);
        await answer(elsewhere(2, 300));
        it.takeTheirs();
        expect([it.clash, it.sheet.volume?.volume_ml, it.edition, it.fresh]).toEqual([null, 300, 2, true]);
        expect(asked()).toHaveLength(1);
    });

    test('is no quarrel where both screens say the same', async () => {
        const it = live();
        type(it, 300);
        await answer(elsewhere(2, 300));
        expect([it.clash, it.edition, it.trouble]).toEqual([null, 2, null]);
    });
});

describe('a look', () => {
    test('at another room or in other units only asks', async () => {
        const it = live(7);
        it.look();
        expect(asked()).toEqual(['POST /pours/9/sheet/ask?edition=7']);
        await answer({ ok: true, data: view(7) });
        bench.frame = { workshop: { units: 'imperial' } } as unknown as FrameView;
        flushSync();
        expect(asked().at(-1)).toBe('POST /pours/9/sheet/ask?edition=7');
    });

    test('takes what another screen has kept where nothing was typed here', async () => {
        const it = live();
        it.look();
        await answer(elsewhere(3, 250));
        expect([it.sheet.volume?.volume_ml, it.edition, it.clash, it.fresh]).toEqual([250, 3, null, true]);
    });

    test('finds that the pour has begun', async () => {
        const it = live();
        it.look();
        const gone = elsewhere(2, 100) as Extract<Answer<unknown>, { ok: false }>;
        await answer({ ...gone, data: { ...(gone.data as object), begun: true } });
        expect(it.begun).toBe(true);
    });

    test('never sends again what is still to be sent as something that was only asked', async () => {
        const it = live();
        type(it, 120);
        await answer({ ok: false, offline: true, status: 0, wrong: { field: '', message: 'No network.' }, data: null });
        it.look();
        expect(asked().at(-1)).toBe('PUT /pours/9/sheet?edition=1');
    });
});

test('the smallest cup that holds it stands there until somebody has chosen one', async () => {
    const it = live(1, { ...sheet(), cup: 'fits' });
    type(it, 90);
    await answer({ ok: true, data: view(2, { cup: { ml: 250, tare_g: null } }) });
    expect(it.sheet.plan.vessel).toMatchObject({ capacity_ml: 250, tare_g: 12 });
    it.sheet.cup = 'hand';
    type(it, 95);
    await answer({ ok: true, data: view(3, { cup: { ml: 1000, tare_g: 30 } }) });
    expect(it.sheet.plan.vessel?.capacity_ml).toBe(250);
});

import { screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import type { BuildOperation, LiveBuild } from '../../resources/js/lib/build.svelte';
import NowPanel from '../../resources/js/pages/build/NowPanel.svelte';
import { onAScreen, show } from './shown';

onAScreen();

const MIN = 60_000;
const NOW = Date.UTC(2027, 2, 3, 10);

const operation = (id: string, more: Record<string, unknown> = {}): BuildOperation =>
    ({
        id,
        kind: 'trim',
        name: `The ${id}`,
        how: '',
        minutes: 3,
        uses: ['hands'],
        after: [],
        own_cautions: [],
        acts: [],
        mix: null,
        mixes: false,
        state: 'ready',
        started_ms: null,
        ended_ms: null,
        opens_ms: null,
        shuts_ms: null,
        ahead_ms: null,
        waits_for: [],
        base: null,
        base_name: null,
        thickness_mm: null,
        volume_ml: null,
        layers: [],
        care: [],
        cautions: [],
        dry: null,
        pour_id: null,
        save: null,
        save_coat_mm: null,
        late_on: null,
        ...more,
    }) as unknown as BuildOperation;
const first = operation('first', {
    kind: 'coat',
    mixes: true,
    state: 'done',
    ended_ms: NOW - 20 * MIN,
    base: 'pr-10',
    mix: { area_mm2: 40_000 },
});
const second = (more: Record<string, unknown> = {}): BuildOperation =>
    operation('second', {
        kind: 'coat',
        mixes: true,
        after: [{ op: 'first', from: 'recoat_open', until: 'recoat_close' }],
        opens_ms: NOW - 5 * MIN,
        shuts_ms: NOW + 15 * MIN,
        mix: { area_mm2: 40_000 },
        ...more,
    });

function stands(op: BuildOperation, more: Record<string, unknown> = {}) {
    const live = {
        build: { id: 4, edition: 6, operations: [first, op] },
        trouble: null,
        doubted: null as unknown,
        ready: true,
        record: vi.fn((..._: unknown[]) => Promise.resolve()),
        look: vi.fn(() => Promise.resolve()),
        ...more,
    };
    const held = $state(live);
    const props = $state({ live: held as unknown as LiveBuild, op });
    const hand = show(NowPanel, props);
    return { live: held, props, hand, told: () => live.record.mock.calls.map(([kind, payload]) => [kind, payload]) };
}
const press = (hand: ReturnType<typeof show>, name: string | RegExp): Promise<void> => hand.click(screen.getByRole('button', { name }));
const said = (): string => (document.querySelector('section')?.textContent ?? '').replace(/\s+/g, ' ');

beforeEach(() => {
    bench.now = NOW;
});

describe('what to do now in a build', () => {
    test('done is told at once, with one press', async () => {
        const { hand, told } = stands(operation('trim'));
        await press(hand, 'Done');
        expect(told()).toEqual([['done', { op: 'trim' }]]);
    });

    test('early by the clock it asks why first, and what was answered goes along', async () => {
        const { hand, told } = stands(operation('trim', { state: 'waits', opens_ms: NOW + 40 * MIN }));
        expect(said()).toMatch(/It can begin in 40:00, at/);
        await press(hand, 'Done');
        expect(told()).toEqual([]);
        const anyway = screen.getByRole('button', { name: 'Done all the same' });
        expect(anyway).toHaveProperty('disabled', true);
        await hand.type(screen.getByRole('textbox'), '  it is warm in here ');
        await hand.click(anyway);
        expect(told()).toEqual([['done', { op: 'trim', early: 'it is warm in here' }]]);
    });

    test('asked why, one may wait after all: nothing is told, and the question is gone with the next operation', async () => {
        const { hand, told, props } = stands(operation('trim', { state: 'waits', opens_ms: NOW + 40 * MIN, minutes: 20 }));
        await press(hand, /^Begin:/);
        expect(screen.getByRole('button', { name: 'Begin all the same' })).toBeTruthy();
        props.op = operation('other', { state: 'waits', opens_ms: NOW + 50 * MIN });
        await tick();
        expect(screen.queryByRole('button', { name: 'Begin all the same' })).toBeNull();
        expect(told()).toEqual([]);
    });

    test.each([
        [20, true],
        [5, false],
    ])('%d minutes of hands have a beginning of their own: %s', (minutes, has) => {
        stands(operation('trim', { minutes }));
        expect(screen.queryByRole('button', { name: /^Begin:/ }) !== null).toBe(has);
    });

    test('a window is shown by what is left of it, before it opens, while it is open and after it shut', async () => {
        stands(second());
        expect(said()).toMatch(/15:00 left: the window shuts at/);
        bench.now = NOW - 10 * MIN;
        await tick();
        expect(said()).toMatch(/The window opens in 5:00, at .*, and shuts at/);
        bench.now = NOW + 25 * MIN;
        await tick();
        expect(said()).toMatch(/The window shut at .*, 10:00 ago/);
        expect(document.querySelector('.window.shut')).not.toBeNull();
    });

    test('missed with a coat that saves it: one press puts it between, against the plan as it stands', async () => {
        const { hand, told } = stands(
            second({
                state: 'closing',
                shuts_ms: NOW - MIN,
                save: 'Scuff it and lay a thin bonding coat first.',
                save_coat_mm: 0.4,
                late_on: 'first',
            }),
        );
        expect(screen.getByRole('alert').textContent).toContain('Scuff it');
        await press(hand, 'Put that thin coat in first');
        const [[kind, payload]] = told() as [
            [string, { operations: { id: string; after: unknown[]; mix: Record<string, unknown> }[]; was: number }],
        ];
        expect([kind, payload.was]).toEqual(['changed', 6]);
        const coat = payload.operations.find((o) => o.id === 'bonding-1');
        expect(coat?.after).toEqual([{ op: 'first' }]);
        expect(coat?.mix).toMatchObject({ intent: 'bond', thickness_mm: 0.4, area_mm2: 40_000 });
        expect(payload.operations.findIndex((o) => o.id === 'bonding-1')).toBe(payload.operations.findIndex((o) => o.id === 'second') - 1);
    });

    test('missed with nothing that saves it, it says so and offers nothing', () => {
        stands(second({ state: 'closing', shuts_ms: NOW - MIN }));
        expect(screen.getByRole('alert').textContent).toContain('It is late for this.');
        expect(screen.queryByRole('button', { name: 'Put that thin coat in first' })).toBeNull();
    });

    test('the coat below is touched with a finger: which coat, and how it feels', async () => {
        const { hand, told } = stands(second());
        expect(said()).toContain('Touch “The first” with a gloved finger');
        await press(hand, /Tacky, clean glove/);
        expect(told()).toEqual([['fingered', { op: 'first', finger: 'tacky' }]]);
    });

    test('where nothing waits for a window there is nothing to touch', () => {
        stands(second({ after: [{ op: 'first', from: 30, until: null }] }));
        expect(screen.queryByText(/gloved finger/)).toBeNull();
    });

    test('a touch far from what was to be expected: really so, another coat, or a slip', async () => {
        const doubt = {
            why: 'PR-10 is dry after 3 h at the earliest.',
            fact: { kind: 'fingered', payload: { op: 'first', finger: 'dry' }, at_ms: NOW },
        };
        const zeroth = operation('zeroth', { kind: 'coat', mixes: true, state: 'done', ended_ms: NOW - 90 * MIN });
        const { hand, live, told } = stands(second(), {
            doubted: doubt,
            build: { id: 4, edition: 6, operations: [zeroth, first, second()] },
        });
        expect(screen.getByRole('alert', { name: /really so/i }).textContent).toContain('3 h at the earliest');
        await press(hand, 'It was “The zeroth”');
        expect(told()).toEqual([['fingered', { op: 'zeroth', finger: 'dry', done_ms: NOW }]]);
        live.doubted = { ...doubt };
        await tick();
        await press(hand, 'It is really so');
        expect(told()[1]).toEqual(['fingered', { op: 'first', finger: 'dry', sure: true, done_ms: NOW }]);
        live.doubted = { ...doubt };
        await tick();
        await press(hand, /A slip/);
        expect(live.doubted).toBeNull();
        expect(told()).toHaveLength(2);
    });

    test('what was doubted while nobody answered is asked elsewhere, not twice', () => {
        stands(second(), {
            doubted: { why: 'far', fact: { kind: 'fingered', away: true, payload: { op: 'first', finger: 'dry' }, at_ms: NOW } },
        });
        expect(screen.queryByRole('alert', { name: /really so/i })).toBeNull();
    });

    test('a check that failed holds back what waits for it, and can pass later', async () => {
        const { hand, told, props } = stands(operation('look', { kind: 'check' }));
        await press(hand, 'It is not');
        expect(told()).toEqual([['failed', { op: 'look' }]]);
        props.op = operation('look', { kind: 'check', state: 'failed' });
        await tick();
        expect(screen.getByRole('alert').textContent).toContain('Nothing that waits for it is poured until it passes');
        expect(screen.queryByRole('button', { name: 'It is not' })).toBeNull();
        expect(screen.getByRole('button', { name: 'It passes now' })).toBeTruthy();
    });

    test.each([
        [{ pour_id: null }, 'button', 'Weigh it up'],
        [{ pour_id: 9 }, 'link', 'Open its sheet'],
        [{ pour_id: 9, state: 'under_way' }, 'link', 'Go on weighing'],
    ])('what mixes is weighed up on its sheet: %o', (more, role, name) => {
        stands(second(more));
        expect(screen.getByRole(role, { name })).toBeTruthy();
        expect(screen.queryByRole('button', { name: 'Done' })).toBeNull();
    });

    test('while what was told is on its way there is nothing to press', () => {
        stands(operation('trim', { kind: 'check', minutes: 20 }), { ready: false });
        for (const button of screen.getAllByRole('button').filter((b) => b.classList.contains('big'))) {
            expect(button).toHaveProperty('disabled', true);
        }
    });

    test('what is done already can only be told again with another time', async () => {
        const { hand, told } = stands(operation('trim', { state: 'done', ended_ms: NOW - 30 * MIN }));
        expect(screen.getByRole('button', { name: 'Done' })).toHaveProperty('disabled', true);
        expect(screen.queryByRole('button', { name: 'It was done then' })).toBeNull();
        await press(hand, 'It was done at another time …');
        await press(hand, 'It was done then');
        const [[kind, payload]] = told() as [[string, Record<string, unknown>]];
        expect([kind, payload.op, payload.what]).toEqual(['retold', 'trim', 'done']);
        expect(payload.done_ms).toBe(NOW);
    });

    test('on what, with what: a contact nothing was chosen for is said, whether it lets go or not', () => {
        const care = (more: Record<string, unknown>) => ({
            key: 'below',
            act: 'release',
            with: 'The wall',
            what: null,
            coats: 0,
            minutes: 0,
            blocks: false,
            choices: [],
            chosen: null,
            link: 1,
            edition: 1,
            ...more,
        });
        stands(
            second({
                care: [
                    care({ blocks: true }),
                    care({ key: 'side', with: 'The tray' }),
                    care({ key: 'top', with: 'The lid', what: 'RL-2', coats: 2, minutes: 10 }),
                ],
            }),
        );
        const [wall, tray, lid] = [...document.querySelectorAll('.care li')].map((li) => li.textContent.replace(/\s+/g, ' ').trim());
        expect(wall).toBe('The wall: nothing is chosen, and it would not come apart.');
        expect(tray).toBe('The tray: nothing is chosen, and it lets go by itself.');
        expect(lid).toMatch(/^The lid: RL-2, 2 coats, 10 min with the waits$/);
        expect(document.querySelectorAll('.care .bad')).toHaveLength(1);
    });
});

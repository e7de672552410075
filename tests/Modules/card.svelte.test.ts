import { screen } from '@testing-library/svelte';
import { describe, expect, test } from 'vitest';
import { emptyCard, handedIn, readInAll, type TypedCup } from '../../resources/js/lib/card';
import CardCup from '../../resources/js/pages/run/CardCup.svelte';
import type { CardView, RunView } from '../../resources/js/types/server';
import { onAScreen, show } from './shown';

onAScreen();

const cup = (batch: number, reads: (number | null)[] = [null, null]): CardView['cups'][number] => ({
    batch,
    grams: 200,
    meets: true,
    met_ms: null,
    filled_ms: null,
    lines: [
        { label: 'B', grams: 100, running: 100, read: reads[0] ?? null },
        { label: 'A', grams: 100, running: 200, read: reads[1] ?? null },
    ],
});
const card = (...cups: CardView['cups']): CardView => ({
    began_ms: 1_700_000_000_000,
    gear_on: false,
    too_many: false,
    stops: false,
    cups,
});
const run = (more: Partial<RunView> = {}): RunView =>
    ({ batches: 1, division_g: 0.1, heat: null, worked: { met: 'A met B' }, scrap: null, last_fact_id: 7, ...more }) as unknown as RunView;

describe('a card as it is typed', () => {
    test('has a place for each line of each cup, and hands in what stands there already beside what was typed', () => {
        const paper = card(cup(1, [100.2, null]), cup(2));
        const typed = emptyCard(paper, 'a-key');
        const second = typed.cups[0];
        if (second !== undefined) {
            second.read[1] = 200.4;
        }
        const sent = handedIn(paper, typed, run());
        expect(sent).toMatchObject({ key: 'a-key', after: 7, grade: null });
        expect(sent['cups']).toEqual([
            { read: [100.2, 200.4], met_ms: null, filled_ms: null, heated_c: null },
            { read: [null, null], met_ms: null, filled_ms: null, heated_c: null },
        ]);
    });

    test.each([
        [[null, null], 0],
        [[100.2, null], 100.2],
        [[100.2, 200.4], 200.4],
    ])('of a cup that read %j so much is in: %d', (reads, grams) => {
        expect(readInAll(card(cup(1, reads)), emptyCard(card(cup(1, reads)), 'k'))).toBe(grams);
    });

    test('a word that is no figure counts for nothing, and is handed in as it was typed', () => {
        const paper = card(cup(1));
        const typed = emptyCard(paper, 'k');
        (typed.cups[0] as TypedCup).read = ['a lot', 200];
        expect(readInAll(paper, typed)).toBe(200);
        expect(handedIn(paper, typed, run())['cups']).toMatchObject([{ read: ['a lot', 200] }]);
    });

    test('is graded with what was ticked of it, and pieces one by one only where there are so many', () => {
        const paper = card(cup(1));
        const typed = emptyCard(paper, 'k');
        typed.grading = {
            grade: 'good',
            faults: ['flash'],
            left_g: null,
            pieces: 2,
            note: '',
            each: [
                { outcome: 'good', fault: '' },
                { outcome: 'reject', fault: 'voids' },
            ],
        };
        expect(handedIn(paper, typed, run())['grade']).toEqual({
            grade: 'good',
            faults: ['flash'],
            pieces: 2,
            note: '',
            each: [
                { outcome: 'good', fault: null },
                { outcome: 'reject', fault: 'voids' },
            ],
        });
        typed.grading.pieces = 3;
        expect(handedIn(paper, typed, run())['grade']).not.toHaveProperty('each');
        expect(handedIn(paper, typed, run({ scrap: { worth: true, lot: null } }))['grade']).toHaveProperty('scrap', true);
    });
});

describe('one cup of a card', () => {
    const typedCup = (): TypedCup => {
        const one = $state<TypedCup>({ read: [null, null], met_ms: null, filled_ms: null, heated_c: null });
        return one;
    };

    test('asks for each reading beside what it should be, and keeps what is told already', async () => {
        const typed = typedCup();
        const hand = show(CardCup, { run: run(), cup: cup(1, [100.2, null]), typed, near: 1_700_000_000_000, errors: {} });
        expect(screen.getByText('100.2 g')).toBeTruthy();
        expect(screen.queryByLabelText('After B it read')).toBeNull();
        await hand.type(screen.getByLabelText('After A it read'), '200.4');
        expect(typed.read[1]).toBe(200.4);
        expect(screen.getByText('200.0 g')).toBeTruthy();
    });

    test('says what is wrong at its own line and time', () => {
        show(CardCup, {
            run: run({ batches: 2 }),
            cup: cup(2),
            typed: typedCup(),
            near: 1_700_000_000_000,
            errors: { 'cups.1.read.0': 'Read the card again.', 'cups.1.met_ms': 'When did A meet B?' },
        });
        expect(screen.getByRole('heading', { name: /Cup 2 of 2: 200.0 g/ })).toBeTruthy();
        expect(screen.getAllByRole('alert').map((one) => one.textContent)).toEqual(['Read the card again.', 'When did A meet B?']);
    });

    test('of what is heated asks how warm it came off the heat, and of a one-part nothing that meets', () => {
        const heat = { from_c: 165, to_c: 180, over_c: 190 } as unknown as RunView['heat'];
        show(CardCup, { run: run({ heat }), cup: cup(1), typed: typedCup(), near: 1_700_000_000_000, errors: {} });
        expect(screen.getByLabelText('It read in the pot')).toBeTruthy();
        expect(screen.getByLabelText('Off the heat at')).toBeTruthy();
        document.body.innerHTML = '';
        show(CardCup, { run: run(), cup: { ...cup(1), meets: false }, typed: typedCup(), near: 1_700_000_000_000, errors: {} });
        expect(screen.queryByLabelText('A met B at')).toBeNull();
        expect(screen.getByLabelText('In the mould at')).toBeTruthy();
    });
});

import { screen, within } from '@testing-library/svelte';
import { describe, expect, test } from 'vitest';
import GradeStep, { type Grading } from '../../resources/js/pages/run/GradeStep.svelte';
import type { RunView } from '../../resources/js/types/server';
import { onAScreen, show } from './shown';

onAScreen();

const run = (more: Partial<RunView> = {}): RunView =>
    ({
        kind: 'cast',
        notes: [],
        left_g: null,
        weighed_g: 412.5,
        scrap: null,
        faults: [
            { id: 'voids', name: 'Voids', cause: 'Air that found no way out.' },
            { id: 'tacky', name: 'Tacky skin', cause: 'Off ratio, or inhibited.' },
        ],
        ...more,
    }) as unknown as RunView;

const asked = (more: Partial<Grading> = {}): Grading => {
    const grading = $state<Grading>({ grade: '', faults: [], left_g: null, pieces: 1, note: '', each: [], ...more });
    return grading;
};
const pieces = (): HTMLElement[] => screen.getAllByText(/^\d+$/).map((number) => number.closest<HTMLElement>('.piece') as HTMLElement);

describe('how a pour came out', () => {
    test('a fault noted while it was poured is ticked already, says what it usually comes of, and can be taken off', async () => {
        const grading = asked();
        const hand = show(GradeStep, { run: run({ notes: [{ fault: 'voids' }, { fault: null }] as RunView['notes'] }), grading });
        expect(screen.getByRole('checkbox', { name: 'Voids' })).toHaveProperty('checked', true);
        expect(screen.getByText(/Usually: air that found no way out/)).toBeTruthy();
        await hand.click(screen.getByRole('checkbox', { name: 'Voids' }));
        expect(grading.faults).toEqual([]);
        expect(screen.queryByText(/Usually:/)).toBeNull();
        await hand.click(screen.getByRole('checkbox', { name: 'Tacky skin' }));
        expect(grading.faults).toEqual(['tacky']);
    });

    test('what was ticked before is not overruled by what was noted', () => {
        const grading = asked({ faults: ['tacky'] });
        show(GradeStep, { run: run({ notes: [{ fault: 'voids' }] as RunView['notes'] }), grading });
        expect(grading.faults).toEqual(['tacky']);
    });

    test('what was said of the rest while it cured is not asked again', () => {
        const grading = asked();
        show(GradeStep, { run: run({ left_g: 31.5 }), grading });
        expect(grading.left_g).toBe(31.5);
        expect(screen.getByLabelText('Left over')).toHaveProperty('value', '31.5');
        expect(screen.getByText(/of 412.5 g weighed in/)).toBeTruthy();
    });

    test('a mould of one link gives no pieces to count', () => {
        show(GradeStep, { run: run({ kind: 'mould' }), grading: asked() });
        expect(screen.queryByLabelText('Pieces that came of it')).toBeNull();
    });

    test.each([
        [1, false],
        [2, true],
        [60, true],
        [61, false],
        [2.5, false],
        ['a few', false],
    ])('%s pieces can be graded one by one: %s', (count, can) => {
        show(GradeStep, { run: run(), grading: asked({ pieces: count }) });
        expect(screen.queryByRole('button', { name: 'Grade the pieces one by one' }) !== null).toBe(can);
    });

    test.each([
        ['superb', 'good'],
        ['good', 'good'],
        ['usable', 'usable'],
        ['poor', 'reject'],
        ['spoilt', 'reject'],
    ])('of a pour that came out %s each piece is %s until somebody looks', async (grade, each) => {
        const grading = asked({ pieces: 3, grade });
        const hand = show(GradeStep, { run: run(), grading });
        await hand.click(screen.getByRole('button', { name: 'Grade the pieces one by one' }));
        expect(grading.each).toEqual(Array.from({ length: 3 }, () => ({ outcome: each, fault: '' })));
    });

    test('another count keeps what was said of the pieces still there, and new ones stand as the pour does', async () => {
        const grading = asked({ pieces: 3, grade: 'good' });
        const hand = show(GradeStep, { run: run(), grading });
        await hand.click(screen.getByRole('button', { name: 'Grade the pieces one by one' }));
        const second = pieces()[1] as HTMLElement;
        expect(within(second).queryByRole('combobox')).toBeNull();
        await hand.click(within(second).getByRole('radio', { name: 'reject' }));
        await hand.selectOptions(screen.getByRole('combobox', { name: 'What is wrong with piece 2' }), 'Voids');
        const count = screen.getByLabelText('Pieces that came of it');
        await hand.clear(count);
        // A field that stands empty for a moment throws nothing away.
        expect(grading.each).toHaveLength(3);
        await hand.type(count, '4');
        expect(grading.each).toEqual([
            { outcome: 'good', fault: '' },
            { outcome: 'reject', fault: 'voids' },
            { outcome: 'good', fault: '' },
            { outcome: 'good', fault: '' },
        ]);
        await hand.click(screen.getByRole('button', { name: 'All alike after all' }));
        expect(grading.each).toEqual([]);
    });

    test('scrap worth keeping goes back by itself; scorched, only if somebody says so', async () => {
        const grading = asked();
        const hand = show(GradeStep, { run: run({ scrap: { worth: false } as RunView['scrap'] }), grading });
        const box = screen.getByRole('checkbox', { name: /goes back on the shelf.*over its heat/ });
        expect(box).toHaveProperty('checked', false);
        await hand.click(box);
        expect(grading.scrap).toBe(true);
    });
});

import { describe, expect, test } from 'vitest';
import { beside, type Teller } from '../../resources/js/lib/whosent';

const at = (hours: number, minutes: number, more: Partial<Teller> = {}): Teller => ({
    at_ms: new Date(2026, 4, 6, hours, minutes).getTime(),
    ...more,
});

describe('what stands in the record beside facts that were kept on a tablet', () => {
    test('nothing, where whoever sends them told them, and its clock was right', () => {
        expect(beside([at(9, 5, { by: 'Bram' }), at(9, 9, { by: 'Bram' })], 'Bram')).toBeNull();
        expect(beside([at(9, 5)], 'Bram')).toBeNull();
        expect(beside([], null)).toBeNull();
    });

    test('whose hands they were, from when to when, and who sent them', () => {
        const said = beside([at(9, 5, { by: 'Ada' }), at(9, 7, { by: 'Bram' }), at(9, 40, { by: 'Ada' })], 'Bram');
        expect(said).toBe('Ada told 2 steps, from 09:05 to 09:40, kept on this tablet; Bram sent them.');
    });

    test('one step is one, at its minute; where nobody is known to send it that is not made up', () => {
        expect(beside([at(9, 5, { by: 'Ada' })], 'Bram')).toBe('Ada told one step, at 09:05, kept on this tablet; Bram sent it.');
        expect(beside([at(9, 5, { by: 'Ada' })], null)).toBe('Ada told one step, at 09:05, kept on this tablet.');
    });

    test('each of several hands for itself, and after them the clock that was wrong', () => {
        const said = beside([at(9, 5, { by: 'Ada' }), at(9, 6, { by: 'Cem', clock_off: true })], 'Bram');
        expect(said).toBe(
            'Ada told one step, at 09:05, kept on this tablet; Bram sent it. ' +
                'Cem told one step, at 09:06, kept on this tablet; Bram sent it. ' +
                'The clock of the tablet was wrong at 09:06: these moments go on from what the bench computer last said.',
        );
    });
});

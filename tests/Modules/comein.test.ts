import { afterEach, describe, expect, test, vi } from 'vitest';
import { comeIn, letIn } from '../../resources/js/lib/comein.svelte';

const refusal = (field: string): unknown => ({
    error: { field, message: 'Who is it?', door: 'POST rack', makers: [{ id: 'a', name: 'Ada', colour: '#a33' }] },
});
afterEach(() => {
    comeIn.answer(false);
    vi.unstubAllGlobals();
});

describe('what stands between a press and its door', () => {
    test.each([200, 409, 422, 500])('%i asks for nobody', async (status) => {
        expect(await letIn(status, refusal('hands'))).toBe(false);
        expect(comeIn.asked).toBeNull();
    });

    test.each(['hands', 'again', 'countersign'] as const)(
        '%s is asked in one place, and what is answered goes to the press',
        async (field) => {
            const asking = letIn(403, refusal(field));
            expect([comeIn.asked?.field, comeIn.asked?.door, comeIn.asked?.makers.length]).toEqual([field, 'POST rack', 1]);
            comeIn.answer(true);
            expect([await asking, comeIn.asked]).toEqual([true, null]);
        },
    );

    test('as text it is read as well, and what is no answer asks nobody', async () => {
        const asking = letIn(401, JSON.stringify(refusal('again')));
        expect(comeIn.asked?.field).toBe('again');
        comeIn.answer(false);
        expect(await asking).toBe(false);
        expect([await letIn(401, '<html>'), await letIn(401, null), await letIn(403, refusal('quantity'))]).toEqual([false, false, false]);
    });

    test('a second press that asks puts the first one off: nobody is let in by an answer to another question', async () => {
        const first = letIn(403, refusal('hands'));
        const second = letIn(403, refusal('countersign'));
        expect(await first).toBe(false);
        comeIn.answer(true);
        expect(await second).toBe(true);
    });

    test('who is nobody is led to the door', async () => {
        const assign = vi.fn();
        vi.stubGlobal('window', { location: { assign } });
        expect(await letIn(401, refusal('sign-in'))).toBe(false);
        expect(assign).toHaveBeenCalledWith('/sign-in');
    });
});

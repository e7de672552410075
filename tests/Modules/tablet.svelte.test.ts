import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { stepAloud } from '../../resources/js/lib/aloud';
import { press, screenKeys } from '../../resources/js/lib/keys.svelte';
import { mayBePedal, say, tablet } from '../../resources/js/lib/tablet.svelte';
import type { RunView } from '../../resources/js/types/server';

const run = (more: object): RunView =>
    ({
        step: { kind: 'weigh', batch: 1 },
        batches: 1,
        division_g: 0.1,
        cup: { display_g: 50 },
        clock: { met_ms: null },
        meets_now: true,
        line: { add: 'A', label: 'A', grams: 52.3, running: 102.3 },
        ...more,
    }) as unknown as RunView;

describe('what is set for one tablet', () => {
    beforeEach(() => localStorage.clear());
    afterEach(() => {
        tablet.set({ loud: 50, speaks: false, pedal: null });
        vi.unstubAllGlobals();
    });

    test('is kept on it', () => {
        tablet.set({ loud: 80, pedal: 'PageDown' });
        expect(JSON.parse(localStorage.getItem('apalos.tablet') ?? '{}')).toEqual({ loud: 80, speaks: false, pedal: 'PageDown' });
    });

    test('a pedal confirms, also while a field has the focus, once for each press', () => {
        tablet.set({ pedal: 'PageDown' });
        let pressed = 0;
        const drop = screenKeys([{ press: 'Space', does: 'Confirm', run: () => pressed++ }]);
        const field = document.body.appendChild(document.createElement('input'));
        const down = (more: KeyboardEventInit): void => {
            const event = new KeyboardEvent('keydown', { cancelable: true, ...more });
            Object.defineProperty(event, 'target', { value: field });
            press(event, []);
        };
        down({ key: 'PageDown' });
        down({ key: 'PageDown', repeat: true });
        down({ key: 'PageUp' });
        expect(pressed).toBe(1);
        drop();
        field.remove();
    });

    test.each([
        ['PageDown', true],
        ['F9', true],
        ['Enter', true],
        [' ', true],
        ['a', false],
        ['5', false],
        ['Escape', false],
        ['Tab', false],
        ['Shift', false],
    ])('%s as a pedal: %s', (key, may) => {
        expect(mayBePedal(key)).toBe(may);
    });

    test('says nothing unless it is asked to, and breaks off what it was saying', () => {
        const [speak, cancel] = [vi.fn(), vi.fn()];
        vi.stubGlobal('speechSynthesis', { speak, cancel });
        vi.stubGlobal(
            'SpeechSynthesisUtterance',
            class {
                constructor(public text: string) {}
            },
        );
        say('Mix it.');
        expect(speak).not.toHaveBeenCalled();
        tablet.set({ speaks: true });
        say('Mix it.');
        say('  ');
        expect([speak.mock.calls.length, cancel.mock.calls.length]).toEqual([1, 1]);
    });

    test('a step is said as one would call it over', () => {
        expect(stepAloud(run({}), '', 'metric')).toBe('Pour A: 52.3 grams, until the scale reads 102.3 grams. The clock starts.');
        expect(
            stepAloud(
                run({ cup: { display_g: 0 }, meets_now: false, line: { add: 'tone', label: 'Russet', grams: 2, running: 2 } }),
                '',
                'metric',
            ),
        ).toBe('Add Russet: 2.0 grams.');
        expect(stepAloud(run({ step: { kind: 'mix', batch: 2 }, batches: 3, line: null }), ' Mix it into one colour ', 'metric')).toBe(
            'Cup 2. Mix it into one colour.',
        );
    });
});

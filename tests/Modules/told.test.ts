import { expect, test } from 'vitest';
import { toldWords } from '../../resources/js/lib/told';
import type { Fact } from '../../resources/js/lib/outbox.svelte';

const now = new Date(2026, 4, 6, 12, 0).getTime();
const fact = (kind: string, payload: Record<string, unknown> = {}): Fact =>
    ({ key: 'k', kind, at_ms: new Date(2026, 4, 6, 9, 5).getTime(), payload }) as unknown as Fact;

test.each([
    ['weighed', { reading_g: 123.45, step: 'b0:weigh' }, 'the display read 123.5 g'],
    ['noted', { text: 'a hair in it' }, '“a hair in it”'],
    ['met', {}, 'A met B'],
    ['undone', { fact: 3 }, 'the last thing was taken back'],
    ['something_new', {}, 'something new'],
] as const)('%s is told in words, with its minute', (kind, payload, words) => {
    expect(toldWords(fact(kind, payload), 'metric', 1, now)).toBe(`09:05: ${words}`);
});

test('in ounces the display read ounces', () => {
    expect(toldWords(fact('weighed', { reading_g: 283.495, step: 'b0:weigh' }), 'imperial', 1, now)).toMatch(
        /^09:05: the display read 10(\.0+)? oz$/,
    );
});

test('a step that was confirmed is called by what it is, and one nobody knows is a step', () => {
    expect(toldWords(fact('confirmed', { step: 'b0:mix' }), 'metric', 1, now)).not.toContain('confirmed');
    expect(toldWords(fact('confirmed', { step: 'b0:never-heard-of' }), 'metric', 1, now)).toBe('09:05: the step');
});

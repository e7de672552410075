import type { Fact } from './outbox.svelte';
import { doneSteps, otherThings } from './takeBack';
import { measure, type Units } from './units';
import { when } from './when';

/** One thing that was told, in words: what, with how much, and when. */
export function toldWords(fact: Fact, units: Units, digits: number, now: number): string {
    const { step, reading_g: reading, text } = fact.payload;
    const kind = typeof step === 'string' ? (step.split(':')[1] ?? '') : '';
    const what =
        fact.kind === 'weighed' && typeof reading === 'number'
            ? `the display read ${measure(reading, 'mass', units, digits)}`
            : fact.kind === 'confirmed'
              ? (doneSteps[kind] ?? 'the step')
              : fact.kind === 'noted' && typeof text === 'string'
                ? `“${text}”`
                : fact.kind === 'met'
                  ? 'A met B'
                  : fact.kind === 'undone'
                    ? 'the last thing was taken back'
                    : (otherThings[fact.kind] ?? fact.kind.replaceAll('_', ' '));
    return `${when(fact.at_ms, now)}: ${what}`;
}

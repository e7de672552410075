import type { RunView } from '../types/server';
import { decimalsOf, measure, type Units } from './units';

export const otherThings: Record<string, string> = {
    begun: 'the start of the wait',
    checked: 'the last tick',
    rescued: 'the rescue',
    kept: 'leaving it as it is',
    heated: 'the last reading',
    reheated: 'putting it back on the heat',
    counted: 'where the display counts from',
    noted: 'the note',
    gelled: 'the gel',
    opened: 'opening it',
    graded: 'the grading',
    given_up: 'giving it up',
};

export const doneSteps: Record<string, string> = {
    gear: 'gear on',
    contacts: 'the checklist',
    premix: 'the stirring',
    tare: 'the tare',
    mix: 'the mixing',
    heat: 'that it is off the heat',
    degas: 'the de-airing',
    fill: 'pouring it in',
};

/** What taking back takes back: the grams of a weighing, else the thing by name. */
export function takesBack(run: RunView, units: Units): string {
    const last = run.take_back;
    if (last === null) {
        return '';
    }
    return last.kind === 'weighed' && last.grams !== null
        ? `${measure(last.grams, 'mass', units, decimalsOf(run.division_g, units))} ${last.name ?? ''}`.trim()
        : last.kind === 'confirmed'
          ? (doneSteps[last.step ?? ''] ?? 'the last step')
          : (otherThings[last.kind] ?? 'the last thing');
}

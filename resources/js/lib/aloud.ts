import type { RunView } from '../types/server';
import { decimalsOf, measure, type Units } from './units';

/** Units as they are spoken. */
const spoken = (text: string): string =>
    text
        .replace(/\bg\b/g, 'grams')
        .replace(/\boz\b/g, 'ounces')
        .replace(/−/g, 'minus ');

/** What a step asks for, as it is said aloud; `heading` is what stands over it on the screen. */
export function stepAloud(run: RunView, heading: string, units: Units): string {
    const digits = decimalsOf(run.division_g, units);
    if (run.step.kind === 'weigh' && run.line !== null) {
        const { add, label, grams, running } = run.line;
        const what = add === 'A' || add === 'B' ? `Pour ${label}` : `Add ${label}`;
        const until = run.cup.display_g === 0 ? '' : `, until the scale reads ${spoken(measure(running, 'mass', units, digits))}`;
        return `${what}: ${spoken(measure(grams, 'mass', units, digits))}${until}.${run.meets_now && run.clock.met_ms === null ? ' The clock starts.' : ''}`;
    }
    const cup = run.batches > 1 && run.step.batch > 0 ? `Cup ${String(run.step.batch)}. ` : '';
    return `${cup}${heading.trim()}.`;
}

import { minutes } from '../../lib/units';
import type { RunView } from '../../types/server';

const lower = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);

/** What comes after the step at hand, in a sentence; nothing where that is plain. */
export function nextOf(run: RunView): string {
    const cup = run.worked.premix === null ? 'Next: cup on the scale.' : `Next: ${lower(run.worked.premix.title)}.`;
    const fill = `Next: ${lower(run.worked.fill.title)}.`;
    const next: Record<string, string> = {
        gear: run.checklist.length > 0 ? 'Next: see every contact ready.' : cup,
        contacts: cup,
        premix: 'Next: cup on the scale.',
        tare: 'Next: weigh, line by line.',
        weigh:
            run.next_line === null
                ? `Next: ${lower(run.worked.mix.title)}${run.heat === null ? `, ${minutes(run.clock.mix_min)}` : ''}.`
                : `Next: ${run.next_line}.`,
        mix: run.degas_planned ? 'Next: de-air it.' : fill,
        heat: fill,
        degas: fill,
        fill: run.step.batch < run.batches ? `Next: cup ${String(run.step.batch + 1)} of ${String(run.batches)}.` : 'Next: leave it alone.',
        wait: 'Next: look at it and say how it came out.',
    };
    return next[run.step.kind] ?? '';
}

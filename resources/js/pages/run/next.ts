import type { RunView } from '../../types/server';

/** What comes after the step at hand, in a sentence; nothing where that is plain. */
export function nextOf(run: RunView): string {
    const next: Record<string, string> = {
        gear: run.checklist.length > 0 ? 'Next: see every contact ready.' : 'Next: stir each part in its own pot.',
        contacts: 'Next: stir each part in its own pot.',
        premix: 'Next: cup on the scale.',
        tare: 'Next: weigh, line by line.',
        weigh:
            run.next_line === null
                ? `Next: mix ${String(run.clock.mix_min)} min. Scrape sides, bottom and stick.`
                : `Next: ${run.next_line}.`,
        mix: run.degas_planned ? 'Next: draw the air out.' : run.brushed ? 'Next: lay it on.' : 'Next: pour.',
        degas: run.brushed ? 'Next: lay it on.' : 'Next: pour.',
        fill: run.step.batch < run.batches ? `Next: cup ${String(run.step.batch + 1)} of ${String(run.batches)}.` : 'Next: leave it alone.',
        wait: 'Next: look at it and say how it came out.',
    };
    return next[run.step.kind] ?? '';
}

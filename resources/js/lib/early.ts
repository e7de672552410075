import type { RunView } from '../types/server';
import { span } from './units';

/** What is asked once where a step is confirmed long before it can be so; null where there is nothing to ask. */
export function early(run: RunView, now: number): string | null {
    const kind = run.step.kind;
    const since = now - run.step_since_ms;
    const planned = kind === 'mix' ? run.clock.mix_min : kind === 'degas' ? run.clock.degas_min : 0;
    if (planned > 0 && since < 0.5 * planned * 60_000) {
        return `Only ${span(since)} of ${String(planned)} min. Press again if it is so all the same.`;
    }
    if (kind === 'wait' && run.wait.open_low_ms !== null && now < run.wait.open_low_ms) {
        return `It is ${span(run.wait.open_low_ms - now)} before it has ever been likely. Press again if it is open all the same.`;
    }
    return null;
}

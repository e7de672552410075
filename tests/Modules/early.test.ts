import { describe, expect, it } from 'vitest';
import { early } from '../../resources/js/lib/early';
import type { RunView } from '../../resources/js/types/server';

const MIN = 60_000;
const run = (kind: string, since: number, lowest: number | null = null): RunView =>
    ({ step: { kind }, step_since_ms: since, clock: { mix_min: 3, degas_min: 4 }, wait: { open_low_ms: lowest } }) as unknown as RunView;

describe('a press long before its time', () => {
    it('is asked about once while less than half of it is over', () => {
        expect(early(run('mix', 0), 40_000)).toBe('Only 0:40 of 3 min. Press again if it is so all the same.');
        expect(early(run('degas', 0), 1.9 * MIN)).toContain('of 4 min');
    });

    it('is none once half of it is over: hands know better than clocks', () => {
        expect(early(run('mix', 0), 1.5 * MIN)).toBeNull();
    });

    it('is asked about before it has ever been likely to be open', () => {
        expect(early(run('wait', 0, 90 * MIN), 30 * MIN)).toContain('1 h 00 before');
        expect(early(run('wait', 0, 90 * MIN), 91 * MIN)).toBeNull();
        expect(early(run('wait', 0, null), 0)).toBeNull();
    });

    it('is no matter where nothing is timed', () => {
        expect(early(run('tare', 0), 0)).toBeNull();
    });
});

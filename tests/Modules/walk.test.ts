import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';
import { describe, expect, test } from 'vitest';
import { differ } from './differ';
import { shown } from '../../resources/js/away/cup';
import { begin, walked, type Told } from '../../resources/js/away/walk';
import type { AheadView, RunView } from '../../resources/js/types/server';

/** So many runs, each cut off somewhere and walked to its end. */
const RUNS = 120 * Number(process.env.OFTEN ?? 1);

type Walked = { view: RunView; ahead: AheadView; told: Told[]; views: Partial<RunView>[] };

const runs = execFileSync(
    'php',
    [
        '-d',
        'opcache.enable_cli=1',
        '-d',
        'opcache.jit=tracing',
        '-d',
        'opcache.jit_buffer_size=64M',
        'tests/Away/walks.php',
        String(RUNS),
        '7',
    ],
    { cwd: resolve(import.meta.dirname, '../..'), maxBuffer: 2 ** 30, encoding: 'utf8' },
)
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Walked);

const without = (back: RunView['take_back']): Partial<NonNullable<RunView['take_back']>> => ({ ...back, of: 0 });

describe('a run that is walked where nobody answers', () => {
    test('stands after each fact where the bench computer has it: same steps, same grams, same windows', () => {
        let steps = 0;
        let unknown = 0;
        const found: string[] = [];
        const kinds = new Set<string>();
        runs.forEach((run, n) => {
            const from = begin(run.view, run.ahead);
            expect(from).not.toBeNull();
            for (let i = 0; i < run.told.length && from !== null; i++) {
                const walk = walked(from, run.told.slice(0, i + 1));
                kinds.add(run.told[i]?.kind ?? '');
                if (walk.wants !== null) {
                    unknown++;
                    break;
                }
                const { take_back: back, ...view } = run.views[i] ?? {};
                const where = `run ${String(n)}, ${String(i)}: ${run.told[i]?.kind ?? ''} at ${run.told[i - 1] === undefined ? run.view.step.key : (run.views[i - 1]?.step?.key ?? '')}`;
                for (const name of Object.keys(view) as (keyof typeof view)[]) {
                    found.push(...differ(walk.view[name], view[name], `${where}: ${name}`));
                }
                if (walk.stands.length > 0 && back) {
                    found.push(...differ(without(walk.view.take_back), without(back), `${where}: take_back`));
                }
                steps++;
            }
        });
        expect(found).toEqual([]);
        expect(steps).toBeGreaterThan(8 * RUNS);
        expect([...kinds].sort()).toEqual(
            expect.arrayContaining(['checked', 'confirmed', 'counted', 'kept', 'met', 'noted', 'opened', 'rescued', 'undone', 'weighed']),
        );
        // What is not in the table is said, and is rare: a quarter at most, as far as so many runs can tell.
        expect(unknown / runs.length).toBeLessThan(0.25 + 2 * Math.sqrt(0.19 / runs.length));
    }, 60_000);

    test('is not walked by what was sent ahead for another state', () => {
        const run = runs[0] as Walked;
        expect(begin({ ...run.view, last_fact_id: run.view.last_fact_id + 1 }, run.ahead)).toBeNull();
        expect(begin(run.view, null)).toBeNull();
    });

    test('goes on from where it is as far as it is known, and says so', () => {
        const run = runs.find((one) => one.view.step.kind === 'gear') as Walked;
        const from = begin(run.view, run.ahead);
        expect(from).not.toBeNull();
        const stuck = walked(from as NonNullable<typeof from>, [
            { key: 'a', kind: 'confirmed', at_ms: 1, payload: { step: run.view.step.key } },
            { key: 'b', kind: 'swapped', at_ms: 2, payload: {} },
        ]);
        expect(stuck.view.step.key).not.toBe(run.view.step.key);
        expect(stuck.wants).toContain('It is kept');
        expect(walked(from as NonNullable<typeof from>, [{ key: 'c', kind: 'undone', at_ms: 1, payload: { of: 3 } }]).wants).toContain(
            'taken back',
        );
    });

    test('a scale shows what it shows on the bench computer', () => {
        expect([shown(100.05, 0.1), shown(2.55, 0.1), shown(0.3, 0.1), shown(33.333, 0.5)]).toEqual([100.1, 2.6, 0.3, 33.5]);
    });
});

import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';
import { describe, expect, test } from 'vitest';
import { differ } from './differ';
import { beginBuild, walkedBuild } from '../../resources/js/away/buildWalk';
import type { Told } from '../../resources/js/away/walk';
import type { BuildAheadView, BuildView } from '../../resources/js/types/server';

/** Of each kind of build that ships so many, each cut off somewhere before anything is mixed. */
const TIMES = 1.2 * Number(process.env.OFTEN ?? 1);

type Operation = Partial<BuildView['operations'][number]>;
type Short = {
    next: string | null;
    through: boolean;
    begun: boolean;
    notes: BuildView['notes'];
    section: Record<string, string>;
    operations: Operation[];
};
type Walked = { kind: string; view: BuildView; ahead: BuildAheadView; told: Told[]; views: Short[] };

const builds = execFileSync('php', ['tests/Away/builds.php', String(Math.ceil(TIMES)), '7'], {
    cwd: resolve(import.meta.dirname, '../..'),
    maxBuffer: 2 ** 28,
    encoding: 'utf8',
})
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Walked);

const short = (view: BuildView, like: Short): Short => ({
    next: view.next,
    through: view.through,
    begun: view.begun,
    notes: view.notes,
    section: Object.fromEntries(view.section.map((layer) => [layer.id, layer.state])),
    operations: view.operations.map((op, i) =>
        Object.fromEntries(Object.keys(like.operations[i] ?? {}).map((name) => [name, op[name as keyof typeof op]])),
    ),
});

describe('a build that is followed where nobody answers', () => {
    test('stands after each thing told where the bench computer has it: states, windows, and what is next', () => {
        let steps = 0;
        const found: string[] = [];
        const kinds = new Set<string>();
        for (const build of builds) {
            const from = beginBuild(build.view, build.ahead);
            expect(from).not.toBeNull();
            for (let i = 0; i < build.told.length && from !== null; i++) {
                const walk = walkedBuild(from, build.told.slice(0, i + 1));
                const was = build.views[i] as Short;
                found.push(...differ(short(walk.view, was), was, `${build.kind} ${String(i)} ${build.told[i]?.kind ?? ''}`));
                expect(walk.wants).toBeNull();
                kinds.add(build.kind);
                steps++;
            }
        }
        expect(found).toEqual([]);
        expect(steps).toBeGreaterThan(60 * Math.min(1, TIMES));
        expect(kinds.size).toBeGreaterThan(8);
    }, 60_000);

    test('keeps what it cannot reckon, and says so', () => {
        const { view, ahead } = builds[0] as Walked;
        const from = beginBuild(view, ahead) as NonNullable<ReturnType<typeof beginBuild>>;
        const mixed = view.operations.find((op) => op.mixes);
        expect(walkedBuild(from, [{ key: 'a', kind: 'done', at_ms: 1, payload: { op: mixed?.id } }]).wants).toContain('It is kept');
        expect(walkedBuild(from, [{ key: 'b', kind: 'fingered', at_ms: 1, payload: { op: mixed?.id, finger: 'tacky' } }]).wants).toContain(
            'felt',
        );
        expect(beginBuild({ ...view, last_fact_id: -1 }, ahead)).toBeNull();
    });
});

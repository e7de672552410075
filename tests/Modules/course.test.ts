import { beforeEach, describe, expect, test, vi } from 'vitest';
import { Course } from '../../resources/js/lib/course.svelte';
import type { Outbox } from '../../resources/js/lib/outbox.svelte';
import type { Told } from '../../resources/js/away/walk';

const looks = vi.fn();
vi.mock('../../resources/js/lib/away.svelte', () => ({ away: { look: (props: unknown): unknown => looks(props) } }));

type View = { last_fact_id: number; step: string; ended?: boolean };
type Ahead = { last_fact_id: number; steps: string[] };
type Walked = { view: View; stands: Told[]; wants: string | null };

const told = (kind: string): Told => ({ kind }) as unknown as Told;
/** Each fact goes on by one of the steps sent ahead; behind the last it wants the bench computer. */
const use = {
    url: '/pours/4',
    prop: 'run',
    begin: (view: View, ahead: Ahead | null): Walked | null => (ahead === null ? null : { view, stands: [], wants: null }),
    walked: (from: Walked, facts: Told[]): Walked => ({
        view: { ...from.view, step: ['weigh', 'mix', 'pour'][facts.length] ?? 'beyond' },
        stands: facts,
        wants: facts.length > 2 ? 'The rest needs the bench computer.' : null,
    }),
    ended: (view: View): boolean => view.ended === true,
};
const box = (kept: Told[], away: boolean): Outbox<View> => ({ waiting: kept.length, kept, away }) as unknown as Outbox<View>;
const course = (ahead: Ahead | null = { last_fact_id: 5, steps: [] }): Course<View, Ahead, Walked> =>
    new Course<View, Ahead, Walked>({ last_fact_id: 5, step: 'weigh' }, ahead, use);

let asked: string[] = [];
beforeEach(() => {
    looks.mockReset();
    asked = [];
    vi.stubGlobal('fetch', (url: string) => {
        asked.push(url);
        return Promise.resolve(new Response(JSON.stringify({ last_fact_id: 6, steps: ['x'] }), { status: 200 }));
    });
});

describe('the course of a run on this screen', () => {
    test('where nobody answers it is walked on at once by what is told, and once more when it was kept', async () => {
        const run = course();
        const kept = [told('weighed')];
        await run.told(box(kept, true), Promise.resolve());
        expect([run.view.step, run.wants, run.last(1)]).toEqual(['mix', null, kept[0]]);
        await run.told(box([...kept, told('confirmed')], true), Promise.resolve());
        expect([run.view.step, run.last(0)]).toEqual(['pour', undefined]);
    });

    test('past what was sent ahead it says what it wants', async () => {
        const run = course();
        await run.told(box([told('a'), told('b'), told('c')], true), Promise.resolve());
        expect(run.wants).toBe('The rest needs the bench computer.');
    });

    test('where nothing was sent ahead, and where the bench computer answers, it stays where that has it', async () => {
        const blind = course(null);
        await blind.told(box([told('weighed')], true), Promise.resolve());
        expect(blind.view.step).toBe('weigh');
        const run = course();
        await run.told(box([told('weighed')], false), Promise.resolve());
        expect(run.view.step).toBe('weigh');
    });

    test('what was walked ahead is shown until all of it has arrived, and then what the bench computer has', async () => {
        const run = course();
        await run.told(box([told('weighed'), told('confirmed')], true), Promise.resolve());
        expect(run.take({ last_fact_id: 6, step: 'mix' }, 1)).toBe(true);
        expect([run.view.step, run.known]).toEqual(['pour', 6]);
        expect(run.take({ last_fact_id: 7, step: 'pour' }, 0)).toBe(true);
        expect([run.view.last_fact_id, run.wants]).toEqual([7, null]);
        expect(run.take({ last_fact_id: 7, step: 'pour' }, 0)).toBe(false);
    });

    test('what is told twice from one place has one key, also from a place walked to', async () => {
        const run = course();
        expect(run.since(0)).toBe('5');
        await run.told(box([told('weighed')], true), Promise.resolve());
        expect(run.since(1)).toBe('5+1');
        run.take({ last_fact_id: 6, step: 'mix' }, 0);
        expect(run.since(0)).toBe('6');
    });

    test('moved on it has sent ahead anew and the tablet keep it; ended it asks for nothing', async () => {
        const run = course();
        run.take({ last_fact_id: 6, step: 'mix' }, 0);
        await vi.waitFor(() => {
            expect(looks).toHaveBeenCalledTimes(1);
        });
        expect([asked, looks.mock.calls[0]?.[0]]).toEqual([
            ['/pours/4/ahead'],
            { run: { last_fact_id: 6, step: 'mix' }, ahead: { last_fact_id: 6, steps: ['x'] } },
        ]);
        run.take({ last_fact_id: 7, step: 'graded', ended: true }, 0);
        await Promise.resolve();
        expect(asked).toHaveLength(1);
    });

    test('what was sent ahead of a place it has left is not taken', async () => {
        const run = course();
        let answer: (response: Response) => void = () => undefined;
        vi.stubGlobal('fetch', () => new Promise<Response>((done) => (answer = done)));
        const ahead = run.lookAhead();
        await vi.waitFor(() => {
            expect(answer.length).toBe(1);
        });
        run.take({ last_fact_id: 8, step: 'pour' }, 1);
        answer(new Response(JSON.stringify({ last_fact_id: 5, steps: [] }), { status: 200 }));
        await ahead;
        expect(looks).not.toHaveBeenCalled();
    });
});

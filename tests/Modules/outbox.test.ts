import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ask, type Answer } from '../../resources/js/lib/api';
import { bench } from '../../resources/js/lib/bench.svelte';
import { Outbox } from '../../resources/js/lib/outbox.svelte';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));
vi.mock('../../resources/js/lib/api', () => ({ ask: vi.fn() }));

type Run = { facts: string[] };
const sent = (): string[] => vi.mocked(ask).mock.calls.map(([, , body]) => (body as { key: string }).key);
const written = (run: Run): Answer<Run> => ({ ok: true, data: run });
const refusal = (status: number, message: string, offline = false, data: unknown = null): Answer<Run> =>
    ({ ok: false, status, offline, wrong: { field: '', message }, data }) as Answer<Run>;
const answers = (...all: Answer<Run>[]): void => {
    for (const one of all) {
        vi.mocked(ask).mockResolvedValueOnce(one);
    }
};

let took: Run[];
let said: (string | null)[];
const outbox = (agreed?: () => boolean): Outbox<Run> =>
    new Outbox<Run>({
        store: 'apalos.run.1',
        url: '/pours/1/facts',
        took: (run) => took.push(run),
        trouble: (says) => said.push(says),
        ...(agreed === undefined ? {} : { agreed }),
        retryMs: 1000,
    });

beforeEach(() => {
    localStorage.clear();
    vi.useFakeTimers();
    vi.mocked(ask).mockReset();
    vi.mocked(ask).mockResolvedValue({ ok: false, status: 0, offline: true, wrong: { field: '', message: 'No answer.' }, data: null });
    [took, said] = [[], []];
});
afterEach(() => vi.useRealTimers());

describe('while the bench computer answers', () => {
    test('facts go out one after the other, and what stands is taken over', async () => {
        answers(written({ facts: ['a'] }), written({ facts: ['a', 'b'] }));
        const box = outbox();
        await Promise.all([box.add('a', 'weighed', { g: 1 }), box.add('b', 'weighed', { g: 2 })]);
        expect(sent()).toEqual(['a', 'b']);
        expect(took.at(-1)).toEqual({ facts: ['a', 'b'] });
        expect([box.idle, box.waiting, said.at(-1)]).toEqual([true, 0, null]);
    });

    test('a refusal is said, what stands is taken over, and the next one goes out', async () => {
        answers(refusal(409, 'That step is done.', false, { run: { facts: ['x'] } }), written({ facts: ['x', 'b'] }));
        const box = outbox();
        await Promise.all([box.add('a', 'weighed', {}), box.add('b', 'noted', {})]);
        expect(said).toContain('That step is done.');
        expect(took).toEqual([{ facts: ['x'] }, { facts: ['x', 'b'] }]);
    });

    test('two screens that saw the same thing do not complain of each other', async () => {
        answers(refusal(409, 'That step is done.'));
        await outbox(() => true).add('a', 'met', {});
        expect(said).toEqual([null]);
    });
});

describe('without a network', () => {
    const gone = (): Answer<Run> => refusal(0, 'The bench computer does not answer.', true);

    test('what was confirmed waits on this device, outlives the page, and goes out in order', async () => {
        answers(gone());
        const first = outbox();
        await first.add('a', 'weighed', { g: 1 });
        await first.add('b', 'weighed', { g: 2 });
        vi.mocked(ask).mockClear();
        answers(written({ facts: ['a'] }), written({ facts: ['a', 'b'] }));
        const again = outbox();
        expect(again.waiting).toBe(2);
        await again.flush();
        expect(sent()).toEqual(['a', 'b']);
    });

    test('it is tried again by itself', async () => {
        answers(gone(), written({ facts: ['a'] }));
        const box = outbox();
        await box.add('a', 'weighed', {});
        expect(box.waiting).toBe(1);
        await vi.advanceTimersByTimeAsync(1000);
        expect([box.waiting, sent()]).toEqual([0, ['a', 'a']]);
    });

    test('pressed twice it is one fact; corrected, the correction goes out and the maker is told', async () => {
        answers(gone(), gone(), gone());
        const box = outbox();
        await box.add('a', 'weighed', { g: 10 });
        await box.add('a', 'weighed', { g: 10 });
        expect([box.waiting, said.join()]).toEqual([1, expect.not.stringContaining('replaced')]);
        await box.add('a', 'weighed', { g: 12 });
        expect(said.join()).toContain('replaced by what you entered now');
        answers(written({ facts: ['a'] }));
        await box.flush();
        expect(vi.mocked(ask).mock.calls.at(-1)?.[2]).toMatchObject({ key: 'a', payload: { g: 12 } });
        expect(box.waiting).toBe(0);
    });

    test('what is on its way already cannot be changed: the correction is a fact of its own', async () => {
        let answer: (a: Answer<Run>) => void = () => undefined;
        vi.mocked(ask).mockReturnValueOnce(new Promise((done) => (answer = done)));
        answers(refusal(409, 'That step is done.'));
        const box = outbox();
        const sending = box.add('a', 'weighed', { g: 10 });
        void box.add('a', 'weighed', { g: 12 });
        answer(written({ facts: ['a'] }));
        await sending;
        expect(sent()[1]).toMatch(/^a\/.+/);
        expect(said).toContain('That step is done.');
    });
});

describe('who told what was kept here', () => {
    const hands = (name: string): void => {
        bench.frame = { hands: { name, role: 'maker', colour: '#a42' }, workshop: { units: 'metric' } } as never;
    };
    const noting = (): Outbox<Run> =>
        new Outbox<Run>({
            store: 'apalos.run.2',
            url: '/pours/2/facts',
            took: (run) => took.push(run),
            trouble: () => undefined,
            notes: true,
        });
    afterEach(() => {
        [bench.frame, bench.clockOff] = [null, false];
    });

    test('sent by somebody else it says so in a note, once, after all of it', async () => {
        hands('Ida');
        const box = noting();
        await box.add('a', 'weighed', { g: 1 });
        await box.add('b', 'met', {});
        hands('Bo');
        vi.mocked(ask).mockReset();
        vi.mocked(ask).mockResolvedValue(written({ facts: [] }));
        await box.flush();
        expect(sent()).toEqual(['a', 'b', 'a/late']);
        expect(JSON.stringify(vi.mocked(ask).mock.calls[2])).toMatch(/Ida told 2 steps, .*, kept on this tablet; Bo sent them\./);
    });

    test('sent by whoever told it nothing is added; what was told by a wrong clock is', async () => {
        hands('Ida');
        const box = noting();
        await box.add('a', 'weighed', { g: 1 });
        vi.mocked(ask).mockReset();
        vi.mocked(ask).mockResolvedValue(written({ facts: [] }));
        await box.flush();
        expect(sent()).toEqual(['a']);

        vi.mocked(ask).mockResolvedValueOnce(refusal(0, 'No answer.', true));
        bench.clockOff = true;
        await box.add('c', 'weighed', { g: 2 });
        await box.flush();
        expect(sent().at(-1)).toBe('c/late');
        expect(JSON.stringify(vi.mocked(ask).mock.calls.at(-1))).toContain('The clock of the tablet was wrong');
    });
});

describe('a fact the server fails on', () => {
    const fails = (): Answer<Run> => refusal(500, 'Something went wrong on the bench computer.');

    test('is tried four times, set aside where one sees it, and holds up nothing', async () => {
        answers(fails(), fails(), fails(), fails(), written({ facts: ['b'] }));
        const box = outbox();
        await box.add('a', 'weighed', {});
        void box.add('b', 'noted', {});
        await vi.advanceTimersByTimeAsync(4000);
        expect(sent()).toEqual(['a', 'a', 'a', 'a', 'b']);
        expect([box.waiting, box.aside.map((f) => f.key), took.at(-1)]).toEqual([0, ['a'], { facts: ['b'] }]);
        expect(outbox().aside).toHaveLength(1);
    });

    test('goes out once more when somebody says so, or is left', async () => {
        answers(fails(), fails(), fails(), fails());
        const box = outbox();
        await box.add('a', 'weighed', {});
        await vi.advanceTimersByTimeAsync(4000);
        answers(written({ facts: ['a'] }));
        await box.again('a');
        expect([box.aside, sent()]).toEqual([[], ['a', 'a', 'a', 'a', 'a']]);
        box.leave('a');
        expect(localStorage.getItem('apalos.run.1.aside')).toBeNull();
    });
});

test('what stands broken in the store of a device is no reason to stop', () => {
    localStorage.setItem('apalos.run.1', '{"no": "list"');
    expect(outbox().waiting).toBe(0);
});

describe('what was told while nobody answered', () => {
    const gone = (): Answer<Run> => refusal(0, 'The bench computer does not answer.', true);
    const unsure = (): Answer<Run> =>
        ({ ok: false, status: 422, offline: false, wrong: { field: 'sure', message: 'Not ready for it yet.' }, data: null }) as Answer<Run>;
    const asking = (doubts: (why: string) => void): Outbox<Run> =>
        new Outbox<Run>({
            store: 'apalos.run.1',
            url: '/pours/1/facts',
            took: (run) => took.push(run),
            trouble: (says) => said.push(says),
            doubts: (_, why) => doubts(why),
            retryMs: 1000,
        });

    test('stops at the first that is refused: both are shown, and nothing behind it is sent or lost', async () => {
        answers(gone(), gone(), gone());
        const box = outbox();
        await box.add('a', 'weighed', { g: 1 });
        await box.add('b', 'weighed', { g: 2 });
        expect([box.away, box.waiting]).toEqual([true, 2]);
        vi.mocked(ask).mockReset();
        answers(refusal(409, 'That step is done.', false, { run: { facts: ['theirs'] } }));
        await box.flush();
        expect(sent()).toEqual(['a']);
        expect([box.clash.map((fact) => fact.key), box.waiting, box.away]).toEqual([['a', 'b'], 0, false]);
        expect(took).toEqual([{ facts: ['theirs'] }]);

        // It outlives the page, and goes into the notes where theirs is kept.
        const later = outbox();
        expect(later.clash).toHaveLength(2);
        answers(written({ facts: ['theirs', 'note'] }));
        await later.keepTheirs('Told while cut off: 1 g.');
        expect(vi.mocked(ask).mock.calls.at(-1)?.[2]).toMatchObject({ kind: 'noted', payload: { text: 'Told while cut off: 1 g.' } });
        expect([later.clash, localStorage.getItem('apalos.run.1.clash')]).toEqual([[], null]);
    });

    test('takes the place of theirs where it is chosen: that is taken back, and this goes out once more', async () => {
        answers(gone());
        const box = outbox();
        await box.add('a', 'weighed', { g: 1 });
        vi.mocked(ask).mockReset();
        answers(refusal(409, 'That step is done.'), written({ facts: [] }), written({ facts: ['mine'] }));
        await box.flush();
        await box.takeMine(7);
        expect(sent().slice(1)).toEqual(['instead/7', 'a/again']);
        expect(vi.mocked(ask).mock.calls[1]?.[2]).toMatchObject({ kind: 'undone', payload: { of: 7 } });
    });

    test('is asked about in its turn, and the answer goes out before what was told after it', async () => {
        answers(gone(), gone());
        const why: string[] = [];
        const box = asking((says) => why.push(says));
        await box.add('fill', 'confirmed', { step: '1:fill' });
        await box.add('open', 'opened', { step: '0:wait' });
        vi.mocked(ask).mockReset();
        answers(unsure());
        await box.flush();
        await box.flush();
        expect([why, sent(), box.waiting]).toEqual([['Not ready for it yet.'], ['fill'], 2]);

        answers(written({ facts: ['fill'] }), written({ facts: ['fill', 'open'] }));
        await box.add('whatever', 'confirmed', { step: '1:fill', sure: true });
        expect(sent()).toEqual(['fill', 'fill/sure', 'open']);
        expect(box.idle).toBe(true);
    });

    test('was a slip: it goes, and what was told after it is looked at', async () => {
        answers(gone(), gone());
        const box = asking(() => undefined);
        await box.add('fill', 'confirmed', {});
        await box.add('note', 'noted', {});
        vi.mocked(ask).mockReset();
        answers(unsure(), written({ facts: ['note'] }));
        await box.flush();
        await box.slip();
        expect(sent()).toEqual(['fill', 'note']);
    });

    test('is told once that nobody answers, and not over what is asked meanwhile', async () => {
        answers(gone(), gone(), gone());
        const box = outbox();
        await box.add('a', 'weighed', {});
        await box.add('b', 'weighed', {});
        await box.flush();
        expect(said.filter((says) => says?.includes('does not answer') === true)).toHaveLength(1);
    });
});

import { screen, waitFor } from '@testing-library/svelte';
import { describe, expect, test, vi } from 'vitest';
import type { Kept } from '../../resources/js/lib/kept.svelte';
import type { LiveRun } from '../../resources/js/lib/run.svelte';
import RestOfCup from '../../resources/js/pages/run/RestOfCup.svelte';
import WhatWentWrong from '../../resources/js/pages/run/WhatWentWrong.svelte';
import { onAScreen, show } from './shown';

onAScreen();

type Asked = { method: string; url: string; body: Record<string, unknown> };
/** The bench computer, as far as these parts ask it. */
function bench(answer: (asked: Asked) => [number, unknown]): Asked[] {
    const heard: Asked[] = [];
    vi.stubGlobal('fetch', (url: string, how: { method: string; body: string | null }) => {
        const asked = { method: how.method, url, body: JSON.parse(how.body ?? '{}') as Record<string, unknown> };
        heard.push(asked);
        const [status, data] = answer(asked);
        return Promise.resolve(new Response(JSON.stringify(data), { status }));
    });
    return heard;
}
const running = (more: Record<string, unknown> = {}) => {
    const run = { pour_id: 12, batches: 1, laid: false, left_g: null, step: { key: 'wait', kind: 'wait', batch: 1 }, ...more };
    return { run, record: vi.fn((..._: unknown[]) => Promise.resolve()) };
};
const keptOf = (view: unknown) => ({ view, look: vi.fn(() => Promise.resolve()) });
const type = async (hand: ReturnType<typeof show>, label: string, text: string): Promise<void> => {
    const field = screen.getByLabelText(label);
    await hand.clear(field);
    await hand.type(field, text);
};

describe('some left in the cup, or the level too low', () => {
    function rest(
        more: Record<string, unknown> = {},
        answer: (asked: Asked) => [number, unknown] = () => [200, { says: 'It fills the key tray.' }],
    ) {
        const asked = bench(answer);
        const live = running(more);
        const kept = keptOf({ waiting: [{ name: 'Key tray', ml: 40 }] });
        const hand = show(RestOfCup, { live: live as unknown as LiveRun, kept: kept as unknown as Kept });
        return { asked, live, kept, hand };
    }

    test('what is left is asked what it would fill, and told once: the grade begins with it', async () => {
        const { asked, live, hand } = rest();
        await type(hand, 'Left in the cup', '38');
        await hand.click(screen.getByRole('button', { name: 'What would it fill?', hidden: true }));
        expect(await screen.findByText('It fills the key tray.')).toBeTruthy();
        expect(asked).toEqual([{ method: 'POST', url: '/pours/12/left-over', body: { left_g: 38 } }]);
        expect(live.record).toHaveBeenCalledWith('left_over', { left_g: 38 }, '38');
    });

    test.each([
        [{ batches: 3 }, 'Left in all cups', { left_g: 12 }],
        [{ batches: 3, step: { key: 'fill-2', kind: 'fill', batch: 2 } }, 'Left in this cup', { left_g: 12, batch: 2 }],
    ])('of several cups each is told by itself while they are poured, and all together afterwards: %o', async (more, label, told) => {
        const { live, hand } = rest(more);
        await type(hand, label, '12');
        await hand.click(screen.getByRole('button', { name: 'What would it fill?', hidden: true }));
        await waitFor(() => expect(live.record.mock.calls.map(([, payload]) => payload)).toEqual([told]));
    });

    test('of a coat that lies already nothing is told a second time', async () => {
        const { live, hand } = rest({ laid: true, step: { key: 'laid', kind: 'done', batch: 1 } });
        await type(hand, 'Left in the cup', '9');
        await hand.click(screen.getByRole('button', { name: 'What would it fill?', hidden: true }));
        await screen.findByText('It fills the key tray.');
        expect(live.record).not.toHaveBeenCalled();
    });

    test('refused, it says why, tells nothing and keeps what was typed', async () => {
        const { live, hand } = rest({}, () => [422, { error: { field: 'left_g', message: 'More than was weighed in: 412 g.' } }]);
        await type(hand, 'Left in the cup', '900');
        await hand.click(screen.getByRole('button', { name: 'What would it fill?', hidden: true }));
        expect(await screen.findByText('More than was weighed in: 412 g.')).toBeTruthy();
        expect(live.record).not.toHaveBeenCalled();
        expect(screen.getByLabelText('Left in the cup')).toHaveProperty('value', '900');
    });

    test('too low by so much over such an area: both are wanted before it is asked', async () => {
        const { asked, hand } = rest({}, () => [200, { says: '14 ml: 15.8 g of the same.' }]);
        const button = screen.getByRole('button', { name: 'How much is missing?', hidden: true });
        await type(hand, 'Area that is short', '70');
        expect(button).toHaveProperty('disabled', true);
        await type(hand, 'too low by', '2');
        await hand.click(button);
        expect(await screen.findByText('14 ml: 15.8 g of the same.')).toBeTruthy();
        expect(asked[0]?.body.height_mm).toBe(2);
    });

    test('what waits for a rest is written down, and taken off when it is filled', async () => {
        const { asked, kept, hand } = rest({}, () => [200, {}]);
        const waits = screen.getByRole('button', { name: 'It waits', hidden: true });
        await hand.type(screen.getByLabelText('A small thing'), 'Eyelid');
        expect(waits).toHaveProperty('disabled', true);
        await type(hand, 'takes', '6');
        await hand.click(waits);
        await waitFor(() => expect(kept.look).toHaveBeenCalledOnce());
        expect(asked[0]).toEqual({ method: 'PUT', url: '/waiting', body: { name: 'Eyelid', ml: 6 } });
        expect(screen.getByLabelText('A small thing')).toHaveProperty('value', '');
        await hand.click(screen.getByRole('button', { name: 'take off', hidden: true }));
        await waitFor(() => expect(kept.look).toHaveBeenCalledTimes(2));
        expect(asked[1]?.body).toEqual({ name: 'Key tray', gone: true });
    });
});

describe('what went wrong', () => {
    const cause = (id: string, share: number) => ({
        id,
        name: `Cause ${id}`,
        share,
        because: ['The cup was warm.'],
        against: ['Nobody saw bubbles.'],
        look: 'Cut it open.',
        next: 'Use a larger cup.',
    });
    const question = {
        fact: 'bubbles',
        ask: 'Were there bubbles?',
        answers: [
            { value: true, text: 'Yes' },
            { value: false, text: 'No' },
        ],
    };
    function wrong(answer: (asked: Asked) => [number, unknown], view: unknown = { diagnosis: null, causes: { thin: 'Too thin' } }) {
        const asked = bench(answer);
        const live = running();
        const kept = keptOf(view);
        const hand = show(WhatWentWrong, { live: live as unknown as LiveRun, kept: kept as unknown as Kept });
        return { asked, live, kept, hand };
    }

    test('two questions, then the likeliest causes; what was answered goes along each time', async () => {
        const { asked, live, hand } = wrong(({ body }) => [
            200,
            Object.keys(body.answers as object).length === 0
                ? { causes: [cause('a', 0.6)], question, warnings: [], asked: 0 }
                : { causes: [cause('b', 0.824), cause('a', 0.1)], question: null, warnings: [], asked: 1 },
        ]);
        await hand.click(await screen.findByRole('button', { name: 'No' }));
        await screen.findByText('Cause b');
        expect(asked.map((one) => one.body.answers)).toEqual([{}, { bubbles: false }]);
        expect(screen.getByText('82 %')).toBeTruthy();
        expect(screen.getAllByText('Against it: nobody saw bubbles.')).toHaveLength(2);
        await hand.click(screen.getAllByRole('button', { name: 'It was this' })[0] as HTMLElement);
        expect(live.record).toHaveBeenCalledWith('diagnosed', { cause: 'b', answers: { bubbles: false } }, 'b-1');
    });

    test('who does not know sees the causes without an answer', async () => {
        const { asked, hand } = wrong(() => [
            200,
            { causes: [cause('a', 0.6)], question, warnings: [{ code: 'w', message: 'Little is known of this.' }], asked: 0 },
        ]);
        await hand.click(await screen.findByRole('button', { name: 'I do not know' }));
        expect(screen.getByText('Cause a')).toBeTruthy();
        expect(screen.getByText('Little is known of this.')).toBeTruthy();
        expect(asked).toHaveLength(1);
    });

    test('it was something else: any cause of the book', async () => {
        const { live, hand } = wrong(() => [200, { causes: [], question: null, warnings: [], asked: 2 }]);
        await hand.selectOptions(await screen.findByLabelText('It was something else'), 'Too thin');
        await hand.click(screen.getByRole('button', { name: 'It was that' }));
        expect(live.record).toHaveBeenCalledWith('diagnosed', { cause: 'thin', answers: {} }, 'thin-0');
    });

    test('what it was is asked once', async () => {
        wrong(() => [200, { causes: [cause('a', 1)], question, warnings: [], asked: 0 }], { diagnosis: { name: 'Too thin' }, causes: {} });
        expect(await screen.findByText('Too thin.')).toBeTruthy();
        expect(screen.queryByRole('button')).toBeNull();
    });

    test('nobody answers: it says so', async () => {
        wrong(() => [500, null]);
        expect(await screen.findByText(/Something went wrong on the bench computer/)).toBeTruthy();
    });
});

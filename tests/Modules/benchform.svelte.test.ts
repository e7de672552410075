import { screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Wrong } from '../../resources/js/lib/api';
import { bench } from '../../resources/js/lib/bench.svelte';
import BenchForm from '../../resources/js/parts/BenchForm.svelte';
import { inShop, onAScreen, show } from './shown';

onAScreen();

const shop = (more: Record<string, unknown> = {}): void =>
    inShop(
        {},
        {
            name: 'Tidewater',
            edition: 4,
            scale_capacity_g: 3000,
            cups: [{ ml: 1000, tare_g: 31 }],
            vacuum: true,
            hands: 1,
            schools: {},
            day_starts_min: 420,
            day_ends_min: 1080,
            time_zone: 'Europe/Lisbon',
            room_c: 21,
            ...more,
        },
    );
type Change = Record<string, unknown>;
function asked(props: Record<string, unknown> = {}, answer: Wrong | null = null) {
    let answers: Wrong | null = answer;
    const change = vi.spyOn(bench, 'change').mockImplementation(() => Promise.resolve(answers));
    const refresh = vi.spyOn(bench, 'refresh').mockResolvedValue(undefined);
    const [onkept, onleave] = [vi.fn(), vi.fn()];
    const hand = show(BenchForm, { keep: 'Keep it', onkept, onleave, ...props });
    return {
        hand,
        refresh,
        onkept,
        onleave,
        now: (next: Wrong | null) => (answers = next),
        sent: () => change.mock.calls.at(-1) as unknown as [Change, number],
        times: () => change.mock.calls.length,
    };
}
// By its words: roles are looked up through every currency and every zone there is.
const press = (hand: ReturnType<typeof show>, words: string): Promise<void> => hand.click(screen.getByText(words, { selector: 'button' }));
const type = async (hand: ReturnType<typeof show>, label: string, text: string): Promise<void> => {
    const field = screen.getByLabelText(label);
    await hand.clear(field);
    if (text !== '') {
        await hand.type(field, text);
    }
};

const school = { id: 'gelled', ask: 'When is a cup gelled?', options: [{ id: 'string', name: 'when it strings' }] };
beforeEach(() => {
    shop();
    vi.stubGlobal('fetch', (url: string) =>
        Promise.resolve(new Response(JSON.stringify(url.includes('schools') ? { schools: [school] } : { what: null }), { status: 200 })),
    );
});

describe('what holds for the whole bench', () => {
    test('it stands as the shop has it, and goes out against the edition it was typed on', async () => {
        const { hand, sent, onkept } = asked();
        expect(screen.getByLabelText('The workshop is called')).toHaveProperty('value', 'Tidewater');
        expect(screen.getByLabelText('It begins')).toHaveProperty('value', '07:00');
        expect(screen.getByLabelText('Cup 1 holds')).toHaveProperty('value', '1000');
        await press(hand, 'Keep it');
        const [change, edition] = sent();
        expect(edition).toBe(4);
        expect(change).toMatchObject({ day_starts_min: 420, day_ends_min: 1080, vacuum: true, cups: [{ ml: 1000, tare_g: 31 }] });
        // The room has a place of its own, but in the first hour.
        expect(change).not.toHaveProperty('room_c');
        expect(onkept).toHaveBeenCalledOnce();
    });

    test('what nobody said is not sent, so that it stays unsaid', async () => {
        shop({ currency: null, vacuum: null });
        const { hand, sent } = asked();
        await press(hand, 'Keep it');
        expect(sent()[0]).not.toHaveProperty('currency');
        expect(sent()[0]).not.toHaveProperty('vacuum');
    });

    test('cups are added and taken out; one without a size is none', async () => {
        const { hand, sent } = asked();
        await press(hand, 'Add a cup');
        await press(hand, 'Add a cup');
        await type(hand, 'Cup 2 holds', '250');
        await press(hand, 'Keep it');
        expect(sent()[0].cups).toEqual([
            { ml: 1000, tare_g: 31 },
            { ml: 250, tare_g: null },
        ]);
        await hand.click(screen.getByLabelText('Take cup 1 out'));
        await press(hand, 'Keep it');
        expect(sent()[0].cups).toEqual([{ ml: 250, tare_g: null }]);
    });

    test.each([
        ['day_starts_min', 'It begins', 'A day begins between 0:00 and 23:59.'],
        ['scale_division_g', 'It steps by', 'This must be 0.001 or more.'],
        ['cups.0.ml', 'Cup 1 holds', 'A cup holds something.'],
    ])('what is wrong with %s is said at its field, and what was typed stays', async (field, label, message) => {
        const { hand, onkept } = asked({}, { field, message });
        await type(hand, 'The workshop is called', 'Sea room');
        await press(hand, 'Keep it');
        expect(screen.getByText(message)).toBeTruthy();
        const at = screen.getByLabelText(label);
        expect(at.getAttribute('aria-invalid')).toBe('true');
        expect(at.getAttribute('aria-describedby')).toBe(screen.getByText(message).id);
        expect(screen.getByLabelText('The workshop is called')).toHaveProperty('value', 'Sea room');
        expect(onkept).not.toHaveBeenCalled();
    });

    test('what is wrong with no field of it is said below', async () => {
        const { hand } = asked({}, { field: 'tide', message: 'The bench computer does not answer.' });
        await press(hand, 'Keep it');
        expect(screen.getByText('The bench computer does not answer.')).toBeTruthy();
    });

    test('another screen was faster: what differs is shown; mine goes out against what stands now', async () => {
        const { hand, sent, now, refresh, onkept } = asked({}, { field: 'edition', message: 'It was changed on another screen.' });
        await type(hand, 'The workshop is called', 'Sea room');
        refresh.mockImplementation(() => {
            shop({ name: 'Harbour', edition: 5 });
            return Promise.resolve();
        });
        await press(hand, 'Keep it');
        await waitFor(() => expect(screen.getByText('It was changed on another screen.')).toBeTruthy());
        const clash = screen.getByText('It was changed on another screen.').closest('section, div') as HTMLElement;
        expect(clash.textContent).toContain('Sea room');
        expect(clash.textContent).toContain('Harbour');
        now(null);
        await press(hand, 'Keep what stands here');
        expect([sent()[0].name, sent()[1]]).toEqual(['Sea room', 5]);
        expect(onkept).toHaveBeenCalledOnce();
    });

    test('another screen was faster: theirs is taken, and nothing is sent', async () => {
        const { hand, times, refresh } = asked({}, { field: 'edition', message: 'It was changed on another screen.' });
        await type(hand, 'The workshop is called', 'Sea room');
        refresh.mockImplementation(() => {
            shop({ name: 'Harbour', edition: 5 });
            return Promise.resolve();
        });
        await press(hand, 'Keep it');
        await screen.findByText('It was changed on another screen.');
        const before = times();
        await press(hand, 'Take what stands there');
        expect(screen.getByLabelText('The workshop is called')).toHaveProperty('value', 'Harbour');
        expect(times()).toBe(before);
    });

    test('what was typed and not kept is there again, and belongs to the edition it was typed on', async () => {
        const one = asked();
        await type(one.hand, 'The workshop is called', 'Sea room');
        document.body.innerHTML = '';
        shop({ edition: 9 });
        const two = asked();
        expect(screen.getByLabelText('The workshop is called')).toHaveProperty('value', 'Sea room');
        await press(two.hand, 'Keep it');
        expect(two.sent()[1]).toBe(4);
    });

    test('left, it is forgotten', async () => {
        const one = asked();
        await type(one.hand, 'The workshop is called', 'Sea room');
        await press(one.hand, 'Leave it');
        expect(one.onleave).toHaveBeenCalledOnce();
        expect(localStorage.getItem('apalos.typed.bench')).toBeNull();
    });

    test('how it is done here is ticked where schools differ; left as it comes it is not said', async () => {
        const { hand, sent } = asked();
        await hand.selectOptions(await screen.findByLabelText('When is a cup gelled?'), 'when it strings');
        await press(hand, 'Keep it');
        expect(sent()[0].schools).toEqual({ gelled: 'string' });
        await hand.selectOptions(screen.getByLabelText('When is a cup gelled?'), '');
        await press(hand, 'Keep it');
        expect(sent()[0].schools).toEqual({});
    });

    test('units are changed at once, everywhere', async () => {
        const { hand, sent } = asked();
        await press(hand, 'ounces and inches');
        expect(sent()).toEqual([{ units: 'imperial' }]);
    });

    test('in the first hour the name is empty, and the room is asked; said as it stands it is not sent again', async () => {
        shop({ name: 'Our workshop', named: false });
        const { hand, sent } = asked({ first: true });
        expect(screen.getByLabelText('The workshop is called')).toHaveProperty('value', '');
        await press(hand, 'Keep it');
        expect(sent()[0]).not.toHaveProperty('room_c');
        expect(sent()[0]).not.toHaveProperty('schools');
        await type(hand, 'The room is', '17');
        await press(hand, 'Keep it');
        expect(sent()[0].room_c).toBe(17);
    });

    test('a time of day nobody can read is sent as nothing, and the bench computer says so', async () => {
        const { hand, sent } = asked();
        await type(hand, 'It ends', '');
        await press(hand, 'Keep it');
        expect(sent()[0].day_ends_min).toBeNull();
    });
});

import { screen } from '@testing-library/svelte';
import { describe, expect, test, vi } from 'vitest';
import { LiveScale } from '../../resources/js/lib/scale.svelte';
import ScaleTrouble from '../../resources/js/parts/ScaleTrouble.svelte';
import type { ScaleView } from '../../resources/js/types/server';
import { inShop, onAScreen, show } from './shown';

onAScreen();

type Trouble = NonNullable<ScaleView['trouble']>;
const reads = (more: Partial<ScaleView> = {}): ScaleView => ({
    grams: 212.4,
    stable: true,
    overload: false,
    lost: null,
    unit: 'g',
    held_by: null,
    trouble: null,
    ...more,
});
const trouble = (kind: string, more: Partial<Trouble> = {}): Trouble =>
    ({ kind, saw_g: 3.2, expected_g: 200, in_line_g: 0, ...more }) as unknown as Trouble;

function stands(reading: ScaleView, more: Record<string, unknown> = {}, units = 'metric') {
    inShop({ scale: true }, { units });
    const scale = new LiveScale('run:12');
    scale.reading = reading;
    const accept = vi.spyOn(scale, 'accept').mockResolvedValue(true);
    const [oncount, ontake, ontype] = [vi.fn(), vi.fn(), vi.fn()];
    const hand = show(ScaleTrouble, {
        scale,
        division: 0.1,
        inside: '200.0 g of A',
        oncount,
        ontake,
        typing: 'Type the reading instead',
        ontype,
        ...more,
    });
    return { scale, accept, oncount, ontake, ontype, hand };
}
const buttons = (): string[] => screen.queryAllByRole('button').map((b) => b.textContent.trim());

describe('a display that is not believed', () => {
    test('nothing is wrong: nothing is said', () => {
        stands(reads());
        expect(screen.queryByRole('alert')).toBeNull();
    });

    test('it fell: what is in the cup is named, and it counts on from where it fell to, not from what it reads now', async () => {
        const { hand, oncount } = stands(reads({ grams: 17, stable: false, trouble: trouble('fell', { in_line_g: 40.5 }) }));
        const said = screen.getByRole('alert').textContent.replace(/\s+/g, ' ');
        expect(said).toContain('It fell to 3.2 g, with 200.0 g of A in the cup. It should read 200.0 g or more.');
        expect(said).toContain('40.5 g had gone in; it stays counted');
        expect(said).toContain('Now it reads 17.0 g');
        await hand.click(screen.getByRole('button', { name: /set to zero.*3.2 g/ }));
        expect(oncount).toHaveBeenCalledWith(3.2, 40.5);
    });

    test('it jumped: all of it is in the cup, or it stands beside it; while it moves nothing is counted from it', async () => {
        const { accept, hand } = stands(reads({ grams: 612, stable: false, trouble: trouble('jumped', { saw_g: 612 }) }));
        expect(buttons()).toEqual(['All of it is in the cup', 'Type the reading instead']);
        await hand.click(screen.getByRole('button', { name: 'All of it is in the cup' }));
        expect(accept).toHaveBeenCalledOnce();
    });

    test('it jumped and rests: it is counted from what it shows', async () => {
        const { hand, oncount } = stands(reads({ grams: 612, trouble: trouble('jumped', { saw_g: 612, in_line_g: 7 }) }));
        await hand.click(screen.getByRole('button', { name: /beside.*612.0 g/ }));
        expect(oncount).toHaveBeenCalledWith(612, 7);
    });

    test('it crept: from where to where, and two ways on', () => {
        stands(reads({ trouble: trouble('crept', { saw_g: 201.9, expected_g: 200 }) }));
        expect(screen.getByRole('alert').textContent.replace(/\s+/g, ' ')).toContain('crawled from 200.0 g to 201.9 g');
        expect(buttons()).toHaveLength(3);
    });

    test('another unit is no number of grams: nothing is counted from it, and what had gone in is not said in it', () => {
        stands(reads({ unit: 'oz', trouble: trouble('unit', { in_line_g: 12 }) }));
        expect(screen.getByRole('alert').textContent).toContain('Set it back to g');
        expect(screen.queryByText(/had gone in/)).toBeNull();
        expect(buttons()).toEqual(['Type the reading instead']);
    });

    test('the scale was elsewhere: this cup goes back on, and counts once it rests', async () => {
        const { hand, oncount } = stands(reads({ grams: 200.1, trouble: trouble('elsewhere', { saw_g: null }) }), { inside: null });
        expect(screen.getByRole('alert').textContent.replace(/\s+/g, ' ')).toContain('Put this cup back, and let it rest.');
        await hand.click(screen.getByRole('button', { name: /200.1 g/ }));
        expect(oncount).toHaveBeenCalledWith(200.1, 0);
    });

    test('another weigh-up has it: who, with a way there; it is taken over only by a press', async () => {
        const { hand, ontake, ontype } = stands(
            reads({
                held_by: { title: 'Owl brow', href: '/pours/7/run', since_ms: null } as unknown as ScaleView['held_by'],
                trouble: trouble('fell'),
            }),
        );
        expect(screen.getByRole('link', { name: 'Owl brow' }).getAttribute('href')).toBe('/pours/7/run');
        // Who has the scale comes first: its display says nothing of this cup.
        expect(screen.queryByTestId('scale-trouble')).toBeNull();
        expect(ontake).not.toHaveBeenCalled();
        await hand.click(screen.getByRole('button', { name: 'Take the scale over' }));
        expect(ontake).toHaveBeenCalledOnce();
        await hand.click(screen.getByRole('button', { name: 'Type the reading instead' }));
        expect(ontype).toHaveBeenCalledOnce();
    });

    test('in ounces it is said in ounces', () => {
        stands(reads({ trouble: trouble('fell', { saw_g: 28.35, expected_g: 56.7 }) }), {}, 'imperial');
        expect(screen.getByRole('alert').textContent).toMatch(/It fell to\s+1\.0+ oz/);
    });
});

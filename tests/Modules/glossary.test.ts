import { afterEach, describe, expect, it, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import { glossary, pieces, type Word } from '../../resources/js/lib/glossary.svelte';
import { tablet } from '../../resources/js/lib/tablet.svelte';

vi.mock('@inertiajs/svelte', () => ({ router: { reload: vi.fn() } }));

const word = (id: string, also: string[] = []): Word => ({ id, word: id, also, says: `${id}.`, mark: 'M0 0' });
const words = [word('mould'), word('glove mould', ['brushed glove']), word('de-air', ['de-aired']), word('ΔE'), word('% of A+B')];
const said = (text: string): string =>
    pieces(text, words)
        .map((piece) => (piece.of === null ? piece.text : `[${piece.text}|${piece.of.id}]`))
        .join('');

describe('words of the craft in a sentence', () => {
    it.each([
        ['A glove mould peels off.', 'A [glove mould|glove mould] peels off.'],
        ['De-aired, and into the mould.', '[De-aired|de-air], and into the [mould|mould].'],
        ['The mould and the mould.', 'The [mould|mould] and the mould.'],
        ['Moulding is no mould-making.', 'Moulding is no mould-making.'],
        ['Under ΔE 1, at 50 % of A+B.', 'Under [ΔE|ΔE] 1, at 50 [% of A+B|% of A+B].'],
        ['Nothing of it.', 'Nothing of it.'],
        ['', ''],
    ])('“%s”', (text, marked) => {
        expect(said(text)).toBe(marked);
        expect(
            pieces(text, words)
                .map((piece) => piece.text)
                .join(''),
        ).toBe(text);
    });
});

describe('who is told', () => {
    afterEach(() => {
        bench.frame = null;
        localStorage.clear();
    });
    it('whoever learns, until this tablet says otherwise', () => {
        const hands = (role: string): void => {
            bench.frame = { hands: { name: 'x', role, colour: '#000' }, workshop: { units: 'metric' } } as never;
        };
        hands('owner');
        expect(glossary.on).toBe(false);
        hands('apprentice');
        expect(glossary.on).toBe(true);
        tablet.set({ explains: false });
        expect(glossary.on).toBe(false);
        hands('owner');
        tablet.set({ explains: true });
        expect(glossary.on).toBe(true);
    });
});

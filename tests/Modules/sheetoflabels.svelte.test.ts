import { screen } from '@testing-library/svelte';
import { afterAll, beforeEach, describe, expect, test } from 'vitest';
import { labelSheet, tablet } from '../../resources/js/lib/tablet.svelte';
import SheetOfLabels from '../../resources/js/parts/SheetOfLabels.svelte';
import { onAScreen, show } from './shown';

onAScreen();
beforeEach(() => tablet.set({ labels: labelSheet }));
// Other tests share this page.
afterAll(() => tablet.set({ labels: undefined }));

const field = (name: string): HTMLInputElement => screen.getByLabelText(name);
const asked = (): URLSearchParams | null => {
    const link = document.querySelector<HTMLAnchorElement>('a[href*=".pdf"]');
    return link === null ? null : new URL(link.href, 'http://bench').searchParams;
};

describe('a sheet of labels', () => {
    test('is asked for as the printer of this tablet has it, and remembered there', async () => {
        const hand = show(SheetOfLabels, { of: 'moulds=1,2', words: 'Labels of these' });
        await hand.clear(field('Across'));
        await hand.type(field('Across'), '2');
        await hand.clear(field('Above and below'));
        await hand.type(field('Above and below'), '15');
        await hand.clear(field('First free place'));
        await hand.type(field('First free place'), '5');
        expect(asked()?.get('moulds')).toBe('1,2');
        expect(['across', 'down', 'top_mm', 'left_mm', 'start'].map((one) => asked()?.get(one))).toEqual(['2', '8', '15', '0', '5']);
        expect(tablet.labels).toMatchObject({ across: 2, down: 8, top_mm: 15 });
        expect(JSON.parse(localStorage.getItem('apalos.tablet') ?? '{}')).toMatchObject({ labels: { across: 2, top_mm: 15 } });
    });

    test.each([
        ['Across', '0', 'A whole number from 1 to 12.'],
        ['Across', '2.5', 'A whole number from 1 to 12.'],
        ['Down', '31', 'A whole number from 1 to 30.'],
        ['Left and right', '61', 'From 0 to 60 mm.'],
        ['Between rows', 'wide', 'From 0 to 40 mm.'],
        ['First free place', '25', 'Count the places from the top left: 1 to 24.'],
    ])('%s of %s is a sentence, and no sheet is asked for', async (name, typed, says) => {
        const hand = show(SheetOfLabels, { of: 'lots=1', words: 'Labels' });
        await hand.clear(field(name));
        await hand.type(field(name), typed);
        expect(screen.getByText(says)).toBeTruthy();
        expect(asked()).toBeNull();
    });
});

import { router } from '@inertiajs/svelte';
import { screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { bench } from '../../resources/js/lib/bench.svelte';
import JobHead from '../../resources/js/pages/jobs/JobHead.svelte';
import PutJobAway from '../../resources/js/pages/jobs/PutJobAway.svelte';
import type { JobView } from '../../resources/js/types/server';
import { onAScreen, show } from './shown';

onAScreen();

const job = (more: Record<string, unknown> = {}): JobView =>
    ({
        id: 7,
        edition: 3,
        name: 'Heron beak',
        purpose: 'a play',
        for_whom: '',
        quantity: 4,
        due_on: null,
        skin: false,
        uses: [],
        chain: [],
        cast: 0,
        pieces_a_pour: 1,
        ready: [],
        lives: null,
        ...more,
    }) as unknown as JobView;
const said = (): string => (document.body.textContent ?? '').replace(/\s+/g, ' ');
const stands = (more: Record<string, unknown>): void => void show(JobHead, { job: job(more), uses: {} });

beforeEach(() => {
    // Ten in the morning of the third of March, on the clock of this tablet.
    bench.now = new Date(2027, 2, 3, 10).getTime();
});

describe('how far a job has come', () => {
    test.each([
        [{ cast: 0 }, '0 of 4 cast: 4 pours of casts are still to come. A gang mould gives several at once.'],
        [{ cast: 3 }, '3 of 4 cast: one pour of casts is still to come.'],
        [{ cast: 1, pieces_a_pour: 2 }, '1 of 4 cast: 2 pours of casts are still to come, 2 pieces each.'],
        [{ cast: 4 }, 'All 4 are cast.'],
        [{ cast: 6 }, 'All 4 are cast.'],
    ])('%o', (more, words) => {
        stands(more);
        expect(said()).toContain(words);
    });
});

describe('the day it is wanted by', () => {
    test('is not over before it is over', () => {
        stands({ due_on: '2027-03-03' });
        expect(screen.queryByRole('alert')).toBeNull();
    });

    test.each([
        ['2027-03-02', 'since yesterday'],
        ['2027-02-27', 'since 4 days'],
    ])('%s is over %s', (day, words) => {
        stands({ due_on: day });
        expect(screen.getByRole('alert').textContent).toContain(words);
    });

    test('matters no more once all are cast', () => {
        stands({ due_on: '2027-02-27', cast: 4 });
        expect(screen.queryByRole('alert')).toBeNull();
    });
});

describe('what is worn on skin', () => {
    test('is said of the job with one tick, and of the edition that is shown', async () => {
        const put = vi.spyOn(router, 'put').mockImplementation(() => undefined);
        const hand = show(JobHead, { job: job(), uses: {} });
        await hand.click(screen.getByRole('checkbox'));
        expect(put.mock.calls[0]?.slice(0, 2)).toEqual(['/jobs/7?edition=3', expect.objectContaining({ skin: true, name: 'Heron beak' })]);
    });

    test('is not cast of what is not sold for it: the rubber is named', () => {
        stands({ skin: true, chain: [{ not_for_skin: false }, { not_for_skin: true, material: 'Tin silicone 25' }] });
        expect(screen.getByRole('alert').textContent).toContain('Tin silicone 25 is not sold for skin');
    });
});

describe('putting a job away', () => {
    test('where nothing lives in it is one press', async () => {
        const away = vi.spyOn(router, 'delete').mockImplementation(() => undefined);
        const hand = show(PutJobAway, { job: job() });
        await hand.click(screen.getByRole('button', { name: 'Put the job away' }));
        expect(away.mock.calls.map(([url]) => url)).toEqual(['/jobs/7']);
    });

    test('says first what goes with it, and keeps it where that was not meant', async () => {
        const away = vi.spyOn(router, 'delete').mockImplementation(() => undefined);
        const hand = show(PutJobAway, { job: job({ lives: 'In “Heron beak” there are a pour under way, 2 pour sheets.' }) });
        await hand.click(screen.getByRole('button', { name: /Put the job away/ }));
        expect(screen.getByRole('alert').textContent).toContain('a pour under way, 2 pour sheets.');
        await hand.click(screen.getByRole('button', { name: 'Keep it here' }));
        expect(away).not.toHaveBeenCalled();
        await hand.click(screen.getByRole('button', { name: /Put the job away/ }));
        await hand.click(screen.getByRole('button', { name: 'Put it away all the same' }));
        expect(away).toHaveBeenCalledOnce();
    });
});

import { describe, expect, test } from 'vitest';
import { asKept, documentOf, isKept, keyOf, pageOf, titleOf, unknown, walkable, type Page } from '../../resources/js/away/looks';

const page = (more: Partial<Page> = {}): Page => ({
    component: 'run/Run',
    props: { frame: {}, flash: 'Kept.', run: { job: 'Brow', impression: 'Cast', last_fact_id: 7 } },
    url: '/pours/3/run',
    version: 'a',
    ...more,
});
const shell = (inside: string): string =>
    `<html><body><script data-page="app" type="application/json">${inside}</script><div id="app"></div></body></html>`;

describe('the last look of a page', () => {
    test('goes out of a document and into another, whatever stands in it', () => {
        const wild = page({ props: { text: '</script><b>$& $1 $` — “ä”' } });
        const html = documentOf(shell('{"component":"bench/Bench","props":{},"url":"/","version":null}'), wild);
        expect(pageOf(html)).toEqual(wild);
        expect(html.match(/<\/script>/g)).toHaveLength(1);
    });

    test('is none where the document is none of ours', () => {
        expect([pageOf('<html></html>'), pageOf(shell('{')), pageOf(shell('{"component":"x"}')), pageOf(shell('null'))]).toEqual([
            null,
            null,
            null,
            null,
        ]);
    });

    test('says when it was kept, and nothing that was said for once', () => {
        expect(asKept(page(), 123).props).toMatchObject({ kept_at_ms: 123, flash: null, errors: {} });
    });

    test.each([
        ['/', true],
        ['/pours/3/run', true],
        ['/stores/pr-10', true],
        ['/people', false],
        ['/people?before=3', false],
        ['/sign-in', false],
        ['/welcome/abc', false],
        ['/backup', false],
        ['/everything.zip', false],
        ['/log.csv', false],
        ['/day.ics?key=1', false],
        ['/token', false],
    ])('%s: kept, %s', (path, kept) => {
        expect(isKept(path)).toBe(kept);
    });

    test('lies where the same question finds it', () => {
        expect(keyOf('http://bench.local/log?b=2&a=1#x')).toBe('/log?a=1&b=2');
    });

    test('of a run keeps what was sent ahead for where it stands, and for nowhere else', () => {
        const ahead = { last_fact_id: 7 };
        const before = page({ props: { ...page().props, ahead } });
        expect(walkable(page(), before).props.ahead).toBe(ahead);
        expect(walkable(page({ props: { run: { last_fact_id: 8 } } }), before).props.ahead).toBeUndefined();
        expect(walkable(page({ component: 'jobs/Job' }), before).props.ahead).toBeUndefined();
    });

    test('goes by a name a maker knows', () => {
        expect(titleOf(page())).toBe('Pour: Brow · Cast');
        expect(titleOf(page({ component: 'jobs/Job', props: { job: { name: 'Brow' } } }))).toBe('Job: Brow');
        expect([titleOf(page({ component: 'bench/Bench' })), titleOf(page({ component: 'log/Log' }))]).toEqual(['The bench', null]);
        expect(unknown('/faults', null).component).toBe('lost/Away');
    });
});

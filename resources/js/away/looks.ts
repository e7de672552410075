/**
 * The last look of a page, as the tablet keeps it: what the server sent of it, whole, and when. One look answers both ways a page is asked
 * for: as a document, after a reload or a flat battery, and by the page that is open already.
 */

/** A page as the server sends it. */
export type Page = { component: string; props: Record<string, unknown>; url: string; version: string | null };

/** Where the looks lie in the browser’s own cache. */
export const LOOKS = 'looks';

const EMBEDDED = /(<script data-page="app" type="application\/json">)([\s\S]*?)(<\/script>)/;

/** What a document carries of its page; null where it is none of ours. */
export function pageOf(html: string): Page | null {
    const text = EMBEDDED.exec(html)?.[2];
    if (text === undefined) {
        return null;
    }
    try {
        const page: unknown = JSON.parse(text);
        return isPage(page) ? page : null;
    } catch {
        return null;
    }
}

export function isPage(page: unknown): page is Page {
    const said = page as Partial<Page> | null;
    return (
        typeof said === 'object' &&
        said !== null &&
        typeof said.component === 'string' &&
        typeof said.url === 'string' &&
        typeof said.props === 'object'
    );
}

/** A document that shows a page: that of another, with this page in it. */
export function documentOf(shell: string, page: Page): string {
    // Nothing in it may end the script it stands in, nor be taken for a sign of the replacement.
    const text = JSON.stringify(page).replace(/</g, '\\u003C');
    return shell.replace(EMBEDDED, (_, before: string, __: string, after: string) => `${before}${text}${after}`);
}

/** As it stood when it was kept: the page says so, and shows nothing the server said for once only. */
export function asKept(page: Page, keptAt: number): Page {
    return { ...page, props: { ...page.props, kept_at_ms: keptAt, flash: null, undo: null, onward: null, taking: null, errors: {} } };
}

/** A newer look of a run that stands where it stood: what was sent ahead for it still holds. */
export function walkable(page: Page, before: Page): Page {
    const last = (of: unknown): unknown => (of as { last_fact_id?: unknown } | null | undefined)?.last_fact_id;
    const { ahead } = before.props;
    return (page.component === 'run/Run' || page.component === 'build/Build') &&
        page.props.ahead === undefined &&
        ahead != null &&
        last(ahead) === last(page.props.run ?? page.props.build)
        ? { ...page, props: { ...page.props, ahead } }
        : page;
}

/** What was never looked at here. */
export function unknown(url: string, version: string | null): Page {
    return {
        component: 'lost/Away',
        props: { frame: null, kept_at_ms: 0, errors: {}, flash: null, undo: null, onward: null, taking: null },
        url,
        version,
    };
}

/** What is for whoever answers for the shop, or for coming in, is not left lying on a tablet. */
const NEVER = /^\/(people|sign-in|hands|welcome|backup|everything|tablets|token|first|trust)(\/|\.|\?|$)/;

export const isKept = (path: string): boolean => !NEVER.test(path) && !/\.\w{2,5}$/.test(path.split('?')[0] ?? '');

/** Where a look is kept: by path and question, in one order. */
export function keyOf(url: string): string {
    const at = new URL(url, 'https://bench.invalid');
    at.searchParams.sort();
    return `${at.pathname}${at.search}`;
}

/** What a page is called where it is offered by name; null for what nobody looks for when the bench computer is away. */
export function titleOf(page: Page): string | null {
    const of = (name: string): Record<string, unknown> => (page.props[name] ?? {}) as Record<string, unknown>;
    const text = (...said: unknown[]): string => said.filter((one) => typeof one === 'string' && one !== '').join(' · ');
    switch (page.component) {
        case 'bench/Bench':
            return 'The bench';
        case 'day/Day':
            return 'The day';
        case 'run/Run':
            return `Pour: ${text(of('run').job, of('run').impression)}`;
        case 'build/Build':
            return `Build: ${text(of('build').job, of('build').link, of('build').name)}`;
        case 'jobs/Job':
            return `Job: ${text(of('job').name)}`;
        default:
            return null;
    }
}

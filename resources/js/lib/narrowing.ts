import { router } from '@inertiajs/svelte';

let waiting: ReturnType<typeof setTimeout> | undefined;
// Who follows a link while a search is still waiting goes where the link leads.
if (typeof window !== 'undefined') {
    router.on('start', () => clearTimeout(waiting));
}

/** A long list that is narrowed by what is typed and turned page by page: the address says all of it, so that going back works. */
export class Narrowing {
    constructor(
        private readonly path: string,
        private readonly filter: Readonly<Record<string, string>>,
        private readonly only: string[],
    ) {}

    /** What is asked for, without what was left empty; another page than the first where one is named. */
    query(page = 1): string {
        const asked = Object.entries(this.filter).filter(([, value]) => value !== '');
        return new URLSearchParams(page > 1 ? [...asked, ['page', String(page)]] : asked).toString();
    }

    href = (page: number): string => [this.path, this.query(page)].filter((part) => part !== '').join('?');

    /** From the first page on, after a short rest for whoever is still typing. */
    go(delay = 0): void {
        clearTimeout(waiting);
        waiting = setTimeout(
            () => router.get(this.href(1), {}, { preserveState: true, preserveScroll: true, replace: true, only: this.only }),
            delay,
        );
    }
}

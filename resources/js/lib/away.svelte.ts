import { page, router } from '@inertiajs/svelte';
import { isPage, LOOKS, titleOf } from '../away/looks';
import { ask } from './api';

/** How often what is under way is looked at anew, so that it opens without the bench computer as it stood a little while ago. */
const LOOK_MS = 2 * 60_000;
const KNOCK_MS = 3000;

/**
 * Whether this screen shows what the tablet kept because the bench computer does not answer, and since when; and the small worker that
 * keeps it. Where a browser has none (no safe address) all is as it is without.
 */
class Away {
    /** When what is shown was kept; null where the server said it. */
    since = $derived.by((): number | null => {
        const said = (page.props as { kept_at_ms?: number } | undefined)?.kept_at_ms;
        return typeof said === 'number' ? said : null;
    });
    #worker: ServiceWorkerRegistration | null = null;

    async begin(): Promise<() => void> {
        const looking = setInterval(() => void this.keep(), LOOK_MS);
        const knocking = setInterval(() => void this.#knock(), KNOCK_MS);
        if ('serviceWorker' in navigator && window.isSecureContext) {
            try {
                this.#worker = await navigator.serviceWorker.register('/worker.js', { scope: '/' });
                void this.keep();
            } catch {
                // A browser that keeps nothing: it is all as it was before there was a worker.
                this.#worker = null;
            }
        }
        return () => {
            clearInterval(looking);
            clearInterval(knocking);
        };
    }

    /** Has looks of what is under way kept. */
    async keep(): Promise<void> {
        const worker = await this.#ready();
        if (worker === null || document.visibilityState !== 'visible') {
            return;
        }
        const answer = await ask<{ pages: string[] }>('GET', '/away');
        if (answer.ok) {
            worker.postMessage({ keep: answer.data.pages });
        }
    }

    /** This page has heard more since it was opened: its look stands as it does. */
    async look(props: Record<string, unknown>): Promise<void> {
        (await this.#ready())?.postMessage({
            look: { url: location.href, props: JSON.parse(JSON.stringify(props)) as Record<string, unknown> },
        });
    }

    /** What opens without the bench computer, by name. */
    async pages(): Promise<{ url: string; title: string }[]> {
        const looks = 'caches' in window ? await caches.open(LOOKS) : null;
        const pages = await Promise.all(
            ((await looks?.keys()) ?? []).map(async (key) => (await looks?.match(key))?.json().catch(() => null) as Promise<unknown>),
        );
        const order = ['bench/Bench', 'day/Day', 'run/Run', 'build/Build', 'jobs/Job'];
        return pages
            .filter(isPage)
            .sort((a, b) => order.indexOf(a.component) - order.indexOf(b.component))
            .flatMap((one) => {
                const title = titleOf(one);
                return title === null ? [] : [{ url: one.url, title }];
            });
    }

    /** A newer version waits until nothing is being poured on this screen; it is taken over with the next page. */
    renew(running: boolean): void {
        if (!running) {
            this.#worker?.waiting?.postMessage({ take: true });
        }
    }

    async #ready(): Promise<ServiceWorker | null> {
        // It may stand there before this page has asked for it.
        return 'serviceWorker' in navigator && window.isSecureContext ? (await navigator.serviceWorker.ready).active : null;
    }

    /** What was kept is left for what is, as soon as the server answers again. */
    async #knock(): Promise<void> {
        if (this.since === null) {
            return;
        }
        try {
            const answer = await fetch('/token', { cache: 'no-store', signal: AbortSignal.timeout(2500) });
            if (answer.ok) {
                router.reload();
            }
        } catch {
            // Still away.
        }
    }
}

export const away = new Away();

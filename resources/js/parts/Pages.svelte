<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import * as texts from './Pages.texts';

    /** Where a list is longer than a page: how far one is, and the pages beside it. */
    let { pages, href, only }: { pages: { page: number; pages: number; total: number }; href: (page: number) => string; only: string[] } =
        $props();
</script>

{#if pages.pages > 1}
    <nav class="mt-4 flex flex-wrap items-center gap-3" aria-label={texts.pages}>
        {#if pages.page > 1}<Link class="btn min-h-11" href={href(pages.page - 1)} {only} preserveState>Page before</Link>{/if}
        <p>Page <span class="fig">{pages.page}</span> of <span class="fig">{pages.pages}</span></p>
        {#if pages.page < pages.pages}<Link class="btn min-h-11" href={href(pages.page + 1)} {only} preserveState>Next page</Link>{/if}
    </nav>
{/if}

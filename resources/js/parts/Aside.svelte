<script lang="ts">
    /** What the bench computer could not write down however often it was sent: shown, so that somebody decides. */
    import type { Fact } from '../lib/outbox.svelte';
    import { bench } from '../lib/bench.svelte';
    import { when } from '../lib/when';
    import * as texts from './Aside.texts';

    type Kept = { full: boolean; aside: Fact[]; again: (key: string) => Promise<void>; leave: (key: string) => void };
    let { outbox }: { outbox: Kept } = $props();
    const words: Record<string, string> = {
        weighed: 'weighed',
        put: 'put in',
        written: 'written',
        noted: 'a note',
        confirmed: 'a step',
        graded: 'the grading',
    };
    const inside = (payload: Record<string, unknown>): string =>
        Object.entries(payload)
            .filter(([key, value]) => ['reading_g', 'grams', 'text', 'grade', 'vessel', 'step'].includes(key) && value !== null)
            .map(([, value]) => String(value))
            .join(' · ');
</script>

{#if outbox.full}<p class="full" role="alert">
        This browser’s own storage is full: what you enter goes to the bench computer, but is not kept here should the network drop. Keep
        this page open, or clear the browser’s data for other sites.
    </p>{/if}
{#if outbox.aside.length > 0}
    <section class="aside" role="alert" aria-label={texts.notWrittenDown}>
        <p class="font-bold">The bench computer could not write this down. It is kept on this device.</p>
        <ul>
            {#each outbox.aside as fact (fact.key)}
                <li>
                    <span>{when(fact.at_ms, bench.now)} {words[fact.kind] ?? fact.kind} {inside(fact.payload)}</span>
                    <button class="btn" onclick={() => void outbox.again(fact.key)}>{texts.tryAgain}</button>
                    <button class="btn btn-ghost" onclick={() => outbox.leave(fact.key)}>{texts.leaveItOut}</button>
                </li>
            {/each}
        </ul>
    </section>
{/if}

<style>
    .full {
        margin-top: 0.5rem;
        padding-left: 0.7rem;
        border-left: 4px solid var(--color-warning);
        font-weight: 700;
    }
    .aside {
        border: 2px solid var(--color-error);
        border-radius: 1rem;
        padding: 0.8rem 1rem;
        margin-block: 0.6rem;
    }
    li {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: center;
        margin-top: 0.4rem;
    }
</style>

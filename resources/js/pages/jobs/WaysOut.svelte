<script lang="ts">
    /** What would make this contact safe, each judged as the contact itself is, each taken in one press. */
    import { router } from '@inertiajs/svelte';
    import { ask } from '../../lib/api';
    import { refused } from '../../lib/refused';
    import { minutes } from '../../lib/units';
    import Wrong from '../../parts/Wrong.svelte';
    import type { Way } from '../../lib/contacts';
    import * as texts from './texts';

    let { url, edition, mark }: { url: string; edition: number; mark: string } = $props();

    let answer = $state<{ ways: Way[]; note: string | null } | null>(null);
    let more = $state(false);
    const FEW = 4;

    // Asked anew whenever the contact stands differently.
    $effect(() => {
        void mark;
        void ask<{ ways: Way[]; note: string | null }>('GET', `${url}/ways`).then((heard) => {
            answer = heard.ok ? heard.data : null;
        });
    });

    const kinds: Record<string, string> = {
        base: 'Another base',
        barrier: 'A barrier',
        seal: 'Seal it',
        release: 'Release it',
        link: 'Two links more',
        wait: 'Wait',
        test: 'Test it',
    };
    const shown = $derived(answer === null ? [] : more ? answer.ways : answer.ways.slice(0, FEW));
    const take = (way: Way): void =>
        router.post(`${url}/way?edition=${String(edition)}`, { steps: way.steps }, { preserveScroll: true, preserveState: true });
</script>

{#if answer !== null}
    <section class="mt-3" aria-label={texts.whatWouldMakeItSafe}>
        <h4 class="font-bold">{texts.whatWouldMakeItSafe}</h4>
        {#if answer.note !== null}<p>{answer.note}</p>{/if}
        <ul class="ways">
            {#each shown as way (way.what)}
                <li>
                    <span class="kind">{kinds[way.kind] ?? way.kind}</span>
                    <span>{way.what}</span>
                    <span class="quiet text-sm">{way.adds_min > 0 ? `takes ${minutes(way.adds_min)}` : 'at once'}</span>
                    <button type="button" class="btn" onclick={() => take(way)}
                        >{way.kind === 'wait' &&
                        way.steps.every((step) => step.kind === 'wait' && !['prove-dry', 'post-cure'].includes(step.id))
                            ? texts.whenIsThat
                            : way.kind === 'test'
                              ? texts.putItOn
                              : texts.takeIt}</button
                    >
                </li>
            {/each}
        </ul>
        {#if answer.ways.length > FEW}<button type="button" class="btn btn-ghost btn-sm" onclick={() => (more = !more)}
                >{more ? texts.fewer : texts.more(answer.ways.length - FEW)}</button
            >{/if}
        <Wrong says={refused('contact.way')} />
    </section>
{/if}

<style>
    .ways {
        display: grid;
        gap: 0.4rem;
        margin-top: 0.3rem;
    }
    li {
        display: grid;
        grid-template-columns: 8rem minmax(0, 1fr) auto auto;
        gap: 0.3rem 0.9rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        padding-top: 0.4rem;
    }
    .kind {
        color: var(--color-neutral);
    }
    li .btn {
        min-height: 2.75rem;
    }
    @media (max-width: 700px) {
        li {
            grid-template-columns: minmax(0, 1fr) auto;
        }
        .kind {
            grid-column: 1 / -1;
        }
        li .btn {
            justify-self: start;
        }
    }
</style>

<script lang="ts">
    /** What was decided in this shop and by whom: what was taken away, prices, rules, who may come in. */
    import { when } from '../../lib/when';
    import type { DecisionsView } from '../../types/server';
    import * as texts from './texts';

    let { decided }: { decided: DecisionsView } = $props();
</script>

<section class="mt-8" aria-labelledby="decided">
    <h2 id="decided" class="text-2xl">{texts.decided}</h2>
    <ul class="decided">
        {#each decided.rows as one (one.id)}
            <li>
                <span class="at">{when(one.at_ms, decided.now_ms)}</span>
                <span
                    ><b>{one.by ?? 'Somebody'}</b>
                    {one.did}{one.of === null ? '' : `: ${one.of}`}{one.said === '' ? '' : ` (${one.said})`}</span
                >
            </li>
        {:else}<li>Nothing yet that changed the library, prices, rules or people, or took anything away.</li>{/each}
    </ul>
    {#if decided.earlier !== null}
        <a class="btn btn-ghost mt-2" href="/people?before={decided.earlier}#decided">{texts.whatWasDecidedBefore}</a>
    {/if}
</section>

<style>
    .decided {
        display: grid;
        gap: 0.4rem;
        margin-top: 0.75rem;
    }
    .decided li {
        display: grid;
        grid-template-columns: 11rem 1fr;
        gap: 0.75rem;
        overflow-wrap: anywhere;
    }
    .decided li:only-child:not(:has(.at)) {
        grid-template-columns: 1fr;
    }
    @media (max-width: 40rem) {
        .decided li {
            grid-template-columns: 1fr;
            gap: 0;
        }
    }
</style>

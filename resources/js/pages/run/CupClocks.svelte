<script lang="ts">
    /** Several cups are one pour: each with its own clock, until the mould is full. */
    import { bench } from '../../lib/bench.svelte';
    import { measure, span } from '../../lib/units';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run }: { run: RunView } = $props();
    const left = (cup: RunView['cups'][number]): number | null => (cup.pot_ends_ms === null ? null : cup.pot_ends_ms - bench.now);
</script>

{#if run.batches > 1 && run.cups.some((cup) => cup.weighed)}
    <ol class="cups" aria-label={texts.theCupsOfThisPour}>
        {#each run.cups as cup (cup.batch)}
            {@const rest = left(cup)}
            <li class:now={cup.batch === run.step.batch} class:in={cup.filled_ms !== null} class:short={rest !== null && rest < 120_000}>
                <b>Cup {cup.batch}</b>
                <span class="quiet"
                    >{#if cup.filled_ms !== null}in{#if rest !== null}, {rest > 0
                                ? 'still wet'
                                : 'past its pot life'}{/if}{:else if cup.met_ms !== null}met {span(bench.now - cup.met_ms)} ago{:else if cup.weighed}weighed
                        ahead{:else}{measure(cup.grams, 'mass', bench.units)}{/if}</span
                >
                {#if rest !== null && cup.met_ms !== null}<span class="fig">{rest > 0 ? span(rest) : `+${span(-rest)}`}</span>{/if}
            </li>
        {/each}
    </ol>
{/if}

<style>
    .cups {
        display: grid;
        gap: 0.25rem;
        margin-top: 0.8rem;
        max-height: 40vh;
        overflow-y: auto;
    }
    li {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 0 0.5rem;
        padding: 0.15rem 0 0.15rem 0.6rem;
        border-left: 4px solid var(--color-base-300);
    }
    li.now {
        border-color: var(--color-accent);
    }
    li.in {
        border-color: var(--color-success);
    }
    .fig {
        margin-left: auto;
        font-weight: 700;
    }
    li.short:not(.in) .fig {
        color: var(--color-accent);
    }
</style>

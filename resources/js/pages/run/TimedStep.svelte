<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import { span } from '../../lib/units';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run }: { run: RunView } = $props();
    const mixing = $derived(run.step.kind === 'mix');
    const length = $derived((mixing ? run.clock.mix_min : run.clock.degas_min) * 60_000);
    const left = $derived(run.step_since_ms + length - bench.now);
</script>

<h1 class="text-4xl">{mixing ? run.worked.mix.title : texts.deAirIt}</h1>
<p class="fig time" class:up={left <= 0} role="timer">{left > 0 ? span(left) : `+${span(-left)}`}</p>
<ul class="how">
    {#if mixing}
        {#each run.worked.mix.points as point (point)}<li>{point}</li>{/each}
        {#if run.second_cup && run.worked.premix !== null}<li class="cup">
                <b>More than 500 g: pour it into a second, clean cup</b> and mix on. What clings to the wall of the first is not mixed.
            </li>{/if}
    {:else}
        <li>It rises, breaks, and falls: let it fall completely.</li>
        <li>Then let the air back in slowly.</li>
    {/if}
</ul>

<style>
    .time {
        font-size: clamp(4rem, 10vw, 7.5rem);
        font-weight: 700;
        line-height: 1.15;
    }
    .time.up {
        color: var(--color-success);
    }
    .how {
        display: grid;
        gap: 0.5rem;
        font-size: 1.2rem;
        max-width: 44ch;
    }
    .how li {
        padding-left: 1rem;
        border-left: 4px solid var(--color-base-300);
    }
    .how .cup {
        border-color: var(--color-warning);
    }
</style>

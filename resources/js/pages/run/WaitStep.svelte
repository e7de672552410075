<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { measure, span } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Ready from '../../parts/Ready.svelte';
    import Gelled from './Gelled.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();
    const wait = $derived(live.run.wait);
    const left = $derived(wait.open_likely_ms === null ? null : wait.open_likely_ms - bench.now);
    const share = $derived(
        wait.open_likely_ms === null || wait.poured_ms === null
            ? 0
            : Math.min(1, Math.max(0, (bench.now - wait.poured_ms) / (wait.open_likely_ms - wait.poured_ms))),
    );
    const early = $derived(wait.open_low_ms !== null && bench.now < wait.open_low_ms);
</script>

<h1 class="text-4xl">{left !== null && left <= 0 ? texts.readyToOpen : live.run.worked.wait.title}</h1>
{#if left !== null && wait.open_likely_ms !== null}
    <p class="fig time" role="timer">{left > 0 ? span(left) : `+${span(-left)}`}</p>
    <p class="text-lg">
        Likely from <b>{dayAndTime(wait.open_likely_ms)}</b>{#if wait.open_low_ms !== null && wait.open_high_ms !== null}, in this room
            between {dayAndTime(wait.open_low_ms)} and {dayAndTime(wait.open_high_ms)}{/if}.
    </p>
    {#if wait.service_ms !== null}<p class="quiet">First hot or harsh casting from {dayAndTime(wait.service_ms)}.</p>{/if}
    <Ready {...live.run.ready} />
    <div class="bar" aria-hidden="true"><span style="width:{share * 100}%"></span></div>
{/if}
<p class="quiet">{measure(live.run.weighed_g, 'mass', bench.units)} are in.</p>
<ul class="points">
    {#each live.run.worked.wait.points as point (point)}<li>{point}</li>{/each}
</ul>
<Gelled {live} />
{#if early}<p class="early">Earlier than it has ever been likely: press a fingernail into the flash first. If it marks, wait.</p>{/if}

<style>
    .time {
        font-size: clamp(3.5rem, 9vw, 6.5rem);
        font-weight: 700;
        line-height: 1.15;
    }
    .bar {
        height: 16px;
        border: 2px solid var(--color-base-content);
        border-radius: 8px;
        margin: 1rem 0;
        overflow: hidden;
        background: var(--color-secondary);
    }
    .bar span {
        display: block;
        height: 100%;
        background: color-mix(in oklab, var(--color-success) 55%, var(--color-secondary));
    }
    .points {
        display: grid;
        gap: 0.4rem;
        max-width: 65ch;
        margin-top: 0.4rem;
    }
    .points li {
        padding-left: 1rem;
        border-left: 4px solid var(--color-base-300);
    }
    .early {
        margin-top: 0.8rem;
        padding-left: 0.8rem;
        border-left: 5px solid var(--color-warning);
        font-weight: 700;
    }
</style>

<script lang="ts">
    /** A coat, or a part, of a build that goes on: it lies where it belongs. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import { when } from '../../lib/when';
    import type { LiveRun } from '../../lib/run.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Gelled from './Gelled.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();
    const run = $derived(live.run);
    let left = $state<number | string | null>(null);
</script>

<h1 class="text-4xl">{texts.itLies}</h1>
<p class="mt-2 text-lg">
    {measure(run.weighed_g, 'mass', bench.units)}{run.wait.poured_ms === null ? '' : `, since ${when(run.wait.poured_ms, bench.now)}`}. What
    comes next, and its window, stand on the build.
</p>
<form
    class="left"
    onsubmit={(event) => {
        event.preventDefault();
        if (typeof left === 'number') {
            void live.record('left_over', { left_g: left }, String(left));
        }
    }}
>
    <Measure label={texts.leftInCupAndOnThe} kind="mass" bind:value={left} hint={texts.weighItSoThickItReally} />
    <button class="btn big" disabled={typeof left !== 'number'}>{texts.writeItDown}</button>
    {#if run.left_g !== null}<p class="w-full" role="status">
            <b>{measure(run.weighed_g - run.left_g, 'mass', bench.units)}</b> lie there, {measure(run.left_g, 'mass', bench.units)} stayed in
            the cup.
        </p>{/if}
</form>
{#if run.waste !== ''}<p class="mt-2 max-w-prose quiet">{run.waste}</p>{/if}
<p class="mt-2 max-w-prose">Keep what is left in the cup: when it no longer runs, tap below, and the clock of this base gets better.</p>
<Gelled {live} />
<p class="mt-5 flex gap-2"><a class="btn btn-primary big" href="/builds/{run.build_id}">{texts.backToTheBuild}</a></p>

<style>
    .left {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: end;
        margin-top: 0.8rem;
    }
</style>

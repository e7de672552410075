<script lang="ts">
    /** What is left in the cup no longer runs: the clock of its base learns from it. */
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { dayAndTime } from '../../lib/when';
    import AsOf from '../../parts/AsOf.svelte';
    import Really from '../../parts/Really.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();
    const gelled = $derived(live.run.wait.gelled_ms);
    /** What is heated gets thick as it cools, and comes back on the heat. */
    const stops = $derived(
        live.run.heat === null
            ? ['The cup has gelled', 'The cup had gelled']
            : ['The pot is too thick to pour', 'The pot was too thick to pour'],
    );
    const met = $derived(live.run.cups.some((cup) => cup.met_ms !== null));

    async function again(payload: Record<string, unknown>): Promise<void> {
        live.doubted = null;
        await live.record('gelled', payload, JSON.stringify(payload));
        live.was = null;
    }
</script>

{#if gelled !== null}
    <p class="mt-2 font-bold">{live.run.heat === null ? 'Gelled' : 'Too thick to pour'} at {dayAndTime(gelled)}.</p>
{:else if met}
    <div class="mt-2">
        <button class="btn big" onclick={() => void live.tell('gelled')}
            >{live.was === null ? texts.now2(stops[0] ?? '') : texts.at(stops[1] ?? '', dayAndTime(Math.min(live.was, bench.now)))}</button
        >
        <AsOf bind:value={live.was} words="It was so, or was opened, earlier than now …" />
    </div>
{/if}
{#if live.doubted !== null && live.doubted.fact.away !== true && live.doubted.fact.kind === 'gelled'}
    {@const told = live.doubted.fact.payload}
    <Really
        why={live.doubted.why}
        onso={() => void again({ ...told, sure: true, done_ms: told.done_ms ?? live.doubted?.fact.at_ms })}
        onthen={(ms) => void again({ done_ms: ms })}
        onslip={() => (live.doubted = null)}
    />
{/if}

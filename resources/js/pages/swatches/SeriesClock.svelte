<script lang="ts">
    /** How long there is to fill the last puck, from the moment A meets B. */
    import { bench } from '../../lib/bench.svelte';
    import { knock } from '../../lib/sound';
    import { minutes, span } from '../../lib/units';

    type Props = {
        /** When A met B, in the server's milliseconds; null before. */
        met: number | null;
        /** Minutes until it no longer fills a form, mixing included; null where the sheet is silent. */
        allMin: number | null;
        onmet: (met: number | null) => void;
    };
    let { met, allMin, onmet }: Props = $props();

    const SHORT_MS = 3 * 60_000;
    const left = $derived(met === null || allMin === null ? null : met + allMin * 60_000 - bench.now);
    // Three minutes before the end, and at the end; what had passed when the page was opened is no news.
    const stage = $derived(left === null ? 'none' : left < 0 ? 'late' : left < SHORT_MS ? 'short' : 'open');
    let told = 'none';
    $effect(() => {
        if ((stage === 'short' && told === 'open') || (stage === 'late' && told === 'short')) {
            if (!bench.muted) {
                knock();
            }
        }
        told = stage;
    });
</script>

{#if met === null}
    <p class="clock">
        <button class="btn" onclick={() => onmet(bench.now)}>A meets B: start the clock</button>
        {#if allMin !== null}<span class="quiet text-sm">then {minutes(allMin)} to mix and to fill the last puck</span>{/if}
    </p>
{:else}
    <p class="clock" role="timer" aria-label="Time to fill the pucks" class:short={left !== null && left < SHORT_MS}>
        {#if left === null}
            <b class="fig time">{span(bench.now - met)}</b> <span class="quiet">since A met B</span>
        {:else if left >= 0}
            <b class="fig time" data-testid="series-left">{span(left)}</b> <span class="quiet">to fill the last puck</span>
        {:else}
            <b class="fig time">{span(-left)}</b> <span class="font-bold">too late to fill another: it has begun to thicken</span>
        {/if}
        <button class="btn btn-ghost btn-sm" onclick={() => onmet(null)}>It has not met yet</button>
    </p>
{/if}

<style>
    .clock {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 0.3rem 0.8rem;
        margin-block: 0.5rem;
    }
    .time {
        font-size: 2rem;
        line-height: 1.1;
    }
    .short .time {
        color: var(--color-accent);
    }
</style>

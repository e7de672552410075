<script lang="ts">
    /** How long there is to fill the last puck, from the moment A meets B. */
    import { bench } from '../../lib/bench.svelte';
    import { minutes, span } from '../../lib/units';
    import * as texts from './texts';

    type Props = {
        /** When A met B, in the server's milliseconds; null before. */
        met: number | null;
        /** When it no longer fills a form, and after how many minutes that is, mixing included; null where the sheet is silent. */
        until: number | null;
        allMin: number | null;
        onmet: (hasMet: boolean) => void;
    };
    let { met, until, allMin, onmet }: Props = $props();

    const SHORT_MS = 3 * 60_000;
    const left = $derived(until === null ? null : until - bench.now);
</script>

{#if met === null}
    <p class="clock">
        <button class="btn" onclick={() => onmet(true)}>{texts.aMeetsBStartTheClock}</button>
        {#if allMin !== null}<span class="quiet text-sm">then {minutes(allMin)} to mix and to fill the last puck</span>{/if}
    </p>
{:else}
    <p class="clock" role="timer" aria-label={texts.timeToFillThePucks} class:short={left !== null && left < SHORT_MS}>
        {#if left === null}
            <b class="fig time">{span(bench.now - met)}</b> <span class="quiet">since A met B</span>
        {:else if left >= 0}
            <b class="fig time" data-testid="series-left">{span(left)}</b> <span class="quiet">to fill the last puck</span>
        {:else}
            <b class="fig time">{span(-left)}</b> <span class="font-bold">too late to fill another: it has begun to thicken</span>
        {/if}
        <button class="btn btn-ghost btn-sm" onclick={() => onmet(false)}>{texts.itHasNotMetYet}</button>
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

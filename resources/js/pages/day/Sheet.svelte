<script lang="ts">
    /** The day as a sheet of paper: what, when, until when, and room for a tick. */
    import { bench } from '../../lib/bench.svelte';
    import { clockTime, dayInWords, when } from '../../lib/when';
    import type { DayView } from '../../types/server';

    let { day }: { day: DayView } = $props();
    const items = $derived(
        day.items.filter((item) => item.state !== 'done' && item.from_ms < day.to_ms).sort((a, b) => a.from_ms - b.from_ms),
    );
</script>

<svelte:head><title>Day sheet · Apalos</title></svelte:head>

<p class="noprint flex flex-wrap gap-2">
    <button class="btn btn-primary" onclick={() => window.print()}>Print it</button><a class="btn" href="/day">Back to the day</a>
</p>
<article class="sheet">
    <h1 class="text-4xl">{dayInWords(day.now_ms)}</h1>
    <p>{bench.frame?.workshop.name}, as it stood at {clockTime(day.now_ms)}.</p>
    {#if day.because !== null}<p class="font-bold">{day.because}</p>{/if}
    <table>
        <thead><tr><th>At</th><th>What</th><th>For</th><th>Window</th><th>Done</th></tr></thead>
        <tbody>
            {#each items as item (item.id)}
                <tr>
                    <td class="fig"><b>{clockTime(item.from_ms)}</b>–{clockTime(item.to_ms)}</td>
                    <td><b>{item.name}</b></td>
                    <td>{item.title}</td>
                    <td
                        >{item.opens_ms !== null && item.shuts_ms !== null
                            ? `${when(item.opens_ms, day.now_ms)} to ${when(item.shuts_ms, day.now_ms)}${item.missed ? ', shut' : ''}`
                            : ''}</td
                    >
                    <td class="tick"></td>
                </tr>
            {:else}<tr><td colspan="5">Nothing is planned for today.</td></tr>{/each}
        </tbody>
    </table>
    {#if day.anchor !== null}
        <p class="fig mt-4">Everything told up to {when(day.anchor.on_ms, day.now_ms)} is sealed as <b>{day.anchor.seal}</b>.</p>
    {/if}
</article>

<style>
    .sheet {
        margin-top: 1rem;
        font-size: 1.15rem;
        overflow-x: auto;
    }
    table {
        width: 100%;
        margin-top: 1rem;
        border-collapse: collapse;
    }
    th {
        text-align: left;
    }
    td,
    th {
        border-bottom: 1px solid var(--color-base-300);
        padding: 0.6rem 0.8rem 0.6rem 0;
        vertical-align: top;
    }
    .tick {
        min-width: 3rem;
        border: 1.5px solid var(--color-neutral);
    }
    @media print {
        .noprint {
            display: none;
        }
        :global(header),
        :global(footer) {
            display: none !important;
        }
    }
</style>

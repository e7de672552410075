<script lang="ts">
    /** The truth, told a little late: it met, or it went in, so many minutes ago. */
    import type { LiveRun } from '../../lib/run.svelte';
    import Measure from '../../parts/Measure.svelte';

    let { live }: { live: LiveRun } = $props();

    const run = $derived(live.run);
    let open = $state(false);
    let minutes = $state<number | string | null>(null);
    type Told = { what: 'met' | 'filled'; batch: number; words: string };
    const tellable = $derived.by((): Told[] => {
        const cup = (n: number): string => (run.batches > 1 ? ` in cup ${String(n)}` : '');
        return run.cups.flatMap((one): Told[] => [
            ...(one.met_ms !== null && one.filled_ms === null
                ? [
                      {
                          what: 'met' as const,
                          batch: one.batch,
                          words: run.one_part ? `It was opened${cup(one.batch)}` : `A met B${cup(one.batch)}`,
                      },
                  ]
                : []),
            ...(one.filled_ms !== null
                ? [
                      {
                          what: 'filled' as const,
                          batch: one.batch,
                          words: run.batches > 1 ? `Cup ${String(one.batch)} went in` : 'It went in',
                      },
                  ]
                : []),
        ]);
    });
    // Of several cups the last is the one that is still in mind.
    const told = $derived(tellable.slice(-2));

    async function tell(one: Told): Promise<void> {
        await live.record(
            'earlier',
            { what: one.what, batch: one.batch, ago_min: minutes },
            `${one.what}${String(one.batch)}/${String(minutes)}`,
        );
        if (live.trouble === null) {
            [open, minutes] = [false, null];
        }
    }
</script>

{#if told.length > 0}
    <p class="mt-2">
        <button class="link quiet" aria-expanded={open} onclick={() => (open = !open)}>It was earlier than this clock says</button>
    </p>
    {#if open}
        <div class="told">
            <Measure label="Minutes ago" kind="minutes" bind:value={minutes} first />
            {#each told as one (one.what + String(one.batch))}<button
                    class="btn big"
                    disabled={typeof minutes !== 'number'}
                    onclick={() => void tell(one)}>{one.words} then</button
                >{/each}
        </div>
    {/if}
{/if}

<style>
    .told {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: end;
        margin-top: 0.4rem;
    }
</style>

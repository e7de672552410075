<script lang="ts">
    /** The truth, told a little late: it met, went in, had gelled or was opened before this clock says. */
    import type { LiveRun } from '../../lib/run.svelte';
    import AsOf from '../../parts/AsOf.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();

    const run = $derived(live.run);
    let at = $state<number | null>(null);
    type Told = { what: 'met' | 'filled' | 'gelled' | 'opened'; batch: number; words: string };
    const tellable = $derived.by((): Told[] => {
        const cup = (n: number): string => (run.batches > 1 ? ` in cup ${String(n)}` : '');
        const cups = run.cups.flatMap((one): Told[] =>
            one.filled_ms !== null
                ? [{ what: 'filled', batch: one.batch, words: run.batches > 1 ? `Cup ${String(one.batch)} went in` : 'It went in' }]
                : one.met_ms !== null
                  ? [{ what: 'met', batch: one.batch, words: `${run.worked.met}${cup(one.batch)}` }]
                  : [],
        );
        return [
            // Of several cups the last is the one that is still in mind.
            ...cups.slice(-2),
            ...(run.wait.gelled_ms === null ? [] : [{ what: 'gelled' as const, batch: 1, words: 'It had gelled' }]),
            ...(run.wait.opened_ms === null ? [] : [{ what: 'opened' as const, batch: 1, words: 'I had opened it' }]),
        ];
    });

    async function tell(one: Told): Promise<void> {
        await live.record('earlier', { what: one.what, batch: one.batch, done_ms: at }, `${one.what}${String(one.batch)}/${String(at)}`);
        if (live.trouble === null) {
            at = null;
        }
    }
</script>

{#if tellable.length > 0}
    <AsOf bind:value={at} words="It was earlier than this clock says" />
    {#if at !== null}
        <div class="told">
            {#each tellable as one (one.what + String(one.batch))}<button class="btn big" onclick={() => void tell(one)}
                    >{texts.then2(one.words)}</button
                >{/each}
        </div>
    {/if}
{/if}

<style>
    .told {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        margin-top: 0.4rem;
    }
</style>

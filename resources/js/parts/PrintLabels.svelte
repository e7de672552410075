<script lang="ts">
    /** Labels on the label printer, in one press; and what became of them. */
    import type { LabelText } from '../lib/drawnLabel';
    import { printer } from '../lib/printer.svelte';
    import { bench } from '../lib/bench.svelte';
    import LabelPrinter from './LabelPrinter.svelte';
    import * as texts from './PrintLabels.texts';

    type Props = { labels: { what: string; text: LabelText }[]; words: string; big?: boolean };
    let { labels, words, big = false }: Props = $props();
    let pressed = $state(false);
    let dialog = $state<LabelPrinter>();
    const waits = $derived(printer.queue?.waits ?? 0);
</script>

{#if bench.frame?.labels === true}
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button
            class={big ? 'btn big' : 'btn btn-sm'}
            disabled={labels.length === 0 || printer.busy}
            onclick={() => {
                pressed = true;
                void printer.print(labels);
            }}>{words}</button
        >
        {#if pressed && !printer.busy}
            <span role="status"
                >{printer.wrong ??
                    printer.why ??
                    (waits === 0
                        ? 'It is out.'
                        : waits === 1
                          ? 'One label is on its way.'
                          : `${String(waits)} labels are on their way.`)}</span
            >
            {#if waits > 0}<button class="btn btn-ghost btn-sm" onclick={() => dialog?.show()}>{texts.whatWaits}</button>{/if}
        {/if}
    </div>
    <LabelPrinter bind:this={dialog} />
{/if}

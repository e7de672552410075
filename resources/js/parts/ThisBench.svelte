<script lang="ts">
    /** What seldom changes: the shop's name, units, money, scale, cups and working day. */
    import BenchForm from './BenchForm.svelte';
    import { bench } from '../lib/bench.svelte';
    import type LabelPrinter from './LabelPrinter.svelte';
    import TakingAlong from './TakingAlong.svelte';
    import ThisTablet from './ThisTablet.svelte';
    import * as texts from './ThisBench.texts';

    let dialog: HTMLDialogElement;
    let tablet = $state<ThisTablet>();
    let printer = $state<LabelPrinter>();
    let open = $state(false);
    /** What is seldom needed comes when it is. */
    let wanted = $state(false);

    $effect(() => {
        if (wanted && printer !== undefined) {
            printer.show();
        }
    });
</script>

<button
    class="btn btn-ghost btn-sm"
    onclick={() => {
        open = true;
        dialog.showModal();
    }}>{texts.thisBench}</button
>

<dialog class="modal" bind:this={dialog} aria-labelledby="bench-title" onclose={() => (open = false)}>
    <div class="modal-box bg-secondary">
        <div class="mb-4 flex flex-wrap items-center justify-between gap-2">
            <h2 id="bench-title" class="text-2xl">{texts.thisBench}</h2>
            <button
                class="btn"
                onclick={() => {
                    dialog.close();
                    tablet?.show();
                }}>{texts.thisTabletSoundVoicePedalScale}</button
            >
            {#if bench.frame?.labels === true}<button
                    class="btn"
                    onclick={() => {
                        dialog.close();
                        if (wanted) {
                            printer?.show();
                        }
                        wanted = true;
                    }}>{texts.theLabelPrinter}</button
                >{/if}
        </div>
        {#if open}<BenchForm keep="Keep it" onkept={() => dialog.close()} onleave={() => dialog.close()} /><TakingAlong />{/if}
    </div>
</dialog>

<ThisTablet bind:this={tablet} />
{#if wanted}{#await import('./LabelPrinter.svelte') then part}<part.default bind:this={printer} />{/await}{/if}

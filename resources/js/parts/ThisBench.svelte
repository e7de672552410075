<script lang="ts">
    /** What seldom changes: the shop's name, units, money, scale, cups and working day. */
    import BenchForm from './BenchForm.svelte';
    import { bench } from '../lib/bench.svelte';
    import LabelPrinter from './LabelPrinter.svelte';
    import TakingAlong from './TakingAlong.svelte';
    import ThisTablet from './ThisTablet.svelte';

    let dialog: HTMLDialogElement;
    let tablet = $state<ThisTablet>();
    let printer = $state<LabelPrinter>();
    let open = $state(false);
</script>

<button
    class="btn btn-ghost btn-sm"
    onclick={() => {
        open = true;
        dialog.showModal();
    }}>This bench</button
>

<dialog class="modal" bind:this={dialog} aria-labelledby="bench-title" onclose={() => (open = false)}>
    <div class="modal-box bg-secondary">
        <div class="mb-4 flex flex-wrap items-center justify-between gap-2">
            <h2 id="bench-title" class="text-2xl">This bench</h2>
            <button
                class="btn"
                onclick={() => {
                    dialog.close();
                    tablet?.show();
                }}>This tablet: sound, voice, pedal, scale</button
            >
            {#if bench.frame?.labels === true}<button
                    class="btn"
                    onclick={() => {
                        dialog.close();
                        printer?.show();
                    }}>The label printer</button
                >{/if}
        </div>
        {#if open}<BenchForm keep="Keep it" onkept={() => dialog.close()} onleave={() => dialog.close()} /><TakingAlong />{/if}
    </div>
</dialog>

<ThisTablet bind:this={tablet} />
<LabelPrinter bind:this={printer} />

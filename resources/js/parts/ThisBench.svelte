<script lang="ts">
    /** What seldom changes: the shop's name, units, money, scale, cups and working day. */
    import BenchForm from './BenchForm.svelte';
    import TakingAlong from './TakingAlong.svelte';

    let dialog: HTMLDialogElement;
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
        <h2 id="bench-title" class="mb-4 text-2xl">This bench</h2>
        {#if open}<BenchForm keep="Keep it" onkept={() => dialog.close()} onleave={() => dialog.close()} /><TakingAlong />{/if}
    </div>
</dialog>

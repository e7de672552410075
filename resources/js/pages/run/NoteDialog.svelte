<script lang="ts">
    import Choice from '../../parts/Choice.svelte';
    type Props = {
        open: boolean;
        faults: { id: string; name: string; cause: string }[];
        onnote: (text: string, fault: string | null) => void;
    };
    let { open = $bindable(), faults, onnote }: Props = $props();
    let dialog: HTMLDialogElement;
    let text = $state('');
    let fault = $state('');

    $effect(() => {
        if (open && !dialog.open) {
            dialog.showModal();
        }
    });

    function keep(event: SubmitEvent): void {
        event.preventDefault();
        if (text.trim() !== '' || fault !== '') {
            onnote(text.trim(), fault === '' ? null : fault);
            text = '';
            fault = '';
        }
        dialog.close();
    }
</script>

<dialog class="modal" bind:this={dialog} onclose={() => (open = false)} aria-labelledby="note-title">
    <form class="modal-box bg-secondary grid gap-3" onsubmit={keep}>
        <h2 id="note-title" class="text-2xl">Note</h2>
        <Choice label="A fault?" bind:value={fault}>
            <option value="">no, just a note</option>
            {#each faults as f (f.id)}<option value={f.id}>{f.name}</option>{/each}
        </Choice>
        <label class="grid gap-1"
            ><span class="quiet text-sm">In your words</span><textarea class="textarea w-full" rows="3" bind:value={text}></textarea></label
        >
        <div class="flex gap-2">
            <button class="btn btn-primary big">Keep it</button>
            <button type="button" class="btn btn-ghost big" onclick={() => dialog.close()}>Leave it</button>
        </div>
    </form>
</dialog>

<script lang="ts">
    import Choice from '../../parts/Choice.svelte';
    import * as texts from './texts';
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
        <h2 id="note-title" class="text-2xl">{texts.note}</h2>
        <Choice label={texts.aFault} bind:value={fault}>
            <option value="">{texts.noJustANote}</option>
            {#each faults as f (f.id)}<option value={f.id}>{f.name}</option>{/each}
        </Choice>
        <label class="grid gap-1"
            ><span class="quiet text-sm">{texts.inYourWords}</span><textarea class="textarea w-full" rows="3" bind:value={text}
            ></textarea></label
        >
        <div class="flex gap-2">
            <button class="btn btn-primary big">{texts.keepIt}</button>
            <button type="button" class="btn btn-ghost big" onclick={() => dialog.close()}>{texts.leaveIt}</button>
        </div>
    </form>
</dialog>
